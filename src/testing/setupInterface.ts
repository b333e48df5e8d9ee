// jsdom lacks what every browser has; the interface tests run on these.
import { webcrypto } from 'node:crypto';
import 'fake-indexeddb/auto';

Object.defineProperty(globalThis, 'crypto', { value: webcrypto, configurable: true });
globalThis.structuredClone ??= <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
