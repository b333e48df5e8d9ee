import { SheetDesk } from './sheets/desk';

/** The part of a worker's world that this one uses. */
interface Scope {
  onmessage: ((event: { data: unknown }) => void) | null;
  postMessage(message: unknown): void;
}

const scope = globalThis as unknown as Scope;
const desk = new SheetDesk();

scope.onmessage = ({ data }) =>
  void desk
    .answer(data, (message) => scope.postMessage(message))
    .catch((error: unknown) => scope.postMessage({ kind: 'refused', why: String(error) }));
