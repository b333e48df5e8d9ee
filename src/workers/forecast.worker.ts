import { forecastOf } from '../core/cycle/forecast';
import { requestSchema, type ForecastAnswer } from './messages';

/** The part of a worker's world that this one uses. */
interface Scope {
  onmessage: ((event: { data: unknown }) => void) | null;
  postMessage(message: unknown): void;
}

const scope = globalThis as unknown as Scope;
const answer = (message: ForecastAnswer) => scope.postMessage(message);

// Works in one go, so it cannot hear that it is no longer wanted: the client ends it instead.
scope.onmessage = ({ data }) => {
  const request = requestSchema.safeParse(data);
  if (!request.success) return;
  const { runId, inputHash, problem, seed, usableKits } = request.data;
  try {
    let told = 0;
    const forecast = forecastOf(problem, {
      seed,
      usableKits: new Set(usableKits),
      progress: (share) => {
        if (share - told < 0.05) return;
        told = share;
        answer({ kind: 'progress', runId, inputHash, share });
      },
    });
    answer({ kind: 'done', runId, inputHash, forecast });
  } catch (error) {
    answer({ kind: 'failed', runId, inputHash, why: String(error) });
  }
};
