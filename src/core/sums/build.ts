import { DEFAULT_ROCK_DENSITY, netVolume, SAND_BULK, SAND_GRAIN } from '../water/volume';
import { countOf, say } from '../units/format';
import { litres } from './common';
import { evaporationPerArea, LATENT } from './evaporation';
import { defineSum, SumError, type TankFigure } from './sum';

const box = (label: string, low: number, high: number, usual?: number, tank?: TankFigure) => ({
  label,
  unit: 'cm' as const,
  low,
  high,
  ...(usual === undefined ? {} : { usual }),
  ...(tank === undefined ? {} : { tank }),
});

export const volume = defineSum({
  id: 'net-volume',
  title: 'Net water volume',
  asks: 'How much water does a dose really mix into?',
  inputs: {
    length: box('Length outside', 5, 1000, undefined, 'length'),
    width: box('Width outside', 5, 1000, undefined, 'width'),
    height: box('Height outside', 5, 300, undefined, 'height'),
    glass: { label: 'Thickness of the glass', unit: 'mm', low: 0, high: 60, usual: 10 },
    gap: box('From the rim down to the water', 0, 100, 4),
    rock: { label: 'Rock', unit: 'kg', low: 0, high: 2000, usual: 0, tank: 'rock' },
    density: {
      label: 'A litre of the rock weighs, in kg',
      unit: 'kg',
      low: 1,
      high: 3,
      usual: DEFAULT_ROCK_DENSITY,
    },
    sand: box('Depth of the sand', 0, 30, 0),
    sump: { label: 'Water in the sump', unit: 'L', low: 0, high: 2000, usual: 0 },
  },
  solve: (v) => {
    if (v.gap >= v.height)
      throw new SumError('The water line lies under the floor: take less gap.');
    const { net, range, lines, gross } = netVolume({
      shell: {
        by: 'dimensions',
        box: { length: v.length, width: v.width, height: v.height, glass: v.glass, fillGap: v.gap },
      },
      rockKg: v.rock,
      rockDensity: v.density,
      sandDepth: v.sand,
      sump: v.sump > 0 ? { by: 'litres', litres: v.sump } : null,
      measuredAtFill: null,
    });
    return {
      answer: net,
      unit: 'L',
      sentence: `About ${say(net)} L, between ${say(range.low)} and ${say(range.high)}: ${say(100 * (1 - net / gross))} % less than the outside of the glass. Counting what goes in at the fill is surer.`,
      working: lines.map(({ label, litres: part }) => `${label}: ${say(part)} L`),
      also: [
        { label: 'At least', value: range.low, unit: 'L' },
        { label: 'At most', value: range.high, unit: 'L' },
      ],
    };
  },
});

const side = (label: string, tank?: TankFigure) => box(label, 5, 1000, undefined, tank);

/** Heat through a wall, and the sensible part over the open surface, W/m²/K. */
const THROUGH = { glass: 7, acrylic: 5 } as const;
const OVER_WATER = 10;
/** Heaters are sized for a night colder than was thought of. */
const MARGIN = 1.3;
/** Sizes that heaters come in, W. */
const SIZES = [25, 50, 75, 100, 150, 200, 250, 300, 400, 500, 600, 800, 1000];

