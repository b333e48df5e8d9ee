import {
  kitFrom,
  KIT_TEMPLATES,
  METRIC_SETTINGS,
  US_SETTINGS,
  netVolume,
  type DoseEntry,
  type Tank,
} from '../core';
import { tankSchema } from '../core/records/schema/tank';
import { BARE_TANK } from '../testing/logBuilder';
import { EMPTY_DOSE_TOOL, strengthWords } from './cycle/doseToolForm';
import { formOfProgramme, readProgramme } from './cycle/programmeForm';
import { EMPTY_DOSE, formOfDose, readDose, waysOf } from './log/forms/doseForm';
import { formOfKit, readKit, readSteps } from './instruments/kitForm';
import { NO_FACTS, type TankFacts } from '@/core/tank/tankFacts';
import { emptyTankForm, formOfTank, readTank, volumeOfForm } from './tank/tankForm';

const context = { today: '2026-11-24', zone: 'UTC' };

describe('the tank form', () => {
  const volume: Tank['volume'] = {
    shell: {
      by: 'dimensions',
      box: { length: 91.44, width: 45.72, height: 50.8, glass: 10, fillGap: 2.54 },
    },
    rockKg: 18.144,
    rockDensity: 1.8,
    sandDepth: 2.54,
    sump: { by: 'box', length: 50.8, width: 30.48, waterDepth: 20.32 },
    measuredAtFill: { by: 'rate', minutes: 500, litresPerMinute: 0.378541 },
  };
  const facts: TankFacts = {
    filledOn: '2026-03-02',
    runningSince: null,
    lid: true,
    heaterVerifiedOn: '2026-03-02',
  };
  const cases: [Tank, TankFacts][] = [
    [BARE_TANK, facts],
    [BARE_TANK, NO_FACTS],
    // Decided on other screens; this form must not lose it.
    [
      {
        ...BARE_TANK,
        method: { source: 'fish', seeding: 'bottle' },
        programme: { firstMl: 50, laterMl: 10, every: 2, days: 14 },
      },
      facts,
    ],
    [
      { ...BARE_TANK, volume },
      { ...facts, runningSince: '2026-04-01', heaterVerifiedOn: null },
    ],
  ];

  it.each([METRIC_SETTINGS, US_SETTINGS])('gives back the tank it was made from', (settings) => {
    for (const [tank, said] of cases) {
      const result = readTank(formOfTank(tank, said, settings), settings, {
        ...context,
        kept: tank,
      });
      if (!result.ok) throw new Error(JSON.stringify(result.errors));
      expect(netVolume(result.value.tank.volume).net).toBeCloseTo(netVolume(tank.volume).net, 6);
      expect({ ...result.value.tank, volume: null }).toEqual({ ...tank, volume: null });
      expect(result.value.facts).toEqual(said);
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
    expect(volumeOfForm(form, METRIC_SETTINGS)?.shell).toEqual({ by: 'label', litres: 200 });
  });

  it('takes no volume in gallons that a record cannot hold in litres', () => {
    const form = { ...formOfTank(BARE_TANK, facts, US_SETTINGS), sumpBy: 'litres' as const };
    const read = (sumpVolume: string) => readTank({ ...form, sumpVolume }, US_SETTINGS, context);
    const most = read('250000');
    expect(most.ok && tankSchema.safeParse(most.value.tank).success).toBe(true);
    const beyond = read('999999');
    expect(!beyond.ok && beyond.errors.sumpVolume).toMatch(/at most/);
  });

  it('refuses a tank that ran before it was filled', () => {
    const form = {
      ...formOfTank(BARE_TANK, facts, METRIC_SETTINGS),
      stage: 'running' as const,
      runningSince: '2025-01-01',
    };
    const result = readTank(form, METRIC_SETTINGS, context);
    expect(!result.ok && result.errors.runningSince).toMatch(/before/);
  });
});

describe('the kit form', () => {
  it.each(KIT_TEMPLATES.map(({ id }) => id))('gives back %s', (id) => {
    const kit = kitFrom(id, 3);
    const result = readKit(formOfKit(kit), 3);
    expect(result).toEqual({ ok: true, value: kit });
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
    expect({ ...base, ...result.value }).toEqual(dose);
  });

  it('keeps every digit that was typed', () => {
    const dose: DoseEntry = {
      ...base,
      substance: 'bacteria',
      amount: { by: 'mL', mL: 0.0625 },
      strength: null,
    };
    const form = formOfDose(dose);
    expect(form.amount).toBe('0.0625');
    const again = readDose({ ...form, note: 'A word more.' });
    expect(again.ok && again.value.amount).toEqual(dose.amount);
  });

  it('refuses a binder where copper is, with what to do, and nothing else', () => {
    const binder = { ...EMPTY_DOSE, substance: 'ammoniaBinder' as const, by: 'mL' as const };
    const into = (copper: string | null, substance: 'ammoniaBinder' | 'bacteria') =>
      readDose({ ...binder, substance, amount: '5' }, undefined, copper);
    const refused = into('Copper of the label', 'ammoniaBinder');
    expect(!refused.ok && refused.errors.product).toMatch(/^Copper of the label is in this water/);
    expect(into(null, 'ammoniaBinder').ok).toBe(true);
    expect(into('Copper of the label', 'bacteria').ok).toBe(true);
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

describe('the form of a programme', () => {
  const programme = { firstMl: 50, laterMl: 0, every: 3, days: 21 };

  it('gives back the programme that is kept, and begins with the length of its rule for done', () => {
    const form = formOfProgramme({ ...BARE_TANK, programme });
    expect(readProgramme(form)).toEqual({ ok: true, programme });
    const doneRule = { rule: 'bottleProgramme' as const, programmeDays: 9 };
    expect(formOfProgramme({ ...BARE_TANK, doneRule }).days).toBe('9');
    expect(formOfProgramme(undefined).firstMl).toBe('');
  });

  it.each([
    [{ firstMl: '0' }, 'firstMl'],
    [{ laterMl: '-1' }, 'laterMl'],
    [{ every: '2.5' }, 'every'],
    [{ days: '400' }, 'days'],
  ])('with %o says what is wrong', (changes, field) => {
    const form = { ...formOfProgramme({ ...BARE_TANK, programme }), ...changes };
    const result = readProgramme(form);
    expect(!result.ok && Object.keys(result.errors)).toEqual([field]);
  });
});

describe('the line that stands for a bottle', () => {
  it('says what is known of it', () => {
    const form = { ...EMPTY_DOSE_TOOL, labelAmount: '20', labelLitres: '10' };
    expect(strengthWords(form)).toBe(
      'By its label: 20 drops in 10 L make 2 ppm NH4; 20 drops in one mL.',
    );
    expect(strengthWords({ ...form, strengthBy: 'percent', percent: '9.5' })).toMatch(/^9.5 %/);
    expect(strengthWords({ ...form, strengthBy: 'pure' })).toBe('The dry salt.');
  });
});
