import * as z from 'zod';
import { CAUTIONS } from '@/core/cautions';
import type { TankHistory } from '@/core/history/tankHistory';
import type { RevisionOf } from '@/core/records/schema/revision';
import type { Asked, Step } from '@/core/runs/procedure';
import { withClock } from '@/core/runs/procedures/changes';
import { instant } from '@/core/time/zone';
import { formatExact, formatPlain, parseNumber } from '@/core/units/format';
import { unitSymbol, type Unit } from '@/core/units/units';
import { fromCanonical, toCanonical } from '@/core/parameters/convert';
import { unitFor, type Settings } from '@/core/records/schema/settings';
import { addressOf } from '@/frame/addressOf';
import { CautionRemark } from '@/frame/CautionRemark';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { changeRun } from '@/store/runs';
import { selectSettings } from '@/store/selectors';
import { OptionList } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';

interface StepProps {
  run: RevisionOf<'run'>;
  step: Step;
  history: TankHistory | null;
  lead: (address: string) => void;
  note: (value?: string | number) => void;
}

/** What a step asks: a tick, a number, a choice, a clock; and where it is done. */
export function StepControls(props: StepProps) {
  const { run, step, lead, note } = props;
  const opens = typeof step.opens === 'function' ? step.opens(run.body) : (step.opens ?? null);
  const done = run.body.steps[step.id] !== undefined;
  // The test at the end of a challenge, and the like, are done where they lead to.
  const doneThere = opens !== null && 'form' in opens && opens.form === 'reading' && !step.shown;
  return (
    <>
      {step.caution ? <CautionRemark caution={CAUTIONS[step.caution]} /> : null}
      {step.kind === 'measure' ? <Measure {...props} /> : null}
      {step.kind === 'choose' && step.choices ? (
        <OptionList
          label={step.title}
          value={(run.body.steps[step.id]?.value as string | undefined) ?? null}
          onChange={note}
          options={step.choices}
        />
      ) : null}
      {step.minutes ? <Wait {...props} minutes={step.minutes} /> : null}
      {opens ? (
        <Button
          kind={step.kind === 'check' && !doneThere ? 'plain' : 'primary'}
          label={opens.label}
          onPress={() => lead(addressOf(opens))}
        />
      ) : null}
      {step.kind === 'check' && !doneThere ? (
        <Button kind="primary" label={done ? 'Done once more' : 'Done'} onPress={() => note()} />
      ) : null}
    </>
  );
}

const draftSchema = z.string();

/** A number of a step: kept as it is typed, until it is noted. */
function Measure({ run, step, history, note }: StepProps) {
  const settings = useAppSelector(selectSettings);
  const { volumeUnit } = settings;
  const { asks } = step;
  const noted = run.body.steps[step.id]?.value;
  const shown = (value: number | undefined) =>
    value === undefined
      ? ''
      : formatExact(asks ? Number(fromStep(asks, value, settings).toPrecision(6)) : value);
  const start = shown(typeof noted === 'number' ? noted : asks?.usual?.(run.body, history));
  const [draft, setDraft] = useDraft<string>(`run/${run.id}/${step.id}`, draftSchema, start);
  if (!asks) return null;
  const read = readAsked(asks, draft, settings);
  return (
    <>
      <Field
        label={asks.label}
        kind="number"
        unit={unitSymbolOf(asks, settings)}
        value={draft}
        error={draft.trim() !== '' && typeof read === 'string' ? read : undefined}
        onChange={setDraft}
      />
      {asks.byJug ? (
        <Jugs
          name={`run/${run.id}/${step.id}/jug`}
          unit={volumeUnit}
          onPour={(jug) => setDraft(formatExact((parseNumber(draft) ?? 0) + jug))}
        />
      ) : null}
      <Button
        kind="primary"
        label="Note it"
        disabled={typeof read === 'string'}
        onPress={() => {
          if (typeof read === 'string') return;
          setDraft(null);
          note(read);
        }}
      />
    </>
  );
}

/** A jug that is poured again and again, added to what is counted with one tap. */
function Jugs({
  name,
  unit,
  onPour,
}: {
  name: string;
  unit: string;
  onPour: (jug: number) => void;
}) {
  const [text, setText] = useDraft<string>(name, draftSchema, '10');
  const jug = parseNumber(text);
  return (
    <>
      <Field label="A jug holds" kind="number" unit={unit} value={text} onChange={setText} />
      <Button
        label={jug === null || jug <= 0 ? 'Say what a jug holds' : `One more jug: ${text} ${unit}`}
        disabled={jug === null || jug <= 0}
        onPress={() => {
          if (jug !== null && jug > 0) onPour(jug);
        }}
      />
    </>
  );
}

/** A typed number in what a step asks for, or what is wrong with it. */
function readAsked(asks: Asked, text: string, settings: Settings): number | string {
  const value = parseNumber(text);
  if (value === null) return `"${text.trim()}" is not a number.`;
  const unit = unitOfStep(asks, settings);
  if (unit === 'ppt' && value >= 0.98 && value <= 1.06) {
    return `${formatPlain(value, 4)} reads like a specific gravity: 1.0264 at 25 °C is 35 ppt.`;
  }
  const inStep = unit === null ? value : toCanonical(value, unit);
  if (inStep >= asks.low && inStep <= asks.high) return inStep;
  const end = (bound: number) =>
    formatPlain(fromStep(asks, bound, settings), unit?.startsWith('sg') ? 4 : 1);
  return `It must lie between ${end(asks.low)} and ${end(asks.high)} ${unitSymbolOf(asks, settings)}.`.replace(
    ' .',
    '.',
  );
}

/** The unit that a number of a step is typed in; null for one that has no other. */
function unitOfStep({ unit }: Asked, settings: Settings): Unit | null {
  if (unit === 'L') return settings.volumeUnit;
  if (unit === '°C') return unitFor(settings, 'temperature');
  return unit === 'ppt' ? unitFor(settings, 'salinity') : null;
}

function unitSymbolOf(asks: Asked, settings: Settings): string {
  const unit = unitOfStep(asks, settings);
  return unit === null ? asks.unit : unitSymbol(unit);
}

/** A number as a step keeps it, in the unit it is typed in. */
function fromStep(asks: Asked, value: number, settings: Settings): number {
  const unit = unitOfStep(asks, settings);
  return unit === null ? value : fromCanonical(value, unit);
}

function Wait({
  run,
  step,
  history,
  minutes,
}: StepProps & { minutes: NonNullable<Step['minutes']> }) {
  const dispatch = useAppDispatch();
  if (run.body.clocks[step.id] !== undefined) return null;
  const length = minutes(run.body, history);
  if (length <= 0) return null;
  return (
    <Button
      kind={step.kind === 'wait' ? 'primary' : 'plain'}
      label={`Start the clock: ${formatPlain(length)} minutes`}
      onPress={() =>
        void dispatch(
          changeRun(run, (body, at) =>
            withClock(
              body,
              step.id,
              new Date(instant(at) + length * 60_000).toISOString(),
              step.title,
            ),
          ),
        )
      }
    />
  );
}
