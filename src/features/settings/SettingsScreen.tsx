import { useState } from 'react';
import { View } from 'react-native';
import { bandWords } from '@/core/cycle/verdict/criteria/conditions';
import { BAND_PRESETS, type BandPresetId } from '@/core/parameters/bands';
import { fromCanonical, toCanonical } from '@/core/parameters/convert';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '@/core/parameters/registry';
import {
  METRIC_SETTINGS,
  US_SETTINGS,
  type Settings,
  unitFor,
} from '@/core/records/schema/settings';
import { formatPlain, parseNumber } from '@/core/units/format';
import { unitDecimals, unitSymbol, type Unit } from '@/core/units/units';
import { changeSettings } from '@/store/settings';
import { selectBands, selectSettings } from '@/store/selectors';
import { applyNewer, OFFLINE_WORDS, useOffline } from '@/frame/offline';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { Button, LinkButton } from '@/ui/Press';
import { Choice, OptionList } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';

function unitLabel(unit: Unit): string {
  return unit === 'pH' ? 'pH' : unitSymbol(unit);
}

/** A quantity, the units it can be shown in, and the one it is shown in. */
interface UnitRow {
  id: string;
  title: string;
  value: string;
  options: readonly { value: string; label: string }[];
  choose: (value: string) => void;
}

const VOLUMES = [
  { value: 'L', label: 'Litres' },
  { value: 'gal', label: 'US gallons' },
] as const;
const LENGTHS = [
  { value: 'cm', label: 'cm' },
  { value: 'in', label: 'inches' },
] as const;
const MASSES = [
  { value: 'kg', label: 'kg' },
  { value: 'lb', label: 'lb' },
] as const;

/** A row of one kind of unit; what is not among its options changes nothing. */
function rowOf<T extends string>(
  id: string,
  title: string,
  value: T,
  options: readonly { value: T; label: string }[],
  save: (value: T) => void,
): UnitRow {
  return {
    id,
    title,
    value,
    options,
    choose: (chosen) => {
      const found = options.find((option) => option.value === chosen);
      if (found) save(found.value);
    },
  };
}

/** Every quantity whose unit can be chosen. */
function unitRows(settings: Settings, save: (changes: Partial<Settings>) => void): UnitRow[] {
  return [
    rowOf('volume', 'Volume', settings.volumeUnit, VOLUMES, (volumeUnit) => save({ volumeUnit })),
    rowOf('length', 'Length', settings.lengthUnit, LENGTHS, (lengthUnit) => save({ lengthUnit })),
    rowOf('mass', 'Mass', settings.massUnit, MASSES, (massUnit) => save({ massUnit })),
    ...PARAMETER_IDS.filter((id) => PARAMETERS[id].units.length > 1).map((id) =>
      rowOf(
        id,
        PARAMETERS[id].name,
        unitFor(settings, id),
        PARAMETERS[id].units.map((unit) => ({ value: unit, label: unitLabel(unit) })),
        (unit) => save({ parameterUnits: { ...settings.parameterUnits, [id]: unit } }),
      ),
    ),
  ];
}

