import { FREE_AMMONIA_LEVELS } from '../../seawater/ammonia';
import { dayWords } from '../../time/words';
import { countOf, formatSignificant } from '../../units/format';
import type { AddAnswer } from './add';

/** The answer in a few words, to be read at arm's length. */
export function answerTitle(
  { answer, until, count }: AddAnswer,
  zone: string,
  now: number,
): string {
  switch (answer) {
    case 'yes':
      return count === 1 ? 'Yes.' : `Yes, ${count}.`;
    case 'wait':
      return until === null ? 'Not yet.' : `Not before ${dayWords(until, zone, now)}.`;
    case 'no':
      return 'No.';
  }
}

/** What follows from the answer, line by line: peak, most, quarantine. */
export function answerLines(answer: AddAnswer, zone: string, now: number): string[] {
  const { peak, passesAt, most, count, quarantineDays } = answer;
  const lines: string[] = [];
  if (peak && answer.nitrogen.added > 0) {
    const settled = passesAt === null ? '' : `, settled by ${dayWords(passesAt, zone, now)}`;
    lines.push(
      `Free ammonia would peak near ${formatSignificant(peak.p50)} mg/L, under ${formatSignificant(peak.p90)} in 9 of 10${settled}${harmWords(peak.p90)}.`,
    );
  }
  if (answer.answer === 'yes' && most > count) {
    lines.push(most >= 30 ? 'Many more would pass as well.' : `At most ${most} of them today.`);
  }
  if (answer.answer !== 'yes' && count > 1 && most > 0) {
    lines.push(`Instead, ${most} of them today would pass.`);
  }
  if (quarantineDays > 0) {
    lines.push(
      `Quarantine comes first: ${countOf(quarantineDays, 'day')} clear of any sign, then this question again.`,
    );
  }
  return lines;
}

/** What a peak of free ammonia means beside what fish bear for good, mg NH3-N/L; nothing where it comes near that. */
function harmWords(most: number): string {
  const { comfortable } = FREE_AMMONIA_LEVELS;
  if (most >= comfortable) return '';
  return `: ${most < comfortable / 4 ? 'far ' : ''}below ${comfortable}, from which it begins to harm`;
}
