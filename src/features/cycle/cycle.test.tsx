import { screen, within } from '@testing-library/react';
import { demoStore, logged, press, show, type, withForecast } from '@/testing/appHarness';
import { CycleScreen } from './CycleScreen';
import { DropCounter } from './DropCounter';
import { EMPTY_DOSE_TOOL, doseEntryOf, readDoseTool } from './doseToolForm';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, usePathname: () => '/cycle' }));
jest.setTimeout(60_000);

describe('the cycle screen with a forecast', () => {
  it('says what the tank clears, asks for a test, and opens its figures', async () => {
    const store = await demoStore();
    withForecast(store);
    await show(store, <CycleScreen />);
    expect(screen.getByText(/This tank clears/)).toBeTruthy();
    for (const title of ['Next test worth doing', 'If you do nothing', 'What holds it back']) {
      expect(screen.getByRole('heading', { name: title })).toBeTruthy();
    }
    await press(/^Clears ammonia:/);
    expect(within(screen.getByRole('dialog')).getByText(/From \d+ readings/)).toBeTruthy();
  });

  it('asks to raise alkalinity beside the next test, until enough is in', async () => {
    const store = await demoStore();
    withForecast(store);
    await show(store, <CycleScreen />);
    expect(screen.getByText(/^Also raise alkalinity, about 7\.1 dKH now, to 8\.5/)).toBeTruthy();
    await logged(store, [
      [
        1,
        {
          kind: 'dose',
          substance: 'alkalinity',
          amount: { by: 'grams', grams: 8.8 },
          strength: null,
          about: false,
        },
      ],
    ]);
    // 8.8 g in 208 L are 1.4 dKH: enough.
    expect(screen.queryByText(/Also raise alkalinity/)).toBeNull();
  });

  it('says so when nothing explains the readings', async () => {
    const store = await demoStore();
    withForecast(store, { misfit: true });
    await show(store, <CycleScreen />);
    expect(screen.getByText(/Nothing that is known of such tanks explains/)).toBeTruthy();
  });

  it('shows the verdict alone until there is a forecast', async () => {
    await show(await demoStore(), <CycleScreen />);
    expect(screen.queryByText('Next test worth doing')).toBeNull();
    expect(screen.getByRole('heading', { name: 'Ready when' })).toBeTruthy();
  });
});

describe('the criteria', () => {
  it('share a row while they are merely in order, and can be shown each', async () => {
    await show(await demoStore(), <CycleScreen />);
    expect(screen.queryByRole('button', { name: /^Salinity in band/ })).toBeNull();
    await press(/Doses, alkalinity, salinity and temperature/);
    expect(screen.getByRole('button', { name: /^Salinity in band: met/ })).toBeTruthy();
  });

  it('stand alone once one of them is not', async () => {
    const store = await demoStore();
    await logged(store, [
      [
        2,
        {
          kind: 'dose',
          substance: 'ammoniumChloride',
          amount: { by: 'target', rise: { value: 2, unit: 'ammonia NH4' } },
          strength: null,
          about: false,
        },
      ],
    ]);
    await show(store, <CycleScreen />);
    expect(
      screen.getByRole('button', { name: /^Nothing put in is outstanding: not yet/ }),
    ).toBeTruthy();
    expect(screen.getByRole('button', { name: /^Alkalinity, salinity and temp/ })).toBeTruthy();
  });
});

describe('a figure of the forecast', () => {
  it('answers for the day that the keeper has in mind', async () => {
    const store = await demoStore();
    withForecast(store);
    await show(store, <CycleScreen />);
    await press(/^Ready by your rule for done:/);
    const day = 'Ready by the evening of';
    type(day, '2027-03-01');
    expect(screen.getByText('more than 9 in 10')).toBeTruthy();
    type(day, '2026-11-24');
    expect(screen.getByText('less than 1 in 20')).toBeTruthy();
    type(day, '2026-11-01');
    expect(screen.getByText('That day has gone by.')).toBeTruthy();
    type(day, 'soon');
    expect(screen.getByText(/^Write a day/)).toBeTruthy();
  });
});

describe('the drop counter', () => {
  it('counts a tap as a drop and says when it is enough', async () => {
    const counts: number[] = [];
    await show(
      await demoStore(),
      <DropCounter name="test" target={2} count={1} onCount={(n) => counts.push(n)} />,
    );
    await press(/Drop 1 of 2/);
    await press('One back');
    expect(counts).toEqual([2, 0]);
  });
});

describe('the dose tool', () => {
  const form = { ...EMPTY_DOSE_TOOL, labelAmount: '20', labelLitres: '10' };

  it('turns a label into drops, and counted drops into an entry', () => {
    const result = readDoseTool(form, 208, 0);
    if (!result.ok) throw new Error('not read');
    expect(result.drops).toBeCloseTo(416, 6);
    expect(doseEntryOf(form, result, 410)).toMatchObject({
      kind: 'dose',
      amount: { by: 'drops', drops: 410, dropMl: 0.05 },
    });
    expect(doseEntryOf(form, result, 0)).toMatchObject({ amount: { by: 'mL', mL: 20.8 } });
  });

  it('weighs prawn and food, and logs them as what they are', () => {
    for (const what of ['prawn', 'food'] as const) {
      const result = readDoseTool({ ...form, what }, 208, 0);
      if (!result.ok) throw new Error('not read');
      expect(result.drops).toBeNull();
      expect(doseEntryOf({ ...form, what }, result, null)).toMatchObject({
        ...(what === 'prawn'
          ? { kind: 'organics', action: { what: 'prawnIn', grams: expect.closeTo(10.8, 1) } }
          : { kind: 'feed', food: 'pellets', amount: { grams: expect.closeTo(4.49, 2) } }),
      });
    }
  });

  it('refuses what is no number, and warns beyond 4 ppm with what is there', () => {
    expect(readDoseTool({ ...form, rise: 'two' }, 208, 0).ok).toBe(false);
    expect(readDoseTool({ ...form, rise: '-2' }, 208, 0).ok).toBe(false);
    expect(readDoseTool(form, 208, 3)).toMatchObject({ ok: true, tooMuch: true });
    expect(readDoseTool(form, 208, 1)).toMatchObject({ ok: true, tooMuch: false });
  });
});
