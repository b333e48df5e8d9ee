import { readdirSync } from 'node:fs';
import path from 'node:path';
import {
  BAR,
  GROUPED,
  isEntryPath,
  isKept,
  KEYS,
  needsTank,
  placeOf,
  PLACES,
  rowOf,
  stepTo,
} from './places';

/** The addresses of all routes, with something in place of what varies. */
const ROUTES = readdirSync(path.resolve('src/app'), { recursive: true })
  .map(String)
  .filter((file) => file.endsWith('.tsx') && !/[+_]/.test(path.basename(file)))
  .map((file) => `/${file.replace(/\.tsx$/, '').replace(/(^|\/)index$/, '')}`)
  .map((route) => route.replace(/\[[^\]]*\]/g, 'x').replace(/\/$/, '') || '/');

test('every route has its row, and every row leads somewhere', () => {
  expect(ROUTES.length).toBeGreaterThan(30);
  expect(ROUTES.filter((route) => rowOf(route) === undefined)).toEqual([]);
  for (const place of [...BAR, ...PLACES]) {
    const lies = ROUTES.some(
      (route) => route === place.path || route === place.path.replace(/[^/]+$/, 'x'),
    );
    expect([place.path, lies]).toEqual([place.path, true]);
  }
});

test('no two places share a key or an address', () => {
  const keys = KEYS.map(({ hotkey }) => hotkey);
  expect(new Set(keys).size).toBe(keys.length);
  expect(new Set(PLACES.map((place) => place.path)).size).toBe(PLACES.length);
});

test('every place is in one group, and every group is marked once at the foot of a phone', () => {
  expect(GROUPED.flatMap(({ places }) => places)).toHaveLength(PLACES.length);
  for (const { id } of GROUPED) {
    expect([id, BAR.filter(({ groups }) => groups.includes(id)).length]).toEqual([id, 1]);
  }
  expect(BAR.filter(({ path }) => !isKept(path))).toEqual([]);
});

test('an address belongs to the nearest place that it lies in', () => {
  for (const [path, place] of [
    ['/', '/'],
    ['/water/nitrate', '/water'],
    ['/stock/add', '/stock'],
    ['/stock/corals', '/stock/corals'],
    ['/month/2026-11', '/month'],
    ['/runs/mix', '/runs/mix'],
  ]) {
    expect([path, placeOf(path ?? '')?.path]).toEqual([path, place]);
  }
  for (const nowhere of ['/runs/leak', '/log/test', '/more', '/nowhere']) {
    expect([nowhere, placeOf(nowhere)]).toEqual([nowhere, null]);
  }
});

test('what an emergency needs is there without a tank, and what is about one is not', () => {
  for (const free of [
    '/',
    '/emergency',
    '/runs/leak',
    '/data',
    '/tanks/new',
    '/calculators/salt-mix',
    // Saved before places took the words of the screen.
    '/bench/salt-mix',
  ]) {
    expect([free, needsTank(free)]).toEqual([free, false]);
  }
  for (const about of [
    '/cycle',
    '/log/test',
    '/stock/add',
    '/water/nitrate',
    '/rhythm',
    '/nowhere',
  ]) {
    expect([about, needsTank(about)]).toEqual([about, true]);
  }
});

test('a form takes the whole of a phone, a place at its foot does not', () => {
  for (const full of ['/log', '/log/test', '/emergency', '/cycle/dose', '/runs/build', '/away']) {
    expect([full, isEntryPath(full)]).toEqual([full, true]);
  }
  for (const framed of ['/', '/stock', '/water/nitrate', '/tanks', '/month/2026-11', '/settings']) {
    expect([framed, isEntryPath(framed)]).toEqual([framed, false]);
  }
  expect(stepTo('/water', '/cycle')).toEqual({ replace: true });
  expect(stepTo('/stock/add', '/cycle')).toEqual({});
});
