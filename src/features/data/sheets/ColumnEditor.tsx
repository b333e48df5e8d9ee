import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '@/core/parameters/registry';
import { asReading } from '@/core/sheets/guess/answers';
import { measureKey, measureOptions } from '@/core/sheets/guess/measure';
import { OTHER_USES, type ColumnUse, type Mapping, type OtherUse } from '@/core/sheets/mapping';
import type { ShownColumn } from '@/core/sheets/sheet';
import { Choice, Tick } from '@/ui/Choice';
import { Button } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { USE_WORDS } from './sheetWords';

/** Says what one column of a sheet is, and what its numbers are in. */
export function ColumnEditor({
  column,
  mark,
  onChange,
  onClose,
}: {
  column: ShownColumn;
  mark: Mapping['mark'];
  onChange: (use: ColumnUse) => void;
  onClose: () => void;
}) {
  const { heading, where, use, samples } = column;
  const measures = use.is === 'reading' ? measureOptions(use.parameter) : [];
  const test = use.is === 'reading' ? use.parameter : null;
  return (
    <Sheet title={heading || `Column ${where}`} open onClose={onClose}>
      <Words as="body">
        {samples.length === 0 ? 'Nothing stands in it.' : `It begins: ${samples.join(', ')}.`}
      </Words>
      <Choice<ParameterId>
        label="A test of"
        options={PARAMETER_IDS.map((value) => ({ value, label: PARAMETERS[value].name }))}
        value={test}
        onChange={(parameter) => onChange(asReading(parameter, heading, samples, mark))}
      />
      {use.is === 'reading' && measures.length > 1 ? (
        <Choice
          label="In"
          options={measures}
          value={measureKey(use)}
          onChange={(key) => {
            const found = measures.find(({ value }) => value === key);
            if (found) onChange({ ...use, ...found.measure });
          }}
        />
      ) : null}
      {use.is === 'reading' && PARAMETERS[use.parameter].zeroBased ? (
        <Tick
          label="0 means that it was not tested"
          value={use.zero === 'untested'}
          onChange={(untested) => onChange({ ...use, zero: untested ? 'untested' : 'zero' })}
        />
      ) : null}
      <Choice<OtherUse>
        label="Or something else"
        options={OTHER_USES.map((value) => ({ value, label: USE_WORDS[value] }))}
        value={use.is === 'reading' ? null : use.is}
        onChange={(is) => onChange({ is })}
      />
      <Button kind="primary" label="Done" onPress={onClose} />
    </Sheet>
  );
}