/** Units, day and night, and the bands everything is judged by. */
export function SettingsScreen() {
  const settings = useAppSelector(selectSettings);
  const bands = useAppSelector(selectBands);
  const dispatch = useAppDispatch();
  const [bandOf, setBandOf] = useState<ParameterId | null>(null);
  const save = (changes: Partial<Settings>) =>
    void dispatch(changeSettings((all) => ({ ...all, ...changes })));
  const [folded, setFolded] = useState(true);
  const [unitOf, setUnitOf] = useState<string | null>(null);
  const offline = useOffline();
  const units = unitRows(settings, save);
  const unit = units.find(({ id }) => id === unitOf);
  const banded = PARAMETER_IDS.filter((id) => id !== 'ammonia' && id !== 'nitrite');
  return (
    <Screen>
      <Opening title="Settings.">Readings always keep the unit they were made in.</Opening>
      <Choice
        label="Day or night"
        value={settings.theme}
        onChange={(theme) => save({ theme })}
        options={[
          { value: 'system', label: 'As the system' },
          { value: 'day', label: 'Day' },
          { value: 'night', label: 'Night' },
        ]}
      />
      <SectionHead title="Units" />
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        <Button
          label="All metric"
          onPress={() => {
            const { theme, bandPreset, bands: own } = settings;
            save({ ...METRIC_SETTINGS, theme, bandPreset, bands: own });
          }}
        />
        <Button
          label="All US"
          onPress={() => {
            const { theme, bandPreset, bands: own } = settings;
            save({ ...US_SETTINGS, theme, bandPreset, bands: own });
          }}
        />
      </View>
      <View>
        {units.map(({ id, title, options, value }) => (
          <Row
            key={id}
            title={title}
            accessibleName={`Unit of ${title.toLowerCase()}: ${options.find((o) => o.value === value)?.label ?? ''}. Change`}
            end={<Words as="body">{options.find((o) => o.value === value)?.label ?? ''}</Words>}
            onPress={() => setUnitOf(unitOf === id ? null : id)}
          />
        ))}
      </View>
      {unit ? (
        <Sheet title={`${unit.title} in`} open onClose={() => setUnitOf(null)}>
          <OptionList
            label={unit.title}
            value={unit.value}
            onChange={(value) => {
              unit.choose(value);
              setUnitOf(null);
            }}
            options={unit.options}
          />
        </Sheet>
      ) : null}
      <SectionHead title="Without a network" />
      <Words as="body">{OFFLINE_WORDS[offline.state]}</Words>
      {offline.newer ? <Button label="Use the newer version" onPress={applyNewer} /> : null}
      <SectionHead title="Bands" end="practice, not laws" />
      <OptionList<BandPresetId>
        label="Preset"
        value={settings.bandPreset}
        onChange={(bandPreset) => save({ bandPreset })}
        options={BAND_PRESETS.map((preset) => ({
          value: preset.id,
          label: preset.name,
          note: preset.note,
        }))}
      />
      <LinkButton
        soft
        label={folded ? 'Bands one by one' : 'Fold the bands away'}
        onPress={() => setFolded(!folded)}
      />
      <View>
        {(folded ? [] : banded).map((id) => {
          const band = bands[id];
          return (
            <Row
              key={id}
              title={PARAMETERS[id].name}
              note={settings.bands[id] ? 'your own' : 'from the preset'}
              end={
                <Words as="body">{band ? bandWords(band, unitFor(settings, id)) : 'none'}</Words>
              }
              onPress={() => setBandOf(id)}
            />
          );
        })}
      </View>
      {bandOf ? (
        <BandSheet
          key={bandOf}
          parameter={bandOf}
          settings={settings}
          onClose={() => setBandOf(null)}
          onSave={(next) => {
            save({ bands: next });
            setBandOf(null);
          }}
        />
      ) : null}
    </Screen>
  );
}

function BandSheet({
  parameter,
  settings,
  onSave,
  onClose,
}: {
  parameter: ParameterId;
  settings: Settings;
  onSave: (bands: Settings['bands']) => void;
  onClose: () => void;
}) {
  const bands = useAppSelector(selectBands);
  const unit = unitFor(settings, parameter);
  const band = bands[parameter];
  const text = (value: number | undefined) =>
    value === undefined ? '' : formatPlain(fromCanonical(value, unit), unitDecimals(unit) + 1);
  const [low, setLow, lowUsed] = useTyped(`band/${parameter}/low`, text(band?.low));
  const [high, setHigh, highUsed] = useTyped(`band/${parameter}/high`, text(band?.high));
  const lowValue = parseNumber(low);
  const highValue = parseNumber(high);
  const error =
    lowValue === null || highValue === null
      ? 'Enter both ends.'
      : lowValue > highValue
        ? 'The lower end is above the upper one.'
        : undefined;
  return (
    <Sheet title={`Band of ${PARAMETERS[parameter].inSentence}`} open onClose={onClose}>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <Field
          style={{ flex: 1 }}
          label="From"
          kind="number"
          unit={unitSymbol(unit)}
          value={low}
          onChange={setLow}
        />
        <Field
          style={{ flex: 1 }}
          label="To"
          kind="number"
          unit={unitSymbol(unit)}
          value={high}
          onChange={setHigh}
        />
      </View>
      {error ? <Words as="soft">{error}</Words> : null}
      <Button
        kind="primary"
        label="Use this band"
        disabled={error !== undefined}
        onPress={() => {
          if (lowValue === null || highValue === null || error) return;
          lowUsed();
          highUsed();
          onSave({
            ...settings.bands,
            [parameter]: { low: toCanonical(lowValue, unit), high: toCanonical(highValue, unit) },
          });
        }}
      />
      {settings.bands[parameter] ? (
        <Button
          label="Back to the preset"
          onPress={() => {
            lowUsed();
            highUsed();
            const { [parameter]: _mine, ...rest } = settings.bands;
            onSave(rest);
          }}
        />
      ) : null}
    </Sheet>
  );
}
