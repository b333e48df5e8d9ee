import { useState } from 'react';
import { View } from 'react-native';
import { bandWords } from '@/core/cycle/verdict/conditions';
import { BAND_PRESETS, type BandPresetId } from '@/core/parameters/bands';
import { fromCanonical, toCanonical } from '@/core/parameters/convert';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '@/core/parameters/registry';
import {
  METRIC_SETTINGS,
  SETTINGS_ID,
  US_SETTINGS,
  type Settings,
  unitFor,
} from '@/core/records/schema/settings';
import { formatPlain, parseNumber } from '@/core/units/format';
import { unitDecimals, unitSymbol, type Unit } from '@/core/units/units';
import { recordAct } from '@/store/record';
import { selectBands, selectSettings, selectSettingsRecord } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { Button } from '@/ui/Press';
import { Choice, OptionList } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';

function unitLabel(unit: Unit): string {
  return unit === 'pH' ? 'pH' : unitSymbol(unit);
}

/** Units, day and night, and the bands everything is judged by. */
export function SettingsScreen() {
  const settings = useAppSelector(selectSettings);
  const record = useAppSelector(selectSettingsRecord);
  const bands = useAppSelector(selectBands);
  const dispatch = useAppDispatch();
  const [bandOf, setBandOf] = useState<ParameterId | null>(null);
  const save = (changes: Partial<Settings>) => {
    const next = { ...settings, ...changes };
    void dispatch(
      recordAct((act) => {
        if (record) act.revise(record, next);
        else act.createAs(SETTINGS_ID, 'settings', next);
      }, 'Changed the settings'),
    );
  };
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
      <Choice
        label="Volume"
        value={settings.volumeUnit}
        onChange={(volumeUnit) => save({ volumeUnit })}
        options={[
          { value: 'L', label: 'Litres' },
          { value: 'gal', label: 'US gallons' },
        ]}
      />
      <Choice
        label="Length"
        value={settings.lengthUnit}
        onChange={(lengthUnit) => save({ lengthUnit })}
        options={[
          { value: 'cm', label: 'cm' },
          { value: 'in', label: 'inches' },
        ]}
      />
      <Choice
        label="Mass"
        value={settings.massUnit}
        onChange={(massUnit) => save({ massUnit })}
        options={[
          { value: 'kg', label: 'kg' },
          { value: 'lb', label: 'lb' },
        ]}
      />
      {PARAMETER_IDS.filter((id) => PARAMETERS[id].units.length > 1).map((id) => (
        <Choice
          key={id}
          label={PARAMETERS[id].name}
          value={unitFor(settings, id)}
          onChange={(unit) => save({ parameterUnits: { ...settings.parameterUnits, [id]: unit } })}
          options={PARAMETERS[id].units.map((unit) => ({ value: unit, label: unitLabel(unit) }))}
        />
      ))}
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
      <View>
        {banded.map((id) => {
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
  const [low, setLow] = useState(text(band?.low));
  const [high, setHigh] = useState(text(band?.high));
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
            const { [parameter]: _mine, ...rest } = settings.bands;
            onSave(rest);
          }}
        />
      ) : null}
    </Sheet>
  );
}
