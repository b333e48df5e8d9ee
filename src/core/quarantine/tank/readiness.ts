import type { TankHistory } from '../../history/tankHistory';
import { DAY_MS } from '../../time/zone';
import { formatPlain } from '../../units/format';

/** One thing a quarantine tank needs before anybody comes in. */
export interface ReadyLine {
  id: string;
  title: string;
  text: string;
  /** Seen in the log; null for what only the keeper can tell. */
  shown: boolean | null;
}

/** Times an hour that its gentle filter turns the water over. */
const TURNOVER = { low: 5, high: 10 };
/** Watts to a litre that hold a bare tank some 5 °C above its room. */
const WATTS_PER_LITRE = 1;

/** What a quarantine tank needs, with the sums for its size. */
export function readinessOf(history: TankHistory, at: number): ReadyLine[] {
  const { netLitres, standing, entries } = history;
  const litres = (value: number) => `${formatPlain(value, 0)} L`;
  const checked =
    standing.heaterVerifiedAt !== null && at - standing.heaterVerifiedAt < 60 * DAY_MS;
  const mixed = entries.saltMix.some((mix) => at - mix.at < 14 * DAY_MS);
  const tested = history.readings.ammonia.some((reading) => at - reading.at < 3 * DAY_MS);
  return [
    {
      id: 'bare',
      title: 'Bare, food-safe, holding water',
      text: `Glass or a food-safe tub; no rock, no sand but a dish of inert sand for those that sleep in it. ${litres(netLitres)} hold about ${formatPlain(netLitres / 4, 0)} cm of fish.`,
      shown: standing.filledAt !== null ? true : null,
    },
    {
      id: 'filter',
      title: 'Gentle filter',
      text: `${formatPlain(netLitres * TURNOVER.low, 0)} to ${formatPlain(netLitres * TURNOVER.high, 0)} L an hour: ${TURNOVER.low} to ${TURNOVER.high} times its water. With a seeded sponge ammonia holds itself; without, changes hold it.`,
      shown: entries.sponge.some(({ entry }) => entry.move === 'working') ? true : null,
    },
    {
      id: 'heater',
      title: 'Heater and thermometer',
      text: `About ${formatPlain(netLitres * WATTS_PER_LITRE, 0)} W for five degrees above the room, checked against a thermometer in the last two months.`,
      shown: checked,
    },
    {
      id: 'air',
      title: 'Air',
      text: 'A stone or a sponge driven by air: many medicines lower oxygen, and so does heat.',
      shown: null,
    },
    {
      id: 'hides',
      title: 'Hides without edges',
      text: 'Opaque pipe, one for each fish and one more, that can be disinfected.',
      shown: null,
    },
    {
      id: 'cover',
      title: 'Tight cover',
      text: 'New fish jump, above all on the first night.',
      shown: standing.lid,
    },
    {
      id: 'light',
      title: 'A light on a timer',
      text: 'Dim, ten hours a day, and a lamp to look from the side.',
      shown: null,
    },
    {
      id: 'tools',
      title: 'Siphon, net and cup of its own',
      text: 'Nothing wet goes from here to a tank and back.',
      shown: null,
    },
    {
      id: 'test',
      title: 'Ammonia test or badge',
      text: 'A test at hand that is within its date, or a badge that is new.',
      shown: tested ? true : null,
    },
    {
      id: 'water',
      title: 'Salt water mixed and waiting',
      text: `A third of it, ${litres(Math.ceil(netLitres / 3))}, at its salinity and temperature: for the first change that is needed at once.`,
      shown: mixed ? true : null,
    },
  ];
}

/** How large for whom: litres for a length of fish, by size and number. */
export function litresFor(cm: number, count: number): { low: number; high: number } {
  const need = cm * count * 4;
  return { low: Math.max(40, need), high: Math.max(60, need * 1.6) };
}
