import { tankHistory, METRIC_SETTINGS, type Log } from '../src/core';
import { cycleProblem, foretell, infer } from '../src/core/cycle/forecast';
import type { InferenceOptions } from '../src/core/cycle/inference/ensemble';
import { factsOf } from '../src/core/livestock/planner/facts';
import { makePlan } from '../src/core/livestock/planner/plan';
import { stockSource } from '../src/core/livestock/planner/source';
import { reportOf } from '../src/core/report/report';
import { REPORT_WORDS } from '../src/core/report/words';
import { reportText } from '../src/core/report/text';
import type { RevisionOf } from '../src/core/records/schema/revision';
import { bandsOfLog } from './logFile';
import { verdictAt } from './verdict';

/** A report of a tank as a text: what the screen prints, but for its charts. */
export function reportOfLog(
  log: Log,
  tank: RevisionOf<'tank'>,
  at: number,
  effort: InferenceOptions,
): string {
  const history = tankHistory(log, tank.id, at);
  const bands = bandsOfLog(log);
  const verdict = verdictAt(history, at, bands, effort);
  const posterior = infer(cycleProblem(history, at), effort);
  const running = history.standing.runningSince !== null;
  const forecast = running ? null : foretell(posterior, { atHand: [] });
  const live = forecast?.fed ? forecast : null;
  const wished = log.wishes.some(({ body }) => body.tankId === tank.id);
  const source = stockSource(log, history, at, {
    ready: verdict.ready,
    forecast: verdict.ready ? null : forecast,
  });
  return reportText(
    reportOf(
      {
        log,
        history,
        now: at,
        bands,
        settings: log.settings[0]?.body ?? METRIC_SETTINGS,
        verdict,
        forecast: live,
        plan: wished ? makePlan(factsOf(source), posterior) : null,
      },
      REPORT_WORDS,
    ),
  ).trimEnd();
}
