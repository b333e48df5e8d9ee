import { withUnit } from '@/core/parameters/convert';
import { PARAMETERS } from '@/core/parameters/registry';
import { typedWords } from '@/core/records/kinds/reading';
import type { WordsOf } from '@/core/records/kinds/kind';
import { measureWords } from '@/core/sheets/guess/measure';
import type { ColumnUse, OtherUse } from '@/core/sheets/mapping';
import type { SheetReading } from '@/core/sheets/read/found';
import { formatExact } from '@/core/units/format';

/** What a column is, where it holds no test. */
export const USE_WORDS: WordsOf<OtherUse> = {
  nothing: 'Left out',
  when: 'The day',
  dayOfMonth: 'The day of the month',
  time: 'The time',
  tank: 'The tank',
  note: 'A note',
  kit: 'The test kit',
  parameter: 'What was tested',
  value: 'The result',
  low: 'The lower end of a result',
  high: 'The upper end of a result',
  unit: 'The unit',
  basis: 'What the unit counts, NO3 or N',
  dilution: 'How far the sample was diluted',
};

/** What a column is, in a line: "Nitrate in ppm NO3". */
export function columnWords(use: ColumnUse): string {
  if (use.is !== 'reading') return USE_WORDS[use.is];
  const { name } = PARAMETERS[use.parameter];
  return use.parameter === 'ph' ? name : `${name} in ${measureWords(use)}`;
}

/** A test as it will stand in the log: "Nitrate 5 ppm NO3". */
export function readingLine({ parameter, value, unit }: SheetReading): string {
  const figure = value.form === 'digital' ? formatExact(value.value) : typedWords(value, 0);
  return `${PARAMETERS[parameter].name} ${withUnit(figure, unit)}`;
}
