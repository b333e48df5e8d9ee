import { latestReading, type TankHistory } from '../../history/tankHistory';
import type { ParameterId } from '../../parameters/registry';
import { HOUR_MS } from '../../time/zone';
import { heaterOffset, heaterWords } from '../../records/kinds/standing';
import { capitalise, say } from '../../units/format';
import { SAND_BULK, usualGlass } from '../../water/volume';
import { chosen, clocksOfSteps, type Procedure, type Step } from '../procedure';

/** Densities, kg/L: sea water, glass. */
const SEA_WATER = 1.024;
const GLASS = 2.5;
/** Height of a tank known by its label alone, cm. */
const LABEL_HEIGHT = 45;

/** The mass of a filled tank, kg, in its parts; stand and equipment come to it. */
export function massOf({ tank, netLitres }: TankHistory) {
  const { shell, rockKg, sandDepth } = tank.volume;
  const side = shell.by === 'label' ? Math.sqrt((shell.litres * 1000) / LABEL_HEIGHT) : 0;
  const box =
    shell.by === 'dimensions'
      ? shell.box
      : { length: side, width: side, height: LABEL_HEIGHT, glass: usualGlass(LABEL_HEIGHT) };
  const walls = 2 * (box.length + box.width) * box.height + box.length * box.width;
  const glass = (walls * (box.glass / 10) * GLASS) / 1000;
  const sand = (box.length * box.width * sandDepth * SAND_BULK) / 1000;
  const water = netLitres * SEA_WATER;
  return { water, glass, sand, rock: rockKg, all: water + glass + sand + rockKg };
}

/** Hours over which salinity and temperature have to hold still. */
const STEADY_HOURS = 24;
/** Two readings further apart than this say nothing of the time between them, hours. */
const APART_HOURS = 72;
/** What counts as still: °C and ppt. */
const STILL = { temperature: 0.6, salinity: 0.5 } as const satisfies Partial<
  Record<ParameterId, number>
>;

/** When the newest reading of a parameter ended a day in which it held still, ms; null without one. */
function heldStill({ readings }: TankHistory, parameter: keyof typeof STILL) {
  const counted = readings[parameter].filter((reading) => reading.counts);
  const last = counted.at(-1);
  if (!last) return null;
  const before = counted.findLast((reading) => last.at - reading.at >= STEADY_HOURS * HOUR_MS);
  if (!before || last.at - before.at > APART_HOURS * HOUR_MS) return null;
  const between = counted.filter((reading) => reading.at >= before.at);
  const values = between.map((reading) => reading.best);
  return Math.max(...values) - Math.min(...values) <= STILL[parameter] ? last.at : null;
}

/** When both were shown to hold still for a day, ms. */
export function steadyAt(tank: TankHistory): number | null {
  const temperature = heldStill(tank, 'temperature');
  const salinity = heldStill(tank, 'salinity');
  return temperature === null || salinity === null ? null : Math.max(temperature, salinity);
}

const told = (part: 'rock' | 'sump') => (history: TankHistory) =>
  (history.tank.notEntered ?? []).includes(part) ? null : (history.start ?? 0);

