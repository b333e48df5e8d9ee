import type { Answer, Sum } from '@/core/sums/sum';
import type { Settings } from '@/core/records/schema/settings';
import { formatExact } from '@/core/units/format';
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
 * @param chosen the words chosen in the sum, by name
 */
export function logThis(
  { id }: Pick<Sum, 'id'>,
  answer: Answer,
  chosen: Readonly<Record<string, string>>,
  settings: Settings,
): LogThis | null {
  switch (id) {
    case 'water-change': {
      const volume = rounded(linearFromCanonical(answer.answer, settings.volumeUnit));
      return {
        label: 'Log this change',
        address: to.log(logPath('waterChange'), { volume }),
      };
    }
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
