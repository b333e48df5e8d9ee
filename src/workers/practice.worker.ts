import { answerPractice } from './practice/desk';

/** The part of a worker's world that this one uses. */
interface Scope {
  onmessage: ((event: { data: unknown }) => void) | null;
  postMessage(message: unknown): void;
}

const scope = globalThis as unknown as Scope;

scope.onmessage = ({ data }) => answerPractice(data, (message) => scope.postMessage(message));
