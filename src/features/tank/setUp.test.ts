import { METRIC_SETTINGS, US_SETTINGS } from '@/core/records/schema/settings';
import { tankSchema } from '@/core/records/schema/tank';
import { effectWords, usualEffect } from '@/core/water/effect';
import { netVolume } from '@/core/water/volume';
import { describeTank, waterSentence } from '@/core/tank/description';
import { emptySetUp, readSetUp, type SetUpForm } from './setUpForm';
import { NO_FACTS } from '@/core/tank/tankFacts';

const context = { today: '2026-03-20', zone: 'UTC' };
const NOW = Date.parse('2026-03-20T12:00:00Z');
const read = (form: Partial<SetUpForm>, settings = METRIC_SETTINGS) =>
  readSetUp(
    { ...emptySetUp('2026-03-20'), name: 'Dunlin', label: '208', ...form },
    settings,
    context,
  );
const tankOf = (form: Partial<SetUpForm> = {}, settings = METRIC_SETTINGS) => {
  const result = read(form, settings);
  if (!result.ok) throw new Error(JSON.stringify(result.errors));
  return result.value;
};

describe('three answers', () => {
  it('make a tank of which the rest is not entered', () => {
    const { tank, facts } = tankOf();
    expect(tankSchema.safeParse(tank).success).toBe(true);
    expect(tank.notEntered).toEqual(['rock', 'sump', 'fill', 'light']);
    expect(facts).toEqual({ ...NO_FACTS, filledOn: '2026-03-20' });
    expect(tankOf({ stage: 'empty' }).facts).toEqual(NO_FACTS);
    expect(tankOf({ stage: 'running', since: '2025-10-01' }).facts).toMatchObject({
      filledOn: '2025-10-01',
      runningSince: '2025-10-01',
    });
  });

  it('take a size by its label or its measures, in the keeper’s units', () => {
    expect(tankOf({ label: '55' }, US_SETTINGS).tank.volume.shell).toMatchObject({
      litres: expect.closeTo(208.2, 1) as number,
    });
    const { volume } = tankOf({
      sizeBy: 'dimensions',
      length: '100',
      width: '50',
      height: '50',
    }).tank;
    expect(netVolume(volume).net).toBeGreaterThan(190);
    expect(netVolume(volume).net).toBeLessThan(235);
  });

  it('say what is missing, each at its field', () => {
    const wrong = read({ name: ' ', label: 'big', since: '2027-01-01' });
    expect(wrong.ok ? [] : Object.keys(wrong.errors).sort()).toEqual(['label', 'name', 'since']);
    expect(read({ stage: 'empty', since: '' }).ok).toBe(true);
  });
});

describe('the description of a tank', () => {
  const { tank } = tankOf();
  const told = (of = tank) =>
    describeTank({ tank: of, facts: NO_FACTS, settings: METRIC_SETTINGS, now: NOW });

  it('says what is still to tell and what it would change', () => {
    const open = told().filter((one) => one.open);
    expect(open.map(({ part }) => part)).toEqual(['rock', 'sump', 'fill', 'light']);
    expect(open[0]?.text).toMatch(/usually take \d+ to \d+ % of the water/);
    expect(waterSentence(tank, METRIC_SETTINGS)).toMatch(/^About 191 L of water by its label/);
  });

  it('tells what is known in a sentence', () => {
    const known = {
      ...tank,
      notEntered: undefined,
      rock: 'liveRock' as const,
      volume: { ...tank.volume, rockKg: 20, sandDepth: 3 },
    };
    expect(told(known).find(({ part }) => part === 'rock')?.text).toBe(
      '20 kg of live rock, 3 cm of sand.',
    );
    expect(told(known).some((one) => one.open)).toBe(false);
  });
});

describe('what another volume changes', () => {
  const { volume } = tankOf().tank;
  it('is litres and doses, either way, and nothing where nothing is', () => {
    const rocky = { ...volume, rockKg: 34 };
    expect(effectWords(volume, rocky, 'L')).toBe('17 L less water, doses 9 % smaller.');
    expect(effectWords(rocky, volume, 'L')).toBe('17 L more water, doses 10 % larger.');
    expect(effectWords(volume, volume, 'L')).toBe('The same water, the same doses.');
    expect(effectWords(volume, rocky, 'gal')).toMatch(/^4\.5 gal less/);
  });

  it('is a range while nothing is known of it', () => {
    const [low = 0, high = 0] = (usualEffect('rock', volume)?.match(/\d+/g) ?? []).map(Number);
    expect(low).toBeGreaterThan(3);
    expect(high).toBeGreaterThan(low);
    expect(high).toBeLessThan(25);
    expect(usualEffect('light', volume)).toBeNull();
  });
});
