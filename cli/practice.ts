import { readFileSync } from 'node:fs';
import { dayOf, DAY_MS, instant } from '../src/core';
import { fingerprint } from '../src/core/practice/run/fingerprint';
import { courseUntil, played } from '../src/core/practice/run/play';
import { readRun, runUntil } from '../src/core/practice/run/runFile';
import { situationOf } from '../src/core/practice/situations/situations';
import { TRUTHS, type Course } from '../src/core/practice/world/live';
import { entryTitle } from '../src/core/records/kinds';
import { CliError } from './errors';

/** Digits that a truth is printed with. */
const round = (value: number) => Math.round(value * 10_000) / 10_000;

function daily({ series }: Course): Record<string, number>[] {
  const days = Math.floor((series.ammonia.length - 1) / 24);
  return Array.from({ length: days + 1 }, (_, day) => ({
    day,
    ...Object.fromEntries(TRUTHS.map((truth) => [truth, round(series[truth][24 * day] ?? 0)])),
  }));
}

/**
 * A practice run lived again: what was done, and what was truly so, day by day.
 * @param until day of the tank's life to stop at, in place of the run's own clock
 * @throws CliError for a file that cannot be read, or a day that it has not come to
 */
export function practiceJson(path: string | undefined, until: number | undefined) {
  if (path === undefined) throw new CliError('Name the file of a practice.');
  let text: string;
  try {
    text = readFileSync(path, 'utf8');
  } catch {
    throw new CliError(`There is no file ${path} that can be read.`);
  }
  const reading = readRun(text);
  if (!reading.ok) throw new CliError(reading.why);
  const whole = played(reading.run);
  const { filledAt } = whole.start;
  const clock = instant(reading.run.header.clock);
  const at = until === undefined ? clock : filledAt + until * DAY_MS;
  if (at > clock || at < filledAt) {
    const came = Math.floor((clock - filledAt) / DAY_MS);
    throw new CliError(`Day ${until} is none of this practice: it has come to day ${came}.`);
  }
  const run = until === undefined ? whole : played(runUntil(reading.run, at));
  const course = courseUntil(run, at);
  const { seed, situation, zone } = run.header;
  return {
    situation: situationOf(situation).name,
    seed,
    filledOn: dayOf(filledAt, zone),
    day: round((at - filledAt) / DAY_MS),
    deeds: run.deeds
      .filter((deed) => deed.at <= at)
      .map((deed) => ({ day: round((deed.at - filledAt) / DAY_MS), what: entryTitle(deed.entry) })),
    deaths: course.lived.state.deaths.map(({ hour, what, of }) => ({
      day: round(hour / 24),
      what,
      of,
    })),
    truth: daily(course),
    fingerprint: fingerprint(course),
  };
}