const steps: readonly Step[] = [
  {
    id: 'stand',
    kind: 'check',
    title: 'Stand and floor',
    text: (_run, tank) => {
      if (!tank) return 'Level, flat, and made for the weight.';
      const { all, water, glass, sand, rock } = massOf(tank);
      const parts = [
        `${say(water, 2)} of water`,
        `${say(glass, 2)} of glass`,
        ...(rock + sand > 0 ? [`${say(rock + sand, 2)} of rock and sand`] : []),
      ];
      return `Filled it weighs about ${say(all, 2)} kg (${parts.join(', ')}), and the stand comes to it. Level both ways, a mat only if the maker asks for one.`;
    },
    opens: { sum: 'floor-load', label: 'The load on the floor' },
    caution: 'floor',
  },
  {
    id: 'leak',
    kind: 'check',
    title: 'Leak test',
    text: 'Filled with tap water for a night, outside or where a leak may run, before rock and before the sump is plumbed. Dry paper under every seam in the morning.',
    caution: 'glass',
  },
  {
    id: 'order',
    kind: 'choose',
    title: 'Rock or sand first',
    text: 'Both are practised; each trades something.',
    choices: [
      {
        value: 'rock',
        label: 'Rock on the glass, sand around it',
        note: 'Stands firm when burrowers dig. Less sand lies under it, and dirt less deep.',
      },
      {
        value: 'sand',
        label: 'Sand first, rock upon it',
        note: 'Looks natural and spreads the load; a digging goby or shrimp may undermine it.',
      },
      {
        value: 'bare',
        label: 'No sand',
        note: 'Clean by siphon and any flow; no burrowing wrasse, goby or jawfish.',
      },
    ],
  },
  {
    id: 'rock',
    kind: 'check',
    title: 'The rock',
    text: (_run, tank) =>
      `${tank && tank.tank.volume.rockKg > 0 ? `${say(tank.tank.volume.rockKg)} kg. ` : ''}A lane to swim in behind it, caves that flow passes through, nothing that a snail or urchin can tip. Live rock: look for pest anemones and mantis shrimps first. Dry rock that smells leaches ammonia and phosphate.`,
    opens: { tank: 'rock', label: 'Say what rock and sand' },
    caution: 'rockHands',
    shown: told('rock'),
  },
  {
    id: 'sand',
    kind: 'check',
    title: 'The sand',
    text: (run, tank) => {
      if (chosen(run, 'order') === 'bare') return 'None: this step is done.';
      const sand = tank ? massOf(tank).sand : 0;
      return `${sand > 0 ? `About ${say(sand, 2)} kg. ` : '2 to 5 cm, which burrowers need. '}Rinse it, or accept days of cloud. Fine grains blow about in strong flow. Added later it brings silicate, and a second bloom of diatoms.`;
    },
    opens: { sum: 'sand', label: 'How much for a depth' },
  },
  {
    id: 'heater',
    kind: 'check',
    title: 'Heaters',
    text: 'Two of half the size each, for the coldest night of the room: one that sticks can then neither cook nor chill it. A controller with a probe of its own is the second guard.',
    opens: { sum: 'heater', label: 'How many watts' },
    caution: 'electricity',
  },
  {
    id: 'offset',
    kind: 'check',
    title: 'Heater against a thermometer',
    text: (_run, tank) => {
      const last = tank?.entries.heaterCheck.at(-1)?.entry;
      return last && heaterOffset(last) !== null
        ? `${capitalise(heaterWords(last))}: set it by that.`
        : 'A night in a bucket: dials lie by degrees. The offset is noted and shown from then on.';
    },
    opens: { form: 'heaterCheck', label: 'Log the check' },
    shown: (tank) => tank.standing.heaterVerifiedAt,
  },
  {
    id: 'flow',
    kind: 'check',
    title: 'Return and flow',
    text: (_run, tank) =>
      tank
        ? `Through the sump 3 to 10 times an hour is ${say(3 * tank.netLitres, 2)} to ${say(10 * tank.netLitres, 2)} L/h at the height it lifts to; flow in the tank is many times that. The surface must ripple: that is where oxygen comes in.`
        : 'Through the sump 3 to 10 times an hour; the surface must ripple.',
    opens: { sum: 'turnover', label: 'How often it goes round' },
  },
  {
    id: 'media',
    kind: 'check',
    title: 'Blocks of media',
    text: 'By the litres that their own label says they serve: fewer for few animals, more for many. Rinse their dust out first.',
    opens: { sum: 'media', label: 'How many blocks' },
  },
  {
    id: 'skimmer',
    kind: 'check',
    title: 'Skimmer',
    text: 'It breaks in for one to two weeks. Begin with its water line low, or it runs over; cup emptied daily at first.',
  },
  {
    id: 'socks',
    kind: 'check',
    title: 'Socks, floss and carbon',
    text: 'Two sets of socks, so that one dries. Carbon rinsed until the water runs clear, where it does not tumble.',
  },
  {
    id: 'topOff',
    kind: 'check',
    title: 'Top-off and its reservoir',
    text: 'How many days it lasts, and what salinity becomes if the whole of it runs in one night. One plumbed straight to the purifier has no end: a limit of run time and a second shut-off.',
    opens: { sum: 'reservoir-in', label: 'What if all of it runs in' },
  },
  {
    id: 'valves',
    kind: 'check',
    title: 'Valves, and a power cut',
    text: 'Gate valves to tune, check valves never trusted alone. What runs down when the pump stops must fit into the sump. Solvent cement: air, and cured by its label before water.',
    opens: { sum: 'drain-down', label: 'How high the sump rises' },
  },
  {
    id: 'cords',
    kind: 'check',
    title: 'Cords and outlet',
    text: 'A loop in every cord lower than the outlet, so that a drop falls from it; a protected outlet above the water line, tested once with its button.',
    caution: 'electricity',
  },
  {
    id: 'lid',
    kind: 'check',
    title: 'A lid or mesh',
    text: 'Before the first fish, with every gap for cords closed: each new fish jumps.',
    opens: { form: 'lid', label: 'Log the lid' },
    shown: (tank) => (tank.standing.lid ? (tank.entries.lid.at(-1)?.at ?? null) : null),
  },
  {
    id: 'fill',
    kind: 'check',
    title: 'Fill it',
    text: 'With salt water that was mixed and measured, counted as it goes in.',
    opens: { run: 'fill', label: 'Begin to fill' },
    shown: (tank) => tank.standing.filledAt,
  },
  {
    id: 'steady',
    kind: 'check',
    title: 'Steady for a day',
    text: (_run, tank) => {
      const last = tank && latestReading(tank, 'temperature');
      return `Temperature and salinity read twice, a day apart, within half a degree and half a ppt${last ? '' : '; log the first of them once it is filled'}.`;
    },
    opens: { form: 'reading', label: 'Log the test' },
    shown: steadyAt,
  },
];

/** From an empty stand to water that holds still. */
export const build: Procedure = {
  name: 'Build',
  also: 'set up new tank stand plumbing leak test where do I start',
  anyOrder: true,
  steps,
  ...clocksOfSteps(steps),
};
