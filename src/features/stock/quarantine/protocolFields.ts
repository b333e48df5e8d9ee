import * as z from 'zod';
import { protocolSchema, TESTED, type Protocol } from '@/core/records/schema/protocol';
import { FormReader, type FormReading } from '@/forms/reader';

const stage = z.object({
  name: z.string(),
  fromDay: z.string(),
  does: z.string(),
  /** Asked on a sign alone, whatever the day. */
  onSign: z.boolean(),
  treats: z.boolean(),
  afterHeld: z.boolean(),
});

/** A protocol as it is typed: lines in one text, days as texts, an empty one for what is not tested. */
export const protocolFields = z.object({
  name: z.string(),
  days: z.string(),
  trades: z.string(),
  restarts: z.string(),
  stages: z.array(stage),
  tests: z.record(z.string(), z.string()),
  release: z.string(),
  /** Of moves between two tanks: how many; empty for none. */
  moves: z.string(),
  everyHours: z.string(),
});
export type ProtocolFields = z.infer<typeof protocolFields>;

export function formOfProtocol(protocol: Protocol): ProtocolFields {
  const { name, days, trades, restarts, stages, tests, release, moves } = protocol;
  return {
    name,
    days: String(days),
    trades,
    restarts,
    stages: stages.map(
      ({ name: called, fromDay, does, onSign = false, treats = false, afterHeld = false }) => ({
        name: called,
        fromDay: String(fromDay),
        does: does.join('\n'),
        onSign,
        treats,
        afterHeld,
      }),
    ),
    tests: Object.fromEntries(
      TESTED.map((parameter) => [
        parameter,
        String(tests.find((test) => test.parameter === parameter)?.everyDays ?? ''),
      ]),
    ),
    release: release.join('\n'),
    moves: moves ? String(moves.count) : '',
    everyHours: moves ? String(moves.everyHours) : '',
  };
}

const linesOf = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** Whole days in a text; NaN for anything else, which the schema then refuses. */
const daysIn = (text: string) => (/^\d{1,3}$/.test(text.trim()) ? Number(text.trim()) : Number.NaN);

const WRONG: Record<keyof ProtocolFields, string> = {
  name: 'The name has 2 to 60 letters.',
  days: 'Whole days, from 0 to 120.',
  trades: 'What it trades has 10 to 300 letters.',
  restarts: 'What restarts it has 3 to 200 letters.',
  stages:
    'Each stage has a name, a whole day from 0 to 120 and 1 to 8 lines of 3 to 200 letters; 10 stages at most.',
  tests: 'Every so many whole days, from 1 to 30; empty where it is not tested.',
  release: 'Lines of 3 to 200 letters, 8 at most.',
  moves: 'From 1 to 12 moves, at most 24 to 120 hours apart; both empty for none.',
  everyHours: 'From 24 to 120 hours between two moves.',
};

/** The protocol that was typed, over the one it was copied from. */
export function readProtocol(
  of: Protocol,
  form: ProtocolFields,
): FormReading<ProtocolFields, Protocol> {
  const reader = new FormReader(form);
  const stages = form.stages.map(({ name, fromDay, does, onSign, treats, afterHeld }) => ({
    name,
    fromDay: onSign ? 0 : daysIn(fromDay),
    does: linesOf(does),
    ...(onSign ? { onSign } : {}),
    ...(treats ? { treats } : {}),
    ...(afterHeld ? { afterHeld } : {}),
  }));
  const { moves: _moves, ...rest } = of;
  const moving = form.moves.trim() !== '' || form.everyHours.trim() !== '';
  const made = protocolSchema.safeParse({
    ...rest,
    name: form.name,
    days: daysIn(form.days),
    trades: form.trades,
    restarts: form.restarts,
    stages: stages.toSorted((a, b) => a.fromDay - b.fromDay),
    tests: TESTED.flatMap((parameter) => {
      const text = form.tests[parameter] ?? '';
      return text.trim() === '' ? [] : [{ parameter, everyDays: daysIn(text) }];
    }),
    ...(moving
      ? { moves: { count: daysIn(form.moves), everyHours: daysIn(form.everyHours) } }
      : {}),
    release: linesOf(form.release),
  });
  if (made.success) return reader.result(made.data);
  for (const { path } of made.error.issues) {
    const field = String(path[0]) as keyof ProtocolFields;
    reader.fail(field in WRONG ? field : 'name', WRONG[field] ?? 'It does not hold together.');
  }
  return reader.result(of);
}
