import type { AnimalGroup } from '../records/kinds/animals';
import { seededRandom } from '../math/random';
import type { BodyOf } from '../records/schema/revision';
import { baseTank, type Kits } from './shared';
import type { DemoValue, DemoWriter } from './writer';

/** A tank five months old, with animals in it. */
export function addFulmar(writer: DemoWriter, kits: Kits, zone: string): string {
  const age = 152;
  const on = (day: number) => age - day;
  const random = seededRandom(310);
  const around = (value: number, spread: number, decimals: number) =>
    Number((value + (random() * 2 - 1) * spread).toFixed(decimals));
  const id = writer.add(writer.act(writer.when(age, '11:00')), 'tank', {
    ...baseTank(zone),
    name: 'Fulmar',
    kind: 'display',
    rock: 'liveRock',
    lightPlan: 'off',
    volume: {
      shell: {
        by: 'dimensions',
        box: { length: 120, width: 55, height: 55, glass: 12, fillGap: 4 },
      },
      rockKg: 32,
      rockDensity: 2,
      sandDepth: 3,
      sump: { by: 'box', length: 60, width: 40, waterDepth: 20 },
      measuredAtFill: { by: 'rate', minutes: 775, litresPerMinute: 0.4 },
    },
    reef: {
      light: { sand: 'low', low: 'medium', middle: 'medium', high: 'high' },
      flow: ['medium', 'strong', 'medium'],
    },
  });
  writer.entry(id, 'filled', age, '11:00', {});
  writer.entry(id, 'heaterCheck', on(2), '09:00', {
    dial: { value: 26, unit: '°C' },
    thermometer: { value: 25.2, unit: '°C' },
  });
  writer.entry(id, 'lid', on(5), '18:00', { fitted: true });
  writer.entry(id, 'running', on(44), '12:00', {});
  writer.entry(id, 'note', on(0), '12:00', { text: 'Filled over two days from the RODI unit.' });
  writer.entry(id, 'dose', on(3), '19:00', {
    substance: 'ammoniumChloride',
    amount: { by: 'target', rise: { value: 2, unit: 'ammonia NH4' } },
    strength: null,
    about: true,
  });
  const cycle: [day: number, ammonia: DemoValue, nitrite: DemoValue][] = [
    [4, 2, 0],
    [7, [1, 2], 1],
    [10, 0.5, 2],
    [14, 0, 5],
    [18, 0, 2],
    [22, 0, 0.5],
    [26, 0, [0, 0.25]],
    [29, 0, 0],
    [33, 0, 0],
    [37, 0, 0],
  ];
  for (const [day, ammonia, nitrite] of cycle) {
    writer.testSession(id, on(day), '20:10', [
      [kits.ammoniaCard, ammonia],
      [kits.nitriteCard, nitrite],
      [kits.thermometer, around(25.4, 0.3, 1)],
    ]);
  }
  writer.entry(id, 'light', on(30), '12:00', { state: 'on', hoursADay: 6 });
  writer.entry(id, 'sighting', on(38), '18:00', {
    growth: 'diatoms',
    extent: 'patches',
    note: 'Rusty dust on the sand. Left alone.',
  });
  writer.entry(id, 'sighting', on(71), '18:30', {
    growth: 'film',
    extent: 'patches',
    note: 'Some hair algae on the left rock, too.',
  });
  writer.entry(id, 'note', on(118), '17:45', {
    text: 'Sand is white again. Glass once in four days.',
  });
  for (let day = 41; day <= 145; day += 7) {
    const fading = Math.max(0, 1 - (day - 41) / 50);
    writer.testSession(id, on(day), '19:30', [
      [kits.nitrateCard, fading > 0.5 ? 20 : fading > 0 ? 10 : day % 3 === 0 ? 5 : [5, 10]],
      [kits.phosphateMeter, around(0.05 + 0.08 * fading, 0.01, 2)],
      // Corals draw it down a little between the weekly doses.
      [kits.alkalinityDrops, around(8.2, 0.15, 1)],
      [kits.refractometer, around(34.8, 0.3, 1)],
      [kits.thermometer, around(25.4, 0.4, 1)],
      [kits.phPen, around(8.12, 0.07, 2)],
    ]);
  }
  for (let day = 45; day <= 150; day += 14) {
    writer.entry(id, 'waterChange', on(day), '11:00', {
      litres: 40,
      newWater: { salinity: { value: 35, unit: 'ppt' }, temperature: { value: 25, unit: '°C' } },
    });
  }
  for (let day = 69; day <= 146; day += 7) {
    writer.entry(id, 'dose', on(day), '08:30', {
      substance: 'alkalinity',
      amount: { by: 'grams', grams: 8 },
      strength: null,
      about: false,
      product: 'Baking soda',
    });
  }
  for (const day of [60, 90, 120]) {
    writer.testSession(id, on(day), '20:00', [
      [kits.ammoniaCard, 0],
      [kits.calciumDrops, around(420, 8, 0)],
      [kits.magnesiumDrops, around(1320, 20, 0)],
    ]);
  }
  writer.testSession(id, on(150), '19:20', [
    [kits.nitrateCard, [5, 10]],
    [kits.phosphateMeter, 0.05],
    [kits.alkalinityDrops, 8.2],
    [kits.refractometer, 34.7],
    [kits.thermometer, 25.5],
    [kits.phPen, 8.14],
  ]);
  addAnimals(writer, id, on);
  addWaterMaking(writer, id, on);
  addCalibrations(writer, id, kits, on);
  addFeeding(writer, id, on);
  addWishes(writer, id, on);
  return id;
}