export const heater = defineSum({
  id: 'heater',
  title: 'A heater for the coldest night',
  asks: 'How many watts, in which two heaters?',
  inputs: {
    length: side('Length', 'length'),
    width: side('Width', 'width'),
    height: side('Height of the water', 'height'),
    wall: { label: 'Walls of', choices: ['glass', 'acrylic'] },
    tank: { label: 'Wanted temperature', unit: '°C', low: 15, high: 32, usual: 25.5 },
    room: { label: 'The room on its coldest night', unit: '°C', low: -5, high: 32 },
    humidity: { label: 'Humidity of the room', unit: '%', low: 5, high: 100, usual: 50 },
  },
  solve: (v) => {
    const colder = v.tank - v.room;
    if (colder <= 0) {
      throw new SumError('A room as warm as the tank needs no heater on that night.');
    }
    const top = (v.length * v.width) / 10_000;
    const walls = (2 * (v.length + v.width) * v.height) / 10_000 + top;
    const through = THROUGH[v.wall] * walls * colder;
    const over = OVER_WATER * top * colder;
    const wet = (top * evaporationPerArea(v.tank, v.room, v.humidity) * 1000 * LATENT) / 86_400;
    const watts = MARGIN * (through + over + wet);
    const each = SIZES.find((size) => 2 * size >= watts) ?? Math.ceil(watts / 200) * 100;
    return {
      answer: watts,
      unit: 'W',
      sentence: `About ${say(watts)} W: two heaters of ${each} W, so that one failing does less harm.`,
      working: [
        `Through the walls and the bottom: ${THROUGH[v.wall]} W/m²K × ${say(walls)} m² × ${say(colder)} K = ${say(through)} W`,
        `Over the open water: ${OVER_WATER} × ${say(top)} × ${say(colder)} = ${say(over)} W, and ${say(wet)} W with what evaporates`,
        `× ${MARGIN} for a night colder than that`,
      ],
      also: [{ label: 'Each of two', value: each, unit: 'W' }],
      cautions: [
        'A thermostat sticks one day, and even one of two, stuck on, overheats a tank in a warm room: a controller with a probe of its own is the second guard.',
        'A drip loop in every cord, a protected outlet, and the plug out before hands go in.',
      ],
    };
  },
});

export const media = defineSum({
  id: 'media',
  title: 'Blocks of filter media',
  asks: 'How many blocks, by the litres their label says they serve?',
  inputs: {
    litres: litres(),
    light: { label: 'A block serves, lightly stocked', unit: 'L', low: 1, high: 100_000 },
    full: { label: 'A block serves, fully stocked', unit: 'L', low: 1, high: 100_000 },
    price: { label: 'Price of a block', unit: 'money', low: 0, high: 100_000, usual: 0 },
  },
  solve: (v) => {
    if (v.full > v.light) {
      throw new SumError(
        'A block serves fewer litres of a full tank than of an empty one: change the two about.',
      );
    }
    const count = (serves: number) => Math.ceil(v.litres / serves - 1e-9);
    const few = count(v.light);
    const many = count(v.full);
    return {
      answer: many,
      unit: 'blocks',
      sentence:
        few === many
          ? `${countOf(many, 'block')}, however it is stocked. Rock and sand house bacteria as well.`
          : `${countOf(few, 'block')} while it is lightly stocked, ${many} once it is full. Rock and sand house bacteria as well.`,
      working: [
        `Lightly: ${v.litres} L / ${v.light} L = ${say(v.litres / v.light)}`,
        `Fully: ${v.litres} L / ${v.full} L = ${say(v.litres / v.full)}`,
      ],
      also: [
        { label: 'Lightly stocked', value: few, unit: 'times' },
        { label: 'Cost', value: many * v.price, unit: 'money' },
      ],
    };
  },
});

export const turnover = defineSum({
  id: 'turnover',
  title: 'Turnover',
  asks: 'How often does the pump move the water in an hour?',
  inputs: {
    litres: litres(),
    flow: { label: 'Flow of the pump at its height', unit: 'L/h', low: 1, high: 200_000 },
  },
  solve: (v) => {
    const times = v.flow / v.litres;
    return {
      answer: times,
      unit: 'times/h',
      sentence: `The water goes round ${say(times)} times an hour.`,
      working: [`${v.flow} L/h / ${v.litres} L = ${say(times)}`],
    };
  },
});

export const sand = defineSum({
  id: 'sand',
  title: 'Sand for a depth',
  asks: 'How many kilograms, and how much water do they displace?',
  inputs: {
    length: side('Length of the floor inside', 'length'),
    width: side('Width of the floor inside', 'width'),
    depth: { label: 'Depth of the bed', unit: 'cm', low: 0.5, high: 30 },
  },
  solve: (v) => {
    const bulk = (v.length * v.width * v.depth) / 1000;
    const mass = bulk * SAND_BULK;
    const displaced = mass / SAND_GRAIN;
    return {
      answer: mass,
      unit: 'kg',
      sentence: `About ${say(mass)} kg of dry sand. It takes the room of ${say(displaced)} L of water.`,
      working: [
        `${v.length} × ${v.width} × ${v.depth} cm = ${say(bulk)} L, × ${SAND_BULK} kg/L = ${say(mass)} kg`,
        `Grains weigh ${SAND_GRAIN} kg/L: ${say(mass)} / ${SAND_GRAIN} = ${say(displaced)} L`,
      ],
      also: [{ label: 'Water displaced', value: displaced, unit: 'L' }],
    };
  },
});

