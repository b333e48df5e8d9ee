import fc from 'fast-check';
import { draws } from '../../../testing/draws';
import { toCanonical } from '../../parameters/convert';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../../parameters/registry';
import { createRecord } from '../../records/acts';
import { readingUnit, type ReadingEntry } from '../../records/kinds/reading';
import { EMPTY_LOG, headsOfType, mergeRevisions, type Log } from '../../records/log';
import type { Kit } from '../../records/schema/kit';
import { revisionSchema, type Revision } from '../../records/schema/revision';
import { instant, isoInZone } from '../../time/zone';
import { BARE_TANK } from '../../../testing/logBuilder';
import { derivedId } from '../../math/hash';
import { bringIn } from '../bring';
import { openText } from '../bytes';
import { sheetContext } from '../context';
import { answered } from '../guess/answers';
import { readWorkbook } from '../sheet';
import { otherSheets } from './others';
import { readingsCsv } from './readings';
import { sessionsCsv } from './sessions';

const NOW = instant('2026-11-24T12:00:00Z');
const stamp = { actId: derivedId('act'), device: 'x', recordedAt: '2026-11-24T12:00:00Z' };
const ZONES = ['Europe/Berlin', 'America/St_Johns', 'Pacific/Auckland', 'UTC'];
const NASTY = [
  '',
  '=1+2',
  '@home',
  "'quoted",
  '-5',
  'line one\nline two',
  '"said", he',
  'å ½ µ',
  '+49',
];

/** A kit of a parameter in each of its units, on a card and on a meter. */
function kitsOf(parameter: ParameterId): Kit[] {
  return PARAMETERS[parameter].units.flatMap((unit): Kit[] => {
    const rest = {
      parameter,
      unit,
      waitMinutes: 0,
      lot: '',
      expiresOn: null,
      reduction: false,
      inUse: true,
      order: 0,
    };
    const digital = {
      form: 'digital' as const,
      resolution: 0.001,
      accuracy: 0.01,
      compensated: true,
    };
    const card = { form: 'card' as const, steps: [0, 0.25, 0.5, 1, 5] };
    const meter = { ...rest, name: `${parameter} meter ${unit}`, scale: digital };
    return PARAMETERS[parameter].zeroBased
      ? [meter, { ...rest, name: `${parameter} card ${unit}`, scale: card }]
      : [meter];
  });
}

const ALL_KITS = PARAMETER_IDS.flatMap(kitsOf);
const idOf = (kit: Kit): string => derivedId(`kit ${kit.name}`);
const TANKS = ZONES.map((zone, i) => ({ id: derivedId(`tank ${i}`), name: `Tank =${i}`, zone }));
const STANDING: Revision[] = [
  ...TANKS.map(({ id, name, zone }) =>
    createRecord(stamp, id, 'tank', { ...BARE_TANK, name, zone }),
  ),
  ...ALL_KITS.map((kit) => createRecord(stamp, idOf(kit), 'kit', kit)),
];

const readingOf = (kits: readonly Kit[]) =>
  fc
    .record({
      kit: fc.constantFrom(...kits),
      tank: fc.constantFrom(...TANKS),
      // A second apart, about the days on which clocks are changed as well.
      second: fc.integer({ min: 0, max: 250 * 86_400 }),
      share: fc.double({ min: 0, max: 1, noNaN: true }),
      step: fc.integer({ min: 0, max: 4 }),
      between: fc.boolean(),
      dilution: fc.constantFrom(1, 1, 2, 10),
      note: fc.constantFrom(...NASTY),
    })
    .map(({ kit, tank, second, share, step, between, dilution, note }): ReadingEntry => {
      const { possible } = PARAMETERS[kit.parameter];
      const { scale, unit, parameter } = kit;
      const low = between ? Math.min(step, 3) : step;
      const top = possible.high * share * 0.2;
      // The value that lies there, in its own unit, with as many digits as a meter shows.
      const linear = (toCanonical(1.0001, unit) - toCanonical(1, unit)) / 0.0001;
      const inUnit = unit.startsWith('sg')
        ? 1 + share * 0.04
        : unit === '°F'
          ? 32 + top * 1.8
          : unit === 'mS/cm'
            ? 10 + share * 40
            : unit === 'pH'
              ? 5 + share * 5
              : top / linear;
      return {
        kind: 'reading',
        tankId: tank.id,
        at: isoInZone(instant('2026-02-01T00:00:00Z') + second * 1000, tank.zone),
        parameter,
        kitId: idOf(kit),
        value:
          scale.form === 'card'
            ? { form: 'card', steps: scale.steps, low, high: between ? low + 1 : low }
            : { form: 'digital', value: Number(inUnit.toFixed(4)), unit },
        dilution,
        ...(note === '' ? {} : { note }),
      };
    });