/** How Fulmar's water is made: what its purifier, its salt and its cup have shown. */
function addWaterMaking(writer: DemoWriter, id: string, on: (day: number) => number): void {
  writer.entry(id, 'purified', on(1), '18:00', { litres: 310, minutes: 775, waste: 900 });
  writer.entry(id, 'weighing', on(43), '10:00', { what: 'saltCup', count: 10, amount: 2640 });
  for (const day of [101, 115, 129, 143]) {
    writer.entry(id, 'purified', on(day), '16:00', {
      litres: 40,
      minutes: 104 + (day - 101) / 7,
      tds: { tap: 212, membrane: 9, resin: day === 143 ? 1 : 0 },
    });
    writer.entry(id, 'saltMix', on(day), '20:30', {
      litres: 40,
      grams: 1580,
      salinity: { value: day === 115 ? 35.2 : 35, unit: 'ppt' },
    });
  }
}

/** When the meters were checked against a standard: the refractometer had crept up by the fourth month. */
function addCalibrations(
  writer: DemoWriter,
  id: string,
  kits: Kits,
  on: (day: number) => number,
): void {
  const held = (
    day: number,
    kitId: string,
    unit: 'ppt' | 'pH',
    points: { standard: number; read: number }[],
  ) => writer.entry(id, 'calibration', on(day), '10:15', { kitId, unit, points, adjusted: true });
  held(40, kits.refractometer.id, 'ppt', [{ standard: 35, read: 35 }]);
  held(124, kits.refractometer.id, 'ppt', [{ standard: 35, read: 35.6 }]);
  held(100, kits.phPen.id, 'pH', [
    { standard: 7, read: 7.03 },
    { standard: 10, read: 10.06 },
  ]);
}

