import { readdirSync } from 'node:fs';
import path from 'node:path';
import { BAR, isEntryPath, MORE, needsTank, rowOf, stepTo } from './places';

/** The addresses of all routes, with something in place of what varies. */
const ROUTES = readdirSync(path.resolve('src/app'), { recursive: true })
  .map(String)
  .filter((file) => file.endsWith('.tsx') && !/[+_]/.test(path.basename(file)))
  .map((file) => `/${file.replace(/\.tsx$/, '').replace(/(^|\/)index$/, '')}`)
  .map((route) => route.replace(/\[[^\]]*\]/g, 'x').replace(/\/$/, '') || '/');

test('every route has its row, and every row leads somewhere', () => {
  expect(ROUTES.length).toBeGreaterThan(30);
  expect(ROUTES.filter((route) => rowOf(route) === undefined)).toEqual([]);
  for (const place of [...BAR, ...MORE]) {
    const lies = ROUTES.some((route) => route === place.path || place.path.startsWith('/runs/'));
    expect([place.path, lies]).toEqual([place.path, true]);
  }
});

test('no two places share a key or an address', () => {
  const places = [...BAR, ...MORE];
  const keys = places.flatMap(({ hotkey }) => hotkey ?? []);
  expect(new Set(keys).size).toBe(keys.length);
  expect(new Set(places.map((place) => place.path)).size).toBe(places.length);
});

test('what an emergency needs is there without a tank, and what is about one is not', () => {
  for (const free of ['/', '/emergency', '/runs/leak', '/data', '/tanks/new', '/bench/salt-mix']) {
    expect([free, needsTank(free)]).toEqual([free, false]);
  }
  for (const about of ['/cycle', '/log/test', '/stock/add', '/water/nitrate', '/nowhere']) {
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
