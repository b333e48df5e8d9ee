import { LogBuilder, onDay } from '../../testing/logBuilder';
import { tankHistory } from '../history/derive';
import { freeAmmoniaFraction } from '../seawater/ammonia';
import { agreementOf } from './agreement';
import { testsOfChannel } from './testsOfChannel';

const NOW = onDay(20, 18);
const historyOf = (log: LogBuilder) => tankHistory(log.log(), log.tankId, NOW);

it('a pen and a card are the keeper’s own, a shop and the night of a probe are not', () => {
  const log = new LogBuilder();
  log.digital('refractometer', onDay(10), 34.8);
  log.digital('refractometer', onDay(11), 35.1, { readBy: 'instrument', name: 'Paired pen' });
  log.digital('refractometer', onDay(12), 33, { readBy: 'shop', name: 'Shop' });
  const night = historyOf(log).readings.salinity.length;
  log.entry(onDay(13), {
    kind: 'reading',
    parameter: 'salinity',
    kitId: log.kit('refractometer', { readBy: 'instrument', name: 'Probe' }),
    dilution: 1,
    value: { form: 'digital', value: 36, unit: 'ppt' },
    spread: { minutes: 60, low: 35.9, high: 36.1 },
  });
  const history = historyOf(log);
  expect(history.readings.salinity).toHaveLength(night + 1);
  expect(testsOfChannel('salinity', history).map(({ value }) => value)).toEqual([34.8, 35.1]);
});

it('a test of ammonia stands beside a probe of free ammonia by the pH of its hour', () => {
  const log = new LogBuilder();
  log.digital('phPen', onDay(10), 8.3);
  log.ammonia(onDay(10, 9), 1);
  const [test] = testsOfChannel('freeAmmonia', historyOf(log));
  if (!test) throw new Error('no test');
  const share = freeAmmoniaFraction(8.3, 25.5, 35);
  const [read] = historyOf(log).readings.ammonia;
  expect(test.value).toBeCloseTo((read?.best ?? NaN) * share, 2);
  // Allowed are the card's next step and a tenth of pH together.
  expect(test.value + test.allows).toBeCloseTo(
    (read?.range.high ?? NaN) * freeAmmoniaFraction(8.4, 25.5, 35),
    6,
  );
  const says = (probe: number) =>
    agreementOf(
      'freeAmmonia',
      0.005,
      [{ at: test.at, probe, test: test.value, allows: test.allows }],
      { probe: null, test: null },
    ).agrees;
  expect([says(test.value), says(test.value * 5), says(0)]).toEqual([true, false, false]);
});