const anyReading = readingOf(ALL_KITS);

const logOf = (readings: readonly ReadingEntry[]): Log =>
  mergeRevisions(EMPTY_LOG, [
    ...STANDING,
    ...readings.map((body, i) => createRecord(stamp, derivedId(`reading ${i}`), 'entry', body)),
  ]);

/** What a log says that was tested, in an order of its own. */
function said(log: Log): string[] {
  return headsOfType(log, 'entry')
    .flatMap(({ body }) => {
      if (body.kind !== 'reading') return [];
      const { value, note = '' } = body;
      const kit = log.everyKit[body.kitId];
      const unit = readingUnit(body, kit);
      const ends =
        value.form === 'digital'
          ? [value.value]
          : [value.steps[value.low], value.steps[value.high]];
      const [tank, at] = [body.tankId, instant(body.at)];
      return JSON.stringify([tank, at, body.parameter, unit, ends, body.dilution, note, kit?.name]);
    })
    .sort();
}

function readBack(text: string, without: Log): Log {
  const opened = openText(text);
  if (!opened.ok) throw new Error(opened.why);
  const context = sheetContext(without, TANKS[0]?.id ?? '', NOW, 'dmy');
  const first = readWorkbook(opened.workbook, null, context);
  // A zero alone between high figures is asked of any sheet: here each was tested.
  expect(first.questions.map(({ key }) => key.split('/')[0])).toEqual(
    first.questions.map(() => 'zero'),
  );
  const mapping = first.questions.reduce(
    (one, { key }) => answered(one, key, 'zero'),
    first.mapping,
  );
  const found = readWorkbook(opened.workbook, mapping, context);
  expect(found.refused).toEqual([]);
  const { revisions } = bringIn(without, found, [], { ...stamp, actId: derivedId('again') });
  for (const revision of revisions)
    expect(revisionSchema.safeParse(revision).error).toBeUndefined();
  return mergeRevisions(without, revisions);
}

describe('readings that leave and come back', () => {
  it('one a row, are the same readings: kits, cards, units, zones and changed clocks', () => {
    let met = 0;
    fc.assert(
      fc.property(fc.array(anyReading, { minLength: 1, maxLength: 25 }), (readings) => {
        const log = logOf(readings);
        met += readings.length;
        const csv = readingsCsv(log);
        expect(said(readBack(csv, logOf([])))).toEqual(said(log));
        // Into the log that it left it brings nothing.
        expect(said(readBack(csv, log))).toEqual(said(log));
      }),
      { numRuns: draws(50) },
    );
    expect(met).toBeGreaterThan(0);
  });

  it('a session a row, keep every figure that was made in the unit of its column', () => {
    const card = ALL_KITS.filter(
      ({ scale, unit }) => scale.form === 'card' && /NH4|NO2|NO3/.test(unit),
    );
    const cards = readingOf(card)
      .filter(({ dilution }) => dilution === 1)
      .map(({ note: _note, ...body }) => ({
        ...body,
        // A sheet of sessions tells the minute.
        at: `${body.at.slice(0, 17)}00${body.at.slice(19)}`,
      }));
    fc.assert(
      fc.property(fc.array(cards, { minLength: 1, maxLength: 12 }), (readings) => {
        const log = logOf(readings);
        // Which kit it was is not told, so that a step of a card may come back as a meter's figure.
        const figures = (one: Log) =>
          said(one)
            .map((line) => {
              const [tank, at, parameter, unit, ends] = JSON.parse(line) as unknown[];
              return JSON.stringify([tank, at, parameter, unit, [...new Set(ends as number[])]]);
            })
            // Lines stood in the order of what was told of their kits as well.
            .sort();
        expect(figures(readBack(sessionsCsv(log), logOf([])))).toEqual(figures(log));
      }),
      { numRuns: draws(20) },
    );
  });

  it('leave no cell that a spreadsheet would work out', () => {
    fc.assert(
      fc.property(fc.array(anyReading, { minLength: 1, maxLength: 8 }), (readings) => {
        const log = logOf(readings);
        for (const csv of [
          readingsCsv(log),
          sessionsCsv(log),
          ...otherSheets(log).map((one) => one.csv),
        ]) {
          const opened = /(^|[\r\n,])"?[=@\t]/.exec(csv);
          expect(opened?.[0] ?? null).toBeNull();
        }
      }),
      { numRuns: draws(20) },
    );
  });
});
