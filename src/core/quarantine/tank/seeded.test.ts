import { BARE_TANK, LogBuilder, onDay, testId } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import { finderWith } from '../../livestock/roster/lodgers';
import { createRecord } from '../../records/acts';
import type { EntryBody } from '../../records/kinds';
import { workingSponge } from './seeded';
import { ammoniaPlan } from './water';
import { ammoniaWords } from '../words';

const find = finderWith([]);
const SPARE = testId(900);

/** A display with six fish, a spare tank with one, and a sponge on its way between them. */
function twoTanks() {
  const log = new LogBuilder();
  log.entry(onDay(1), {
    kind: 'animals',
    move: 'in',
    group: 'fish',
    what: 'Clownfish',
    species: 'ocellaris-clownfish',
    count: 6,
  });
  log.revisions.push(
    createRecord(log.stamp(), SPARE, 'tank', { ...BARE_TANK, name: 'Spare', kind: 'quarantine' }),
  );
  let next = 901;
  const there = (day: number, body: EntryBody) =>
    log.revisions.push(
      createRecord(log.stamp(onDay(day)), testId((next += 1)), 'entry', {
        tankId: SPARE,
        at: new Date(onDay(day)).toISOString(),
        ...body,
      } as never),
    );
  there(40, { kind: 'animals', move: 'in', group: 'fish', what: 'Goby', species: 'neon-goby' });
  return { log, there };
}

describe('a sponge at work', () => {
  it('is told by the days it ran in the tank it comes from, and what that tank made', () => {
    const { log, there } = twoTanks();
    const working = () => workingSponge(log.log(), SPARE, onDay(41), find);
    expect(working()).toBeNull();
    there(40, { kind: 'sponge', move: 'working', fromTankId: log.tankId });
    // Nobody noted since when it ran there.
    expect(working()).toBeNull();
    log.entry(onDay(10), { kind: 'sponge', move: 'seeding' });
    const found = working();
    expect(found?.days).toBe(30);
    expect(found?.low).toBeGreaterThan(0);
    // Both ends go by the same share taken in: four to one between them.
    expect((found?.high ?? 0) / (found?.low ?? 1)).toBeCloseTo(4, 6);
    log.entry(onDay(20), { kind: 'sponge', move: 'seeding' });
    // Put there anew on day 20, it has run too short to be counted on.
    expect(working()).toMatchObject({ days: 20, low: 0 });
    there(41, { kind: 'sponge', move: 'discarded' });
    expect(workingSponge(log.log(), SPARE, onDay(42), find)).toBeNull();
  });

  it('takes the least it may off what gathers, and never off what two tests show', () => {
    const { log } = twoTanks();
    const history = tankHistory(log.log(), SPARE, onDay(41));
    const plan = (carries?: number) =>
      ammoniaPlan(history, { leftoversOut: true }, find, onDay(41), [], carries);
    const bare = plan();
    expect(bare.nitrogen).toBeGreaterThan(0);
    const half = plan(bare.nitrogen / 2);
    expect(half.nitrogen).toBeCloseTo(bare.nitrogen / 2, 9);
    expect(half.litresAWeek).toBeLessThan(bare.litresAWeek);
    expect(ammoniaWords(half).text).toMatch(/more than the sponge carries/);
    const whole = plan(bare.nitrogen * 5);
    expect(whole).toMatchObject({ nitrogen: 0, litres: 0 });
    expect(whole.carried).toBeCloseTo(bare.nitrogen, 9);
    expect(ammoniaWords(whole).text).toMatch(/carries all of it/);
  });
});