/** Who came into Fulmar, and what was seen of it. */
function addAnimals(writer: DemoWriter, id: string, on: (day: number) => number): void {
  const came = (
    day: number,
    time: string,
    group: AnimalGroup,
    [what, species, count]: [what: string, species: string, count: number],
    more: { grams?: number; sizeCm?: number; source?: string; notSure?: true } = {},
  ) =>
    writer.entry(id, 'animals', on(day), time, {
      move: 'in',
      group,
      what,
      species,
      count,
      ...more,
    });
  came(46, '17:00', 'invertebrate', ['Cerith snails', 'cerith-snail', 8], { source: 'by post' });
  came(50, '17:20', 'invertebrate', ['Scarlet hermits', 'scarlet-hermit', 3]);
  came(62, '18:30', 'fish', ['Clownfish', 'ocellaris-clownfish', 2], {
    grams: 3,
    sizeCm: 4,
    source: 'bred by a friend',
  });
  const zoanthids = came(75, '16:00', 'coral', ['Zoanthids', 'zoanthids', 1]);
  came(92, '18:00', 'fish', ['Royal gramma', 'royal-gramma', 1], { grams: 2, sizeCm: 5 });
  came(92, '18:05', 'fish', ['Tailspot blenny', 'tailspot-blenny', 1], { sizeCm: 4 });
  const polyps = came(98, '15:30', 'coral', ['Star polyps', 'green-star-polyps', 1], {
    notSure: true,
  });
  addCorals(writer, id, on, { zoanthids, polyps });
  came(110, '17:45', 'invertebrate', ['Cleaner shrimp', 'skunk-cleaner-shrimp', 1]);
  came(124, '18:15', 'invertebrate', ['Pistol shrimp', 'tiger-pistol-shrimp', 1]);
  writer.entry(id, 'animals', on(97), '09:10', {
    move: 'died',
    group: 'invertebrate',
    what: 'Cerith snails',
    count: 1,
  });
  writer.entry(id, 'animals', on(104), '08:20', {
    move: 'died',
    group: 'fish',
    what: 'Tailspot blenny',
    count: 1,
    cause: 'never seen to eat',
  });
  writer.entry(id, 'observation', on(139), '21:15', {
    about: 'equipment',
    which: 'Return pump',
    text: 'Hums since the last cleaning. Shaft seated anew.',
  });
  for (const day of [146, 149, 151]) {
    writer.entry(id, 'topOff', on(day), '08:05', { litres: day === 146 ? 6 : 4 });
  }
}

/** Where Fulmar's corals stand, and where one that still is in quarantine was meant to: where it would sting another. */
function addCorals(
  writer: DemoWriter,
  tankId: string,
  on: (day: number) => number,
  { zoanthids, polyps }: { zoanthids: string; polyps: string },
): void {
  const put = (day: number, position: Omit<BodyOf<'position'>, 'tankId'>) =>
    writer.add(writer.act(writer.when(on(day), '16:20')), 'position', { tankId, ...position });
  const mat = { species: 'zoanthids', cohort: zoanthids };
  put(75, { what: 'Zoanthids', ...mat, x: 88, z: 20, level: 'low' });
  const own = { species: 'green-star-polyps', cohort: polyps };
  put(98, { what: 'Star polyps', ...own, x: 20, z: 16, level: 'middle' });
  put(143, { what: 'Hammer coral', species: 'hammer-coral', x: 76, z: 22, level: 'low' });
}

/** What Fulmar's animals are fed: a little more with each that came. */
function addFeeding(writer: DemoWriter, id: string, on: (day: number) => number): void {
  for (let day = 63; day <= 151; day += 1) {
    const frozen = day % 3 === 0;
    writer.entry(id, 'feed', on(day), '18:40', {
      food: frozen ? 'frozen' : 'pellets',
      amount: {
        by: 'portions',
        portions: (frozen ? 0.25 : 1) * (day < 93 ? 1 : day < 125 ? 1.5 : 2),
      },
    });
  }
}

/** Whom the keeper of Fulmar wishes for. */
function addWishes(writer: DemoWriter, id: string, on: (day: number) => number): void {
  const wishes: [species: string, count: number][] = [
    ['firefish', 1],
    ['trochus-snail', 4],
    ['neon-goby', 1],
    ['tailspot-blenny', 1],
    ['candy-cane', 1],
    ['hammer-coral', 1],
    ['mandarin-dragonet', 1],
    ['bubble-tip-anemone', 1],
    ['maroon-clownfish', 1],
  ];
  const stamp = writer.act(writer.when(on(140), '20:10'));
  wishes.forEach(([species, count], order) =>
    writer.add(stamp, 'wish', { tankId: id, species, count, order }),
  );
}
