import { TextDecoder, TextEncoder } from 'node:util';
// jsdom lacks what every browser has; the interface tests run on these.
import { webcrypto } from 'node:crypto';
import React from 'react';
import 'fake-indexeddb/auto';

Object.defineProperty(globalThis, 'crypto', { value: webcrypto, configurable: true });
function cloned(value: unknown): unknown {
  if (value instanceof ArrayBuffer) return value.slice(0);
  if (Array.isArray(value)) return value.map(cloned);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, cloned(one)]));
}
globalThis.structuredClone ??= <T>(value: T): T => cloned(value) as T;

// Every name that a test looks for made jsdom match each element against all rules that the screens
// wrote, which took most of the time. No name hangs on a rule: what an element says of itself is enough.
window.getComputedStyle = (element) => (element as HTMLElement).style;

// The browser's, which the page of a test lacks: texts become bytes and bytes become texts.
Object.assign(globalThis, { TextDecoder, TextEncoder });

// React notes the stack of every element that is made, for its messages: a sixth of all the time.
Object.defineProperty(
  (React as unknown as Record<string, object>)[
    '__CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE'
  ],
  'recentlyCreatedOwnerStacks',
  { get: () => Infinity, set: () => {} },
);
