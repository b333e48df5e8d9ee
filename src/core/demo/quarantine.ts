import type { DailyCheckState, Sign } from '../records/kinds/dailyCheck';
import { isoInZone } from '../time/zone';
import { baseTank, type Kits } from './shared';
import type { DemoWriter } from './writer';

/** A quarantine tank with a batch that was released, and one whose clock began anew; a tub for corals. */
export function addQuarantine(writer: DemoWriter, kits: Kits, zone: string, fulmar: string): void {
  const spare = addSpare(writer, kits, zone, fulmar);
  addCoralTub(writer, zone, fulmar);
  addLabels(writer, spare);
}

/** One animal that comes in, and its group. */
function came(
  writer: DemoWriter,
  tankId: string,
  daysAgo: number,
  group: 'fish' | 'coral',
  [what, species, sizeCm]: [what: string, species: string, sizeCm?: number],
): { what: string; species: string; count: number; cohort: string } {
  const cohort = writer.entry(tankId, 'animals', daysAgo, '17:30', {
    move: 'in',
    group,
    what,
    species,
    count: 1,
    ...(sizeCm === undefined ? {} : { sizeCm }),
    source: 'a shop',
  });
  return { what, species, count: 1, cohort };
}

function checked(
  writer: DemoWriter,
  tankId: string,
  daysAgo: number,
  { cohort, what }: { cohort: string; what: string },
  state: DailyCheckState = 'well',
  signs: Sign[] = [],
  breaths?: number,
): void {
  writer.entry(tankId, 'dailyCheck', daysAgo, '19:10', {
    cohort,
    what,
    state,
    signs,
    ...(breaths === undefined ? {} : { breaths }),
  });
}

function addSpare(writer: DemoWriter, kits: Kits, zone: string, fulmar: string): string {
  const id = writer.add(writer.act(writer.when(92, '10:00')), 'tank', {
    ...baseTank(zone),
    name: 'Spare tank',
    kind: 'quarantine',
    rock: 'none',
    volume: {
      shell: { by: 'label', litres: 83 },
      rockKg: 0,
      rockDensity: 2,
      sandDepth: 0,
      sump: null,
      measuredAtFill: { by: 'litres', litres: 76 },
    },
  });
  writer.entry(id, 'lid', 92, '10:05', { fitted: true });
  writer.entry(id, 'heaterCheck', 92, '10:10', {});

  const goby = came(writer, id, 60, 'fish', ['Watchman goby', 'yellow-watchman-goby', 5]);
  writer.add(writer.act(writer.when(60, '17:35')), 'batch', {
    tankId: id,
    forTankId: fulmar,
    protocol: 'observe',
    begunAt: isoInZone(writer.when(60, '17:30'), zone),
    restartedAt: null,
    animals: [goby],
    filter: 'uncycled',
    leftoversOut: true,
    endedAt: isoInZone(writer.when(28, '18:00'), zone),
  });
  for (let day = 59; day > 28; day -= 1)
    checked(writer, id, day, goby, day > 57 ? 'notEating' : 'well');
  writer.entry(id, 'animals', 28, '18:10', {
    move: 'moved',
    group: 'fish',
    what: goby.what,
    species: goby.species,
    count: 1,
    cohort: goby.cohort,
    otherTankId: fulmar,
  });
  writer.entry(fulmar, 'animals', 28, '18:10', {
    move: 'in',
    group: 'fish',
    what: goby.what,
    species: goby.species,
    count: 1,
    sizeCm: 5,
    otherTankId: id,
  });
  writer.entry(id, 'cleaning', 27, '11:00', {});

  const fish = [
    came(writer, id, 24, 'fish', ['Firefish', 'firefish', 5]),
    came(writer, id, 24, 'fish', ['Tailspot blenny', 'tailspot-blenny', 4]),
  ];
  writer.add(writer.act(writer.when(24, '17:40')), 'batch', {
    tankId: id,
    forTankId: fulmar,
    protocol: 'observe',
    begunAt: isoInZone(writer.when(24, '17:30'), zone),
    restartedAt: null,
    animals: fish,
    filter: 'uncycled',
    leftoversOut: true,
    endedAt: null,
  });
  const [firefish, blenny] = fish;
  for (let day = 23; firefish && blenny && day > 0; day -= 1) {
    if (day === 20) continue;
    if (day === 18 || day === 17) checked(writer, id, day, blenny, 'sign', ['scratching']);
    else checked(writer, id, day, blenny, day === 13 || day === 7 ? 'notEating' : 'well');
    checked(
      writer,
      id,
      day,
      firefish,
      day > 21 ? 'notEating' : 'well',
      [],
      day === 1 ? 72 : undefined,
    );
  }
  for (let day = 23; day > 0; day -= 1) {
    writer.entry(id, 'feed', day, '18:30', {
      food: 'pellets',
      amount: { by: 'grams', grams: 0.1 },
    });
    if (day % 2 === 1) {
      writer.entry(id, 'waterChange', day, '20:30', {
        litres: 23,
        newWater: {
          salinity: { value: 35, unit: 'ppt' },
          temperature: { value: 25.5, unit: '°C' },
        },
      });
    }
    if (day % 4 === 2) {
      writer.testSession(id, day, '20:00', [
        [kits.ammoniaCard, [0.25, 0.5]],
        [kits.phPen, 8.1],
        [kits.refractometer, 34.9],
        [kits.thermometer, 25.2],
      ]);
    }
  }
  return id;
}

function addCoralTub(writer: DemoWriter, zone: string, fulmar: string): void {
  const id = writer.add(writer.act(writer.when(20, '10:00')), 'tank', {
    ...baseTank(zone),
    name: 'Coral tub',
    kind: 'quarantine',
    rock: 'none',
    lightPlan: 'on',
    volume: {
      shell: { by: 'label', litres: 45 },
      rockKg: 0,
      rockDensity: 2,
      sandDepth: 0,
      sump: null,
      measuredAtFill: { by: 'litres', litres: 40 },
    },
  });
  const coral = came(writer, id, 9, 'coral', ['Hammer coral', 'hammer-coral']);
  writer.add(writer.act(writer.when(9, '17:40')), 'batch', {
    tankId: id,
    forTankId: fulmar,
    protocol: 'coral',
    begunAt: isoInZone(writer.when(9, '17:30'), zone),
    restartedAt: null,
    animals: [coral],
    filter: 'seeded',
    endedAt: null,
  });
  writer.entry(id, 'sponge', 9, '17:00', { move: 'working', fromTankId: fulmar });
  for (let day = 8; day > 0; day -= 2) checked(writer, id, day, coral);
}

/** What labels say, as the keeper copied them. */
function addLabels(writer: DemoWriter, spare: string): void {
  const at = writer.act(writer.when(18, '20:00'));
  writer.add(at, 'medicine', {
    name: 'Tap conditioner',
    kind: 'binder',
    lowersOxygen: false,
    harmsFilter: 'no',
    harmsInvertebrates: false,
    carbonOut: false,
    reducing: 'unknown',
  });
  const bath = writer.add(at, 'medicine', {
    name: 'Fluke bath',
    kind: 'other',
    days: 2,
    lowersOxygen: true,
    harmsFilter: 'no',
    harmsInvertebrates: true,
    carbonOut: true,
    reducing: 'no',
    note: 'From the veterinarian, with its own leaflet.',
  });
  const given = { medicineId: bath, what: 'Fluke bath' };
  writer.entry(spare, 'medication', 18, '20:10', { ...given, act: 'given', mL: 4 });
  writer.entry(spare, 'medication', 16, '20:10', { ...given, act: 'carbonIn' });
}
