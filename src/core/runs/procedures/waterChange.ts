import type { Run } from '../../records/schema/run';
import { formatPlain } from '../../units/format';
import { clocksOfSteps, noted, type Procedure, type Step } from '../procedure';

/** Less than this share of what went out is not all of it back. */
const BACK = 0.95;

const out = (run: Run) => noted(run, 'out') ?? 0;
const missing = (run: Run) => Math.max(0, out(run) - (noted(run, 'in') ?? out(run)));
const isShort = (run: Run) =>
  noted(run, 'in') !== undefined && missing(run) > (1 - BACK) * out(run);
const tenths = (litres: number) => Math.round(litres * 10) / 10;

const steps: readonly Step[] = [
  {
    id: 'match',
    kind: 'check',
    title: 'The new water fits',
    text: 'Salinity and temperature within one of the tank’s, pH near it, clear since an hour. Nitrate tested before, not after.',
    opens: { form: 'reading', label: 'Log the test' },
  },
  {
    id: 'topOff',
    kind: 'check',
    title: 'Top-off unit off',
    text: 'Before any water leaves: it would fill the gap with fresh water. The return pump too, where the sump is drawn from.',
    caution: 'electricity',
  },
  {
    id: 'heater',
    kind: 'check',
    title: 'Heater off',
    text: 'Before the level falls under it: one that runs dry cracks.',
  },
  {
    id: 'out',
    kind: 'measure',
    title: 'Water out',
    text: 'By the marks of the bucket. A siphon is never started by mouth.',
    asks: { label: 'Went out', unit: 'L', low: 0.1, high: 20_000 },
  },
  {
    id: 'in',
    kind: 'measure',
    title: 'Salt water in',
    text: (run) =>
      `As much as went out${out(run) > 0 ? `, ${formatPlain(out(run), 1)} L` : ''}, slowly, where water moves and no coral stands.`,
    asks: {
      label: 'Went in',
      unit: 'L',
      low: 0,
      high: 20_000,
      usual: (run) => tenths(out(run)),
    },
  },
  {
    id: 'rest',
    kind: 'measure',
    title: 'The rest of it',
    text: (run) =>
      `${formatPlain(missing(run), 1)} L of **salt water** are still missing. The unit stays off till they are in: it would make them up with fresh water, and thin the tank.`,
    asks: {
      label: 'Went in after all',
      unit: 'L',
      low: 0.1,
      high: 20_000,
      usual: (run) => tenths(missing(run)),
    },
    applies: isShort,
  },
  {
    id: 'heaterOn',
    kind: 'check',
    title: 'Pumps and heater on',
    text: 'The heater once it is covered. Watch the level while the return starts.',
    caution: 'electricity',
  },
  {
    id: 'topOn',
    kind: 'check',
    title: 'Top-off unit on again',
    text: 'On, and seen to be on: forgotten, the tank grows saltier day by day.',
  },
];

/** A water change, in the order that keeps salinity and heater safe. */
export const waterChange: Procedure = {
  name: 'Change water',
  also: 'WC change water siphon',
  steps,
  ...clocksOfSteps(steps),
  leaves: {
    label: 'Log the change',
    of: (run) => {
      const litres = tenths(out(run));
      return litres > 0 ? { entries: [{ kind: 'waterChange', litres, newWater: {} }] } : null;
    },
  },
};
