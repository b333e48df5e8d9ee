import { answerLogs } from './logs/desk';

/** The part of a worker's world that this one uses. */
interface Scope {
  onmessage: ((event: { data: unknown }) => void) | null;
  postMessage(message: unknown): void;
}

const scope = globalThis as unknown as Scope;

scope.onmessage = ({ data }) => {
  try {
    answerLogs(data, (message) => scope.postMessage(message));
  } catch {
    const why =
      'It was too much for this browser. Try it in another one, with less open beside it.';
    scope.postMessage({ kind: 'refused', why });
  }
};
