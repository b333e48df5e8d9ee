import type { Answer, Sum } from '@/core/sums/sum';
import type { Settings } from '@/core/records/schema/settings';
import { formatExact, parseNumber } from '@/core/units/format';
import { linearFromCanonical } from '@/core/units/units';
import { to } from '@/frame/addresses';
import { logPath } from '@/frame/logPaths';
import { figureWords } from './sumForm';

/** What is logged of an answer: the words of its button, and the form that opens filled in. */
export interface LogThis {
  label: string;
  address: string;
}

const rounded = (value: number) => formatExact(Number(value.toPrecision(3)));

/** A day's part of what is dosed over some days. */
function dayPart({ answer, also }: Answer): number {
  return also?.find(({ label }) => label === 'A day')?.value ?? answer;
}

function dose(answer: Answer, substance: 'alkalinity' | 'other', product: string): LogThis {
  const grams = dayPart(answer);
  return {
    label: `Log ${figureWords(grams, 'g')} of it`,
    address: to.log(logPath('dose'), { substance, by: 'grams', amount: rounded(grams), product }),
  };
}

/**
 * What of a sum becomes an entry; null where nothing does.
 * @param chosen the words chosen and the numbers typed in the sum, by name
 * @param given the numbers that the sum worked with, in its own units
 */
export function logThis(
  { id }: Pick<Sum, 'id'>,
  answer: Answer,
  chosen: Readonly<Record<string, string>>,
  settings: Settings,
  given: Readonly<Record<string, number>> = {},
): LogThis | null {
  const litres = (value: number) => rounded(linearFromCanonical(value, settings.volumeUnit));
  const put = (name: string) => parseNumber(chosen[name] ?? '') ?? 0;
  switch (id) {
    case 'salt-mix':
      return {
        label: 'Log this batch',
        address: to.log(logPath('saltMix'), {
          volume: litres(given.litres ?? 0),
          grams: rounded(answer.answer),
        }),
      };
    case 'rodi':
      return {
        label: 'Log what it made',
        address: to.log(logPath('purified'), {
          volume: litres(given.litres ?? 0),
          minutes: rounded(answer.answer * 60),
        }),
      };
    case 'drop-size':
      return {
        label: 'Remember this drop',
        address: to.log(logPath('weighing'), {
          what: 'drop',
          count: rounded(put('drops')),
          amount: rounded(answer.answer * put('drops')),
        }),
      };
    case 'water-change':
      return {
        label: 'Log this change',
        address: to.log(logPath('waterChange'), { volume: litres(answer.answer) }),
      };
    case 'alkalinity':
      // What is logged as alkalinity in grams counts as baking soda.
      return chosen.salt === 'baking soda' ? dose(answer, 'alkalinity', 'Baking soda') : null;
    case 'calcium':
      return dose(answer, 'other', 'Calcium chloride dihydrate');
    case 'magnesium':
      return dose(
        answer,
        'other',
        chosen.salt === 'chloride'
          ? 'Magnesium chloride hexahydrate'
          : 'Magnesium sulphate heptahydrate',
      );
    default:
      return null;
  }
}
