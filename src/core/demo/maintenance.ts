import type { CostKind } from '../records/kinds/cost';
import type { DemoWriter } from './writer';

/** How a keeper's weeks go: chores said to be done, one left out, what it all cost. */
export function addMaintenance(writer: DemoWriter, fulmar: string, kittiwake: string): void {
  const mark = (tankId: string, chore: string, title: string, daysAgo: number, time: string) =>
    writer.entry(tankId, 'taskMark', daysAgo, time, {
      task: `chore/${chore}/${writer.day(daysAgo)}`,
      title,
      how: 'done',
    });
  for (let ago = 14; ago >= 1; ago -= 1) {
    mark(fulmar, 'round', 'Daily round', ago, '07:40');
    if (ago <= 6) mark(kittiwake, 'round', 'Daily round', ago, '07:50');
  }
  for (let ago = 28; ago >= 1; ago -= 1) {
    const weekday = new Date(`${writer.day(ago)}T00:00:00Z`).getUTCDay();
    if (weekday !== 3 && weekday !== 6) continue;
    mark(fulmar, 'skimmer', 'Empty the skimmer’s cup', ago, '18:10');
    if (ago > 9 && ago < 14) {
      writer.entry(fulmar, 'taskMark', ago, '18:15', {
        task: `chore/glass/${writer.day(ago)}`,
        title: 'Clean the glass',
        how: 'skipped',
        reason: 'still clear',
      });
    } else mark(fulmar, 'glass', 'Clean the glass', ago, '18:15');
  }
  for (const ago of [27, 23, 19, 15, 11, 7, 3])
    mark(fulmar, 'socks', 'Change the socks', ago, '18:20');
  for (const ago of [20, 6]) mark(fulmar, 'carbon', 'Renew the carbon', ago, '11:30');
  mark(fulmar, 'outlet', 'Press the test button of the protected outlet', 12, '11:40');
  mark(fulmar, 'flush', 'Flush the membrane', 33, '11:50');
  mark(fulmar, 'pumps', 'Clean the pumps', 60, '14:00');
  writer.entry(fulmar, 'heaterCheck', 22, '09:00', {
    dial: { value: 26, unit: '°C' },
    thermometer: { value: 25.3, unit: '°C' },
  });
  writer.add(writer.act(writer.when(40, '20:00')), 'chore', {
    tankId: fulmar,
    name: 'Feed the polyps by pipette',
    minutes: 10,
    rule: { by: 'calendar', unit: 'week', every: 1, weekdays: [6], start: writer.day(40) },
  });
  const paid = (tankId: string, ago: number, of: CostKind, amount: number, what = '') =>
    writer.entry(tankId, 'cost', ago, '21:00', { of, amount, ...(what === '' ? {} : { what }) });
  paid(fulmar, 150, 'tank', 620, 'Tank and stand, second hand');
  paid(fulmar, 149, 'equipment', 485, 'Skimmer, pumps, two heaters');
  paid(fulmar, 148, 'rock', 240, 'Live rock');
  paid(fulmar, 147, 'salt', 62, 'Salt mix, 20 kg');
  paid(fulmar, 90, 'tests', 48.5);
  paid(fulmar, 88, 'animals', 58, 'Gramma and blenny');
  paid(fulmar, 60, 'salt', 62, 'Salt mix, 20 kg');
  paid(fulmar, 45, 'media', 22, 'Carbon, socks');
  paid(fulmar, 20, 'food', 14.5);
  for (const ago of [130, 100, 70, 40, 10]) paid(fulmar, ago, 'electricity', 31);
  paid(kittiwake, 25, 'tank', 390);
  paid(kittiwake, 24, 'equipment', 310);
  paid(kittiwake, 22, 'rock', 110, 'Dry rock');
  paid(kittiwake, 20, 'salt', 58);
  paid(kittiwake, 19, 'additives', 16, 'Bottled bacteria');
}
