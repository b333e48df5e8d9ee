import type { ReactNode } from 'react';
import { ENTRY_KINDS, type EntryKind } from '@/core/records/kinds';
import { logPath } from '@/frame/logPaths';
import type { RevisionOf } from '@/core/records/schema/revision';
import type { OtherForm } from '@/core/opens';
import { PaperScreen } from '../PaperScreen';
import { ReadingEditor } from '../ReadingEditor';
import { TestSheetScreen } from '../TestSheetScreen';
import { AlarmForm } from './alarm';
import { AnimalsEntryForm } from './animals';
import { CalibrationEntryForm } from './calibration';
import { CostEntryForm } from './cost';
import { BacteriaForm, DoseEntryForm } from './dose';
import type { EntryFormProps } from './entryForm';
import { FeedEntryForm } from './feed';
import { MediaEntryForm, OrganicsEntryForm } from './organics';
import {
  ClosedForm,
  FilledForm,
  HeaterCheckForm,
  LidForm,
  RunningForm,
  TaskMarkForm,
} from './facts';
import { PurifiedEntryForm } from './purified';
import { CleaningForm, DailyCheckForm, MedicationForm, SpongeForm } from './quarantine';
import { GrowthMeasureEntryForm } from './growthMeasure';
import { SaltMixEntryForm } from './saltMix';
import { LightForm, NoteForm, ObservationForm, SightingForm, TreatmentForm } from './seen';
import { StandstillForm } from './standstill';
import { TopOffEntryForm } from './topOff';
import { WaterChangeEntryForm } from './waterChange';
import { WeighingEntryForm } from './weighing';

/** How a kind of entry is logged and corrected. */
interface KindForm {
  /** What it is called where one chooses what to log. */
  label: string;
  /** What it is for, in a few words. */
  hint: string;
  /** What people say when they log it, to be found by. */
  also: string;
  /** Whether it stands one tap away in every form's head. */
  often?: true;
  /** Written by what it belongs to, and only corrected here. */
  hidden?: true;
  New: (props: EntryFormProps) => ReactNode;
  Edit: (props: { editing: RevisionOf<'entry'> }) => ReactNode;
}

const both = (Form: KindForm['New']) => ({ New: Form, Edit: Form });

