import { instant } from '../../time/zone';
import type { DayOrder } from '../../time/typedDay';
import { ORDERS, whenIn } from '../read/day';
import type { Question } from './question';

interface OrderGuess {
  order: DayOrder;
  question: Question | null;
}

/** Cells with a day after the twelfth that are looked at: one tells as much as all. */
const LOOKED_AT = 60;

/** Whether a cell holds a figure that is no month, so that it says which of two is the day. */
export function tellsOrder(text: string): boolean {
  const parts = /^\s*(\d{1,2})[./-](\d{1,2})[./-]/.exec(text);
  return parts !== null && (Number(parts[1]) > 12 || Number(parts[2]) > 12);
}

interface Reading {
  order: DayOrder;
  days: readonly string[];
  /** Days that lie ahead, and steps against the run of the rest. */
  ahead: number;
  backward: number;
  span: number;
}

/**
 * The order of days and months, by all rows together: an order under which some day does not exist, more lie
 * ahead, or the rows run to and fro, is not meant. Where two do as well, it is asked.
 * @param cells some of the days, as they follow each other
 * @param telling every day that says of itself which order it is in
 * @param usual the keeper's own order
 */
export function guessOrder(
  { cells, telling }: { cells: readonly string[]; telling: readonly string[] },
  today: string,
  year: number | null,
  usual: DayOrder,
): OrderGuess {
  const readings = ORDERS.map((order) => ({
    ...readIn(order, cells, today, year),
    told: telling.slice(0, LOOKED_AT).filter((text) => whenIn(text, order, today, year)).length,
  }));
  const worthOf = (one: (typeof readings)[0]) => one.days.length + one.told;
  const most = Math.max(...readings.map(worthOf));
  const whole = readings.filter((one) => worthOf(one) === most);
  // What every order reads alike needs none.
  const first = whole[0] as (typeof whole)[0];
  if (whole.every(({ days }) => days.join() === first.days.join())) {
    return {
      order: whole.find(({ order }) => order === usual)?.order ?? first.order,
      question: null,
    };
  }
  const worth = (one: Reading) => one.ahead * 1000 + one.backward;
  const least = Math.min(...whole.map(worth));
  const left = whole.filter((one) => worth(one) === least);
  const likely = [...left].sort(
    (a, b) => a.span - b.span || Number(b.order === usual) - Number(a.order === usual),
  )[0] as Reading;
  if (left.every(({ days }) => days.join() === likely.days.join())) {
    return { order: likely.order, question: null };
  }
  const sample = cells.find((text) => differs(text, left, today, year)) ?? cells[0] ?? '';
  return {
    order: likely.order,
    question: {
      key: 'order',
      ask: `Which day is ${sample}?`,
      options: left.map(({ order }) => ({
        value: order,
        label: dayWords(whenIn(sample, order, today, year)?.day ?? ''),
      })),
      likely: likely.order,
    },
  };
}

function readIn(
  order: DayOrder,
  cells: readonly string[],
  today: string,
  year: number | null,
): Reading {
  const days = cells.flatMap((text) => whenIn(text, order, today, year)?.day ?? []);
  let [up, down] = [0, 0];
  for (let i = 1; i < days.length; i += 1) {
    const [before = '', here = ''] = [days[i - 1], days[i]];
    if (here > before) up += 1;
    if (here < before) down += 1;
  }
  const sorted = [...days].sort();
  const [begin = '', end = ''] = [sorted[0], sorted.at(-1)];
  return {
    order,
    days,
    ahead: days.filter((day) => day > today).length,
    backward: Math.min(up, down),
    span: instant(end) - instant(begin) || 0,
  };
}

function differs(
  text: string,
  orders: readonly Reading[],
  today: string,
  year: number | null,
): boolean {
  const days = orders.map(({ order }) => whenIn(text, order, today, year)?.day);
  return new Set(days).size > 1;
}

const MONTH_NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

function dayWords(day: string): string {
  const [year, month, date] = day.split('-').map(Number);
  return `${date} ${MONTH_NAMES[(month ?? 1) - 1]} ${year}`;
}
