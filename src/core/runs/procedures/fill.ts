import { say } from '../../units/format';
import type { TankHistory } from '../../history/tankHistory';
import type { Run } from '../../records/schema/run';
import { netVolume } from '../../water/volume';
import { clocksOfSteps, noted, type Procedure, type Step } from '../procedure';

/** What went in by the counting, L. */
function counted(run: Run): number | undefined {
  return noted(run, 'count');
}

const steps: readonly Step[] = [
  {
    id: 'water',
    kind: 'check',
    title: 'Is enough water ready?',
    text: (_run, tank) =>
      tank
        ? `By its ${netVolume(tank.tank.volume).basis === 'label' ? 'label' : 'measures'} it takes about ${say(tank.netLitres)} L. Several batches may follow each other, each measured by itself.`
        : 'Several batches may follow each other, each measured by itself.',
    opens: { run: 'mix', label: 'Mix a batch' },
  },
  {
    id: 'gently',
    kind: 'check',
    title: 'Pour gently',
    text: 'Over a plate on the sand, by a hose on the glass, or through the sump. Cloud is normal; it settles in a day or two.',
  },
  {
    id: 'count',
    kind: 'measure',
    title: 'Count what goes in',
    text: (_run, tank) =>
      `Jug by jug, or by the marks of the barrel. What is counted becomes the water that every dose is sized by${tank ? `; the geometry says ${say(netVolume(tank.tank.volume).byGeometry)} L` : ''}.`,
    asks: { label: 'Went in, in all', unit: 'L', low: 1, high: 20_000, byJug: true },
  },
  {
    id: 'overflow',
    kind: 'check',
    title: 'Watch the overflow',
    text: 'Weir, fittings, sump and floor, while the level rises and for an hour after. Towels at hand.',
    caution: 'electricity',
  },
  {
    id: 'start',
    kind: 'check',
    title: 'Start the pumps',
    text: 'Return first, then flow, the heater when it is covered, the skimmer last and with its water line low: it runs over while it breaks in.',
  },
  {
    id: 'mark',
    kind: 'check',
    title: 'Mark the level',
    text: 'A strip of tape at the return chamber with the pump on. It falls by what evaporates, and rises when the power fails.',
  },
  {
    id: 'drain',
    kind: 'check',
    title: 'Switch the pumps off, once',
    text: 'Watch how far the sump rises. If it nears the rim, take water out now: that is what a power cut does.',
    opens: { sum: 'drain-down', label: 'Work it out' },
  },
  {
    id: 'reservoir',
    kind: 'check',
    title: 'Fresh water into the reservoir',
    text: 'Purified, never salt water: evaporation leaves the salt behind.',
    opens: { sum: 'reservoir-in', label: 'What if all of it runs in' },
  },
];

/** Filling the tank, and counting what goes in. */
export const fill: Procedure = {
  name: 'Fill the tank',
  also: 'fill the tank first time',
  steps,
  ...clocksOfSteps(steps),
  leaves: {
    label: 'Log it as filled',
    of: (run: Run, { tank, standing }: TankHistory) => {
      const litres = counted(run);
      if (litres === undefined) return null;
      return {
        entries: standing.filledAt === null ? [{ kind: 'filled' }] : [],
        volume: { ...tank.volume, measuredAtFill: { by: 'litres', litres } },
      };
    },
  },
};
