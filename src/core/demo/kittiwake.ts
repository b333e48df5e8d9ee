import type { DoseStrength } from '../records/kinds/dose';
import type { Kit } from '../records/schema/kit';
import { baseTank, type Kits } from './shared';
import type { DemoValue, DemoWriter } from './writer';

/** Twenty drops in ten litres give 2 ppm as NH4, as an invented label puts it. */
const AMMONIUM_LABEL: DoseStrength = {
  by: 'label',
  amount: 20,
  unit: 'drop',
  litres: 10,
  gives: 2,
  basis: 'ammonia NH4',
};

/** A tank on day 19 of its cycle. */
export function addKittiwake(writer: DemoWriter, kits: Kits, zone: string): string {
  const age = 19;
  /** Days ago of a day of this tank's life. */
  const on = (day: number) => age - day;
  const id = writer.add(writer.act(writer.when(age, '15:00')), 'tank', {
    ...baseTank(zone),
    name: 'Kittiwake',
    kind: 'display',
    volume: {
      shell: {
        by: 'dimensions',
        box: { length: 100, width: 50, height: 50, glass: 10, fillGap: 4 },
      },
      rockKg: 18,
      rockDensity: 2,
      sandDepth: 3,
      sump: { by: 'litres', litres: 20 },
      measuredAtFill: { by: 'litres', litres: 208 },
    },
    method: { source: 'ammoniumChloride', seeding: 'bottle' },
  });
  const wishes: [species: string, count: number][] = [
    ['ocellaris-clownfish', 2],
    ['cerith-snail', 6],
    ['green-star-polyps', 1],
    ['royal-gramma', 1],
    ['firefish', 1],
  ];
  const wished = writer.act(writer.when(on(3), '21:00'));
  wishes.forEach(([species, count], order) =>
    writer.add(wished, 'wish', { tankId: id, species, count, order }),
  );
  writer.entry(id, 'filled', age, '15:00', {});
  writer.entry(id, 'heaterCheck', age - 1, '09:00', {});
  const drops = (day: number, time: string) =>
    writer.entry(id, 'dose', on(day), time, {
      substance: 'ammoniumChloride',
      amount: { by: 'drops', drops: 416, dropMl: 0.05 },
      strength: AMMONIUM_LABEL,
      about: false,
    });
  writer.entry(id, 'note', on(0), '16:20', {
    text: 'Filled. Leak test held overnight. Rock on the glass, sand around it.',
  });
  writer.testSession(id, on(0), '18:30', [
    [kits.refractometer, 34.6],
    [kits.thermometer, 24.9],
    [kits.alkalinityDrops, 8.6],
    [kits.phPen, 8.18],
  ]);
  drops(1, '10:00');
  writer.entry(id, 'dose', on(1), '10:20', {
    substance: 'bacteria',
    amount: { by: 'mL', mL: 120 },
    strength: null,
    about: false,
    product: 'Bottled bacteria',
    bottle: {
      keeps: 'refrigerated',
      storedCold: true,
      madeOn: writer.day(age + 60),
      forLitres: 200,
    },
  });
  const test = (
    day: number,
    time: string,
    ammonia: DemoValue,
    nitrite: DemoValue,
    more: [{ id: string; kit: Kit }, DemoValue][] = [],
  ) =>
    writer.testSession(id, on(day), time, [
      [kits.ammoniaCard, ammonia],
      [kits.nitriteCard, nitrite],
      ...more,
    ]);
  test(1, '18:40', 2, 0, [[kits.thermometer, 25.3]]);
  test(3, '18:10', 2, 0);
  test(5, '18:45', [1, 2], 0.5, [[kits.phPen, 8.12]]);
  test(7, '18:30', 0.5, 2, [
    [kits.nitrateCard, 5],
    [kits.thermometer, 25.1],
  ]);
  test(9, '19:05', 0, 5);
  drops(10, '10:00');
  test(11, '18:20', 0.5, 5, [[kits.refractometer, 34.9]]);
  test(13, '18:40', 0, 5, [[kits.nitrateCard, 10]]);
  test(15, '18:35', 0, 5, [
    [kits.thermometer, 25.2],
    [kits.alkalinityDrops, 7.4],
    [kits.phPen, 8.05],
  ]);
  test(
    17,
    '18:40',
    0,
    [2, 5],
    [
      [kits.nitrateCard, 20],
      [kits.phPen, 8.05],
      [kits.refractometer, 34.8],
      [kits.thermometer, 25.2],
      [kits.alkalinityDrops, 7.1],
    ],
  );
  return id;
}