/** Every kind of entry with its form: addresses, tabs, the sheet of kinds and correction read this. */
export const KIND_FORMS: Record<EntryKind, KindForm> = {
  reading: {
    label: 'Test',
    hint: 'Water, by your own kits',
    also: 'test water results ammonia nitrite nitrate pH salinity kit',
    often: true,
    New: TestSheetScreen,
    Edit: ReadingEditor,
  },
  dose: {
    label: 'Dose',
    hint: 'Ammonia, bacteria, alkalinity',
    also: 'dosed ammonia bottled bacteria alk KH',
    often: true,
    ...both(DoseEntryForm),
  },
  waterChange: {
    label: 'Water change',
    hint: 'Litres out and in',
    also: 'WC changed water',
    often: true,
    ...both(WaterChangeEntryForm),
  },
  feed: {
    label: 'Feed',
    hint: 'For animals or the filter bacteria',
    also: 'fed food ghost feeding',
    often: true,
    ...both(FeedEntryForm),
  },
  topOff: {
    label: 'Top-off',
    hint: 'What evaporated, put back',
    also: 'ATO top off evaporated fresh water added',
    ...both(TopOffEntryForm),
  },
  animals: {
    label: 'Animals',
    hint: 'Came in, went out, died',
    also: 'new fish coral snails CUC bought died',
    ...both(AnimalsEntryForm),
  },
  alarm: {
    label: 'Alarm',
    hint: 'A monitor rang',
    also: 'alarm rang',
    hidden: true,
    ...both(AlarmForm),
  },
  observation: {
    label: 'Observation',
    hint: 'Of the tank, an animal, equipment',
    also: 'saw noticed behaviour',
    ...both(ObservationForm),
  },
  sighting: {
    label: 'Growth seen',
    hint: 'Diatoms, film, hair, sheets',
    also: 'diatoms red slime cyano hair algae seen brown',
    ...both(SightingForm),
  },
  growthMeasure: {
    label: 'Measure against growth',
    hint: 'Light, media, refugium, by hand',
    also: 'what was done against algae blackout',
    ...both(GrowthMeasureEntryForm),
  },
  light: { label: 'Light', hint: 'On for good, or off', also: 'lights on off', ...both(LightForm) },
  organics: {
    label: 'Prawn, detritus',
    hint: 'In, out, siphoned',
    also: 'prawn shrimp rotting detritus',
    ...both(OrganicsEntryForm),
  },
  media: {
    label: 'Rock, sand or media',
    hint: 'Moved in or out',
    also: 'rock sand filter media added removed',
    ...both(MediaEntryForm),
  },
  treatment: {
    label: 'Medicine, chlorine',
    hint: 'What may harm the filter bacteria',
    also: 'medicine copper chlorine peroxide',
    ...both(TreatmentForm),
  },
  standstill: {
    label: 'Without flow',
    hint: 'Power cut, pump stood still, a move',
    also: 'power cut no flow pump off',
    ...both(StandstillForm),
  },
  lid: { label: 'Lid', hint: 'Fitted or taken off', also: 'cover mesh jump', ...both(LidForm) },
  heaterCheck: {
    label: 'Heater check',
    hint: 'Checked against a thermometer',
    also: 'thermometer heater',
    ...both(HeaterCheckForm),
  },
  calibration: {
    label: 'Calibration',
    hint: 'An instrument checked against a standard',
    also: 'calibrated refractometer pH pen',
    ...both(CalibrationEntryForm),
  },
  saltMix: {
    label: 'Salt mix',
    hint: 'New salt water, and what it came to',
    also: 'mixed saltwater salt',
    ...both(SaltMixEntryForm),
  },
  purified: {
    label: 'Purified water',
    hint: 'Litres, minutes, TDS',
    also: 'RO/DI RODI TDS',
    ...both(PurifiedEntryForm),
  },
  weighing: {
    label: 'Cup, drop or portion weighed',
    hint: 'Once, to be counted from then on',
    also: 'scale drop cup grams',
    ...both(WeighingEntryForm),
  },
  note: {
    label: 'Note',
    hint: 'Anything to find again',
    also: 'journal diary write',
    ...both(NoteForm),
  },
  filled: {
    label: 'Filled',
    hint: 'The day water went in',
    also: 'filled day one',
    ...both(FilledForm),
  },
  running: {
    label: 'Running',
    hint: 'Cycled, with animals, since',
    also: 'already cycled running established',
    ...both(RunningForm),
  },
  closed: {
    label: 'Tank closed',
    hint: 'Taken down; nothing falls due',
    also: 'took down sold',
    ...both(ClosedForm),
  },
  cost: {
    label: 'Cost',
    hint: 'What was paid, and for what',
    also: 'paid bought price money',
    ...both(CostEntryForm),
  },
  cleaning: {
    label: 'Quarantine cleaned',
    hint: 'After a batch, before the next',
    also: 'bleach clean QT',
    ...both(CleaningForm),
  },
  sponge: {
    label: 'Sponge',
    hint: 'Seeded, put to work, thrown away',
    also: 'seeded sponge filter',
    ...both(SpongeForm),
  },
  dailyCheck: {
    label: 'Daily check',
    hint: 'At one animal in quarantine',
    also: 'daily check sick not eating',
    hidden: true,
    ...both(DailyCheckForm),
  },
  medication: {
    label: 'Medicine by its label',
    hint: 'Given, measured, taken out',
    also: 'medicine by label dose QT',
    hidden: true,
    ...both(MedicationForm),
  },
  taskMark: {
    label: 'Task',
    hint: 'Done, skipped or put off',
    also: 'done chore',
    hidden: true,
    ...both(TaskMarkForm),
  },
};

/** Forms that begin otherwise: a bottle of bacteria is not like the last dose, nor paper like a vial. */
export const OTHER_STARTS: Readonly<Record<OtherForm, KindForm['New']>> = {
  bacteria: BacteriaForm,
  paper: PaperScreen,
};

/** What an address under /log opens; undefined where there is no such kind. */
export function formAt(path: string): KindForm['New'] | undefined {
  const kind = ENTRY_KINDS.find((candidate) => logPath(candidate) === path);
  const other = Object.entries(OTHER_STARTS).find(([name]) => name === path);
  return other?.[1] ?? (kind && KIND_FORMS[kind].New);
}

/** The kinds as they are offered for logging. */
export const LOG_KINDS = ENTRY_KINDS.filter((kind) => !KIND_FORMS[kind].hidden).map((kind) => ({
  path: logPath(kind),
  label: KIND_FORMS[kind].label,
  hint: KIND_FORMS[kind].hint,
  often: KIND_FORMS[kind].often,
}));
