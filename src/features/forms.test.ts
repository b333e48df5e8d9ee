import {
  kitFrom,
  KIT_TEMPLATES,
  METRIC_SETTINGS,
  US_SETTINGS,
  netVolume,
  type DoseEntry,
  type KitTemplateId,
  type Tank,
} from '../core';
import { TEST_TANK } from '../testing/logBuilder';
import { EMPTY_DOSE, formOfDose, readDose, waysOf } from './log/doseForm';
import { formOfKit, readKit, readSteps } from './instruments/kitForm';
import { emptyTankForm, formOfTank, readTank } from './tank/tankForm';

const context = { today: '2026-11-24', zone: 'UTC' };

describe('the tank form', () => {
  const tanks: Tank[] = [
    TEST_TANK,
    { ...TEST_TANK, filledOn: null, runningSince: null },
    // Decided on other screens; this form must not lose it.
    {
      ...TEST_TANK,
      method: { source: 'fish', seeding: 'bottle' },
      fishInSince: '2026-03-05',
      programme: { firstMl: 50, laterMl: 10, every: 2, days: 14 },
    },
    {
      ...TEST_TANK,
      runningSince: '2026-04-01',
      heaterVerifiedOn: null,
      volume: {
        shell: {
          by: 'dimensions',
          box: { length: 91.44, width: 45.72, height: 50.8, glass: 10, fillGap: 2.54 },
        },
        rockKg: 18.144,
        rockDensity: 1.8,
        sandDepth: 2.54,
        sump: { by: 'box', length: 50.8, width: 30.48, waterDepth: 20.32 },
        measuredAtFill: { by: 'rate', minutes: 500, litresPerMinute: 0.378541 },
      },
    },
  ];

  it.each([METRIC_SETTINGS, US_SETTINGS])('gives back the tank it was made from', (settings) => {
    for (const tank of tanks) {
      const result = readTank(formOfTank(tank, settings), settings, {
        ...context,
        kept: tank,
      });
      if (!result.ok) throw new Error(JSON.stringify(result.errors));
      expect(netVolume(result.tank.volume).net).toBeCloseTo(netVolume(tank.volume).net, 0);
      expect({ ...result.tank, volume: null }).toEqual({ ...tank, volume: null });
    }
  });

  it('names every field that is wrong, and still reads the volume if it can', () => {
    const form = {
      ...emptyTankForm('2026-11-24'),
      shellBy: 'label' as const,
      labelVolume: '200',
      filledOn: '2027-01-01',
    };
    const result = readTank(form, METRIC_SETTINGS, context);
    if (result.ok) throw new Error('it has no name');
    expect(Object.keys(result.errors).sort()).toEqual(['filledOn', 'name']);
    expect(result.volume?.shell).toEqual({ by: 'label', litres: 200 });
  });

  it('refuses a tank that ran before it was filled', () => {
    const form = {
      ...formOfTank(TEST_TANK, METRIC_SETTINGS),
      stage: 'running' as const,
      runningSince: '2025-01-01',
    };
    const result = readTank(form, METRIC_SETTINGS, context);
    expect(!result.ok && result.errors.runningSince).toMatch(/before/);
  });
});

describe('the kit form', () => {
  it.each(Object.keys(KIT_TEMPLATES) as KitTemplateId[])('gives back %s', (id) => {
    const kit = kitFrom(id, 3);
    const result = readKit(formOfKit(kit), 3);
    expect(result).toEqual({ ok: true, kit });
  });

  test.each([
    ['0 0.25 0.5 1', [0, 0.25, 0.5, 1]],
    ['0, 0.25, 0.5', [0, 0.25, 0.5]],
    ['0 0,25 0,5', [0, 0.25, 0.5]],
    ['0; 2; 5', [0, 2, 5]],
    ['0 low 5', null],
  ])('reads the steps %j', (text, steps) => {
    expect(readSteps(text)).toEqual(steps);
  });

  test.each(['0', '0 1 1', '5 4', 'none'])('refuses the steps %j', (steps) => {
    const result = readKit({ ...formOfKit(kitFrom('ammoniaCard', 0)), steps }, 0);
    expect(!result.ok && result.errors.steps).toBeTruthy();
  });
});

describe('the dose form', () => {
  const base = { kind: 'dose' as const, tankId: '', at: '2026-11-24T10:00:00Z', about: false };
  const doses: DoseEntry[] = [
    {
      ...base,
      substance: 'ammoniumChloride',
      amount: { by: 'drops', drops: 120, dropMl: 0.05 },
      strength: {
        by: 'label',
        amount: 20,
        unit: 'drop',
        litres: 10,
        gives: 2,
        basis: 'ammonia NH3',
      },
    },
    {
      ...base,
      substance: 'ammoniumChloride',
      amount: { by: 'grams', grams: 1.5 },
      strength: { by: 'pure' },
    },
    {
      ...base,
      substance: 'householdAmmonia',
      amount: { by: 'mL', mL: 4 },
      strength: { by: 'percent', percent: 9.5 },
    },
    {
      ...base,
      substance: 'ammoniumChloride',
      amount: { by: 'target', rise: { value: 2, unit: 'ammonia N' } },
      strength: null,
    },
    {
      ...base,
      substance: 'bacteria',
      amount: { by: 'mL', mL: 100 },
      strength: null,
      product: 'Bottle',
      note: 'cold',
    },
  ];

  it.each(doses)('gives back the dose it was made from', (dose) => {
    const result = readDose(formOfDose(dose));
    if (!result.ok) throw new Error(JSON.stringify(result.errors));
    expect({ ...base, ...result.dose }).toEqual(dose);
  });

  it('says what is missing', () => {
    const result = readDose({ ...EMPTY_DOSE, amount: '-3' });
    expect(!result.ok && Object.keys(result.errors).sort()).toEqual([
      'amount',
      'labelAmount',
      'labelLitres',
    ]);
  });

  it('offers a rise only for what makes ammonia', () => {
    expect(waysOf('ammoniumChloride')).toContain('target');
    expect(waysOf('bacteria')).not.toContain('target');
  });
});
