import { todaySentence } from '../../cycle/words/todaySentence';
import { doneRuleWords } from '../../cycle/doneRules';
import type { ReportOf, ReportPart } from '../types';

/** Whether the tank may take fish, and the evidence, criterion by criterion. */
export function verdictPart({
  history,
  verdict,
  bands,
  forecast,
  cycle,
  now,
}: ReportOf): ReportPart {
  const { tank } = history;
  const today = todaySentence(history, verdict, bands, forecast, now);
  const lines = [`**${today.title}** ${today.detail}`.trim()];
  if (!cycle) return { lines };
  const more = cycle.title === today.title ? '' : `${cycle.title} ${cycle.detail}`;
  return {
    lines: [
      ...lines,
      ...(more === '' ? [] : [more]),
      `Rule for done: ${doneRuleWords(tank.doneRule)}.`,
    ],
    table: {
      columns: ['Criterion', 'Standing', 'Why'],
      rows: verdict.criteria.map(({ title, state, because }) => [title, state, because]),
    },
    ...(history.readings.ammonia.length + history.readings.nitrite.length > 0
      ? { cycle: true as const }
      : {}),
  };
}
