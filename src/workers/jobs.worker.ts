import { answerRequest } from './jobs/host';

/** The part of a worker's world that this one uses. */
interface Scope {
  onmessage: ((event: { data: unknown }) => void) | null;
  postMessage(message: unknown): void;
}

const scope = globalThis as unknown as Scope;

scope.onmessage = ({ data }) => answerRequest(data, (message) => scope.postMessage(message));
