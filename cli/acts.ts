import {
  dimensionOf,
  fromCanonical,
  headsOfType,
  PARAMETER_IDS,
  parseNumber,
  tankHistory,
  toCanonical,
  unitSymbol,
  type Log,
} from '../src/core';
import { writeDailyCheck } from '../src/core/acts/dailyCheck';
import { isSaid, writeMark, type Said } from '../src/core/acts/mark';
import { readingBy } from '../src/core/acts/reading';
import type { ActWriter } from '../src/core/acts/writer';
import { PARAMETERS, type ParameterId } from '../src/core/parameters/registry';
import type { EntryBody } from '../src/core/records/kinds';
import { SIGNS, type DailyCheckState, type Sign } from '../src/core/records/kinds/dailyCheck';
import type { RevisionOf } from '../src/core/records/schema/revision';
import { cohortsIn } from '../src/core/quarantine/who';
import { isoInZone } from '../src/core/time/zone';
import type { Unit } from '../src/core/units/units';
import { CliError } from './errors';
import { readUnit } from './quantity';

type Tank = RevisionOf<'tank'>;

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[-_\s]+/g, ' ')
    .trim();

function parameterCalled(words: string): ParameterId {
  const found = PARAMETER_IDS.find((id) =>
    [id, PARAMETERS[id].name, PARAMETERS[id].inSentence].some(
      (name) => plain(name) === plain(words),
    ),
  );
  if (found) return found;
  const known = PARAMETER_IDS.map((id) => PARAMETERS[id].inSentence).join(', ');
  throw new CliError(`No test is called "${words.trim()}". Known: ${known}.`);
}

/** The unit of a reading, where one is said: "ppm NO2" of nitrite. */
function unitOf(words: string, parameter: ParameterId): Unit | null {
  if (words === '') return null;
  const { dimension } = PARAMETERS[parameter];
  const [part = '', ...basis] = words.split(/\s+/);
  const isPart = /^(ppm|ppb|mg\/l|[µu]g\/l)$/i.test(part);
  const read = readUnit(isPart ? part : words, [parameter, ...basis].join(' '));
  const unit = 'unit' in read ? read.unit : null;
  if (unit && dimensionOf(unit) === dimension) return unit;
  throw new CliError(`"${part}" does not say of what: ${parameter} is read in another unit.`);
}

/**
 * Readings as one types them: "nitrite 0.25 ppm NO2; pH 8.1". Each is read by the first kit in use for it; a
 * number without a unit is in that kit's own.
 * @throws CliError for a name, number or unit that nobody knows, and where no kit reads it
 */
export function readingsOf(log: Log, text: string): EntryBody<'reading'>[] {
  return text.split(';').map((one) => {
    const match = /^\s*([A-Za-z][A-Za-z\s_-]*?)\s+([\d.,]+)(?!\S*\d)\s*(.*?)\s*$/.exec(one);
    const value = match ? parseNumber(match[2] ?? '') : null;
    if (!match || value === null) {
      throw new CliError(`"${one.trim()}" is no reading, such as "nitrite 0.25 ppm NO2".`);
    }
    const parameter = parameterCalled(match[1] ?? '');
    const kit = headsOfType(log, 'kit')
      .filter(({ body }) => body.inUse && body.parameter === parameter)
      .sort((a, b) => a.body.order - b.body.order)[0];
    if (!kit) {
      throw new CliError(`No kit of this log reads ${PARAMETERS[parameter].inSentence}.`);
    }
    const read = readingBy(
      kit.id,
      kit.body,
      inUnitOf(kit, value, unitOf(match[3] ?? '', parameter)),
    );
    if (typeof read === 'string') throw new CliError(`${kit.body.name}: ${read}`);
    return read;
  });
}

function inUnitOf({ body }: RevisionOf<'kit'>, value: number, unit: Unit | null): number {
  if (unit === null || unit === body.unit) return value;
  if (unit === 'mS/cm' || body.unit === 'mS/cm') {
    throw new CliError(`Give it in ${unitSymbol(body.unit)}, as ${body.name} reads it.`);
  }
  return Number(fromCanonical(toCanonical(value, unit), body.unit).toPrecision(10));
}

/** Writes readings of one moment, and a note beside them. */
export function writeReadings(
  act: ActWriter,
  tank: Tank,
  readings: readonly EntryBody<'reading'>[],
  note: string | undefined,
  at: number,
): void {
  const when = { tankId: tank.id, at: isoInZone(at, tank.body.zone) };
  for (const reading of readings) act.create('entry', { ...reading, ...when });
  if (note !== undefined) act.create('entry', { kind: 'note', text: note, ...when });
}

/**
 * Writes what is said of one time of a task, by the key that `due` prints.
 * @throws CliError where it is said already
 */
export function writeSaid(
  act: ActWriter,
  log: Log,
  tankId: string,
  task: { key: string; title: string },
  said: Said,
): void {
  const history = tankHistory(log, tankId, act.now);
  if (isSaid(history, task, said)) throw new CliError(`"${task.title}" is ${said.how} already.`);
  writeMark(act, history, task, said);
}

export interface Seen {
  state: DailyCheckState;
  signs: Sign[];
}

/**
 * How an animal was seen, by the flags.
 * @throws CliError for none of them, more than one, or a sign that nobody knows
 */
export function seenOf(flags: {
  well?: true | undefined;
  'not-eating'?: true | undefined;
  sign?: string | undefined;
}): Seen {
  const { well, sign } = flags;
  const notEating = flags['not-eating'];
  if ([well, notEating, sign].filter((flag) => flag !== undefined).length !== 1) {
    throw new CliError('Say one of --well, --not-eating and --sign.');
  }
  if (sign === undefined) return { state: well ? 'well' : 'notEating', signs: [] };
  const signs = sign.split(',').map((word): Sign => {
    const found = SIGNS.find((known) => known.toLowerCase() === word.trim().toLowerCase());
    if (!found)
      throw new CliError(`No sign is called "${word.trim()}". Known: ${SIGNS.join(', ')}.`);
    return found;
  });
  return { state: 'sign', signs };
}

/**
 * Writes the daily check of an animal in quarantine, by its name.
 * @throws CliError for one that is in no batch, or a name that several have
 */
export function writeSeen(act: ActWriter, log: Log, name: string, seen: Seen): void {
  const goingOn = log.batches.filter(({ body }) => body.endedAt === null);
  const found = goingOn.flatMap(({ body }) => {
    const history = tankHistory(log, body.tankId, act.now);
    return cohortsIn(body, history)
      .filter(({ what }) => plain(what).includes(plain(name)))
      .map((cohort) => ({ history, cohort }));
  });
  const [one, ...others] = found;
  if (!one) throw new CliError(`No animal in quarantine is called "${name}".`);
  if (others.length > 0) {
    const names = found
      .map(({ history, cohort }) => `${cohort.what} (${history.tank.name})`)
      .join(', ');
    throw new CliError(`"${name}" may be ${names}. Which one?`);
  }
  const { cohort, history } = one;
  writeDailyCheck(act, history, { cohort: cohort.id, what: cohort.what, at: act.now, ...seen });
}
