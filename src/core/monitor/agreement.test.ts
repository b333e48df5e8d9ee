import { agreementOf, type Pair } from './agreement';

const pair = (probe: number, test: number, allows = 0.7): Pair => ({ at: 0, probe, test, allows });
const fresh = { state: 'fresh', days: 3, every: 30 } as const;
const never = { state: 'never', days: null, every: 30 } as const;
const of = (pairs: Pair[], standings: Parameters<typeof agreementOf>[3]) =>
  agreementOf('salinity', 0.5, pairs, standings);

it('a probe agrees within what both may be off, by the middle of several', () => {
  expect(of([pair(35, 34)], { probe: null, test: null })).toMatchObject({
    agrees: true,
    settles: '',
  });
  expect(
    of([pair(35, 34.9), pair(35, 31), pair(35, 34.8)], { probe: null, test: null }).agrees,
  ).toBe(true);
  expect(of([pair(35, 33.7)], { probe: null, test: null }).agrees).toBe(false);
});

it('who is likelier wrong follows from who was checked against a standard, and a standard settles it', () => {
  const off = [pair(37, 34)];
  expect(of(off, { probe: never, test: fresh }).words).toMatch(
    /3.0 ppt more than your test.*probe is likelier/,
  );
  expect(of(off, { probe: fresh, test: never }).words).toMatch(/own test is likelier/);
  expect(of(off, { probe: fresh, test: fresh }).words).toMatch(/cannot be said/);
  expect(of(off, { probe: fresh, test: fresh }).settles).toMatch(/35 ppt/);
  expect(
    agreementOf('freeAmmonia', 0.005, [pair(0.1, 0.01, 0.01)], { probe: null, test: null }).settles,
  ).toMatch(/second kit/);
});

it('without a test of one’s own nothing is said of it', () => {
  expect(of([], { probe: fresh, test: fresh })).toMatchObject({ agrees: null });
});