export const rock = defineSum({
  id: 'rock',
  title: 'Room that rock takes',
  asks: 'How much water does this rock displace?',
  inputs: {
    mass: { label: 'Rock', unit: 'kg', low: 0.1, high: 5000, tank: 'rock' },
    density: {
      label: 'A litre of it weighs, in kg',
      unit: 'kg',
      low: 1,
      high: 3,
      usual: DEFAULT_ROCK_DENSITY,
    },
  },
  solve: (v) => {
    const displaced = v.mass / v.density;
    return {
      answer: displaced,
      unit: 'L',
      sentence: `It takes the room of about ${say(displaced)} L, a quarter more or less.`,
      working: [`${v.mass} kg / ${v.density} kg/L = ${say(displaced)} L`],
    };
  },
});

/** A litre of sea water, kg. */
const SEA_WATER = 1.024;

export const floorLoad = defineSum({
  id: 'floor-load',
  title: 'What stands on the floor',
  asks: 'How heavy is it all, and on how much floor?',
  inputs: {
    litres: litres(),
    glass: { label: 'Tank and sump, empty', unit: 'kg', low: 0, high: 5000 },
    rock: { label: 'Rock and sand', unit: 'kg', low: 0, high: 5000, usual: 0 },
    stand: { label: 'Stand and equipment', unit: 'kg', low: 0, high: 5000, usual: 0 },
    length: side('Length of the stand'),
    width: side('Width of the stand'),
  },
  solve: (v) => {
    const mass = v.litres * SEA_WATER + v.glass + v.rock + v.stand;
    const area = (v.length * v.width) / 10_000;
    return {
      answer: mass,
      unit: 'kg',
      sentence: `About ${say(mass)} kg, ${say(mass / area)} kg on each square metre under the stand.`,
      working: [
        `${v.litres} L × ${SEA_WATER} kg + ${v.glass} + ${v.rock} + ${v.stand} kg = ${say(mass)} kg`,
        `On ${say(area)} m²`,
      ],
      also: [{ label: 'On a square metre', value: mass / area, unit: 'kg/m²' }],
      cautions: [
        'What a floor bears is for a structural engineer to say, not for this sum: ask before filling.',
        'The stand must be level, and made for the weight.',
      ],
    };
  },
});

export const drainDown = defineSum({
  id: 'drain-down',
  title: 'When the power fails',
  asks: 'How much runs down to the sump, and does it hold it?',
  inputs: {
    length: side('Length of the tank inside', 'length'),
    width: side('Width of the tank inside', 'width'),
    nozzle: { label: 'Deepest nozzle or weir under the water line', unit: 'cm', low: 0, high: 60 },
    pipes: { label: 'Water in the pipes and the overflow', unit: 'L', low: 0, high: 200, usual: 2 },
    room: { label: 'Room in the sump above its water line', unit: 'L', low: 0, high: 2000 },
  },
  solve: (v) => {
    const down = (v.length * v.width * v.nozzle) / 1000 + v.pipes;
    const spare = v.room - down;
    return {
      answer: down,
      unit: 'L',
      sentence:
        spare >= 0
          ? `${say(down)} L run down, and the sump has ${say(spare)} L to spare.`
          : `${say(down)} L run down, ${say(-spare)} L more than the sump holds: they end on the floor.`,
      working: [
        `${v.length} × ${v.width} × ${v.nozzle} cm + ${v.pipes} L = ${say(down)} L`,
        `${v.room} L of room − ${say(down)} L = ${say(spare)} L`,
      ],
      also: [{ label: 'To spare', value: spare, unit: 'L' }],
      sketch: {
        kind: 'levels',
        levels: [
          { share: 0.45, label: 'sump, pump on' },
          {
            // The rim of the sump is the top of the picture: what does not fit stands at it.
            share: v.room === 0 ? 1 : Math.min(1, 0.45 + (0.55 * down) / v.room),
            label: spare >= 0 ? 'pump off' : 'over the rim',
          },
        ],
      },
      cautions: [
        'Switch the pumps off once and watch it. Never trust a check valve alone: it fouls.',
      ],
    };
  },
});
