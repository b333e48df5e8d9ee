import { dayWords } from '../../time/words';
import { countOf, formatSignificant } from '../../units/format';
import type { AddAnswer } from './add';

/** The answer in a few words, to be read at arm's length. */
export function answerTitle({ answer, until, count }: AddAnswer, zone: string): string {
  switch (answer) {
    case 'yes':
      return count === 1 ? 'Yes.' : `Yes, ${count}.`;
    case 'wait':
      return until === null ? 'Not yet.' : `Not before ${dayWords(until, zone)}.`;
    case 'no':
      return 'No.';
  }
}

/** What follows from the answer, line by line: peak, most, quarantine. */
export function answerLines(answer: AddAnswer, zone: string): string[] {
  const { peak, passesAt, most, count, quarantineDays } = answer;
  const lines: string[] = [];
  if (peak && answer.nitrogen.added > 0) {
    const settled = passesAt === null ? '' : `, settled by ${dayWords(passesAt, zone)}`;
    lines.push(
      `Free ammonia would peak near ${formatSignificant(peak.p50)} mg/L, under ${formatSignificant(peak.p90)} in 9 of 10${settled}.`,
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
