import { recordOf, type Log } from '../records/log';
import { countedAs } from '../records/kinds';
import { revisionKey } from '../records/order';
import type { RecordType, Revision } from '../records/schema/revision';
import { countOf } from '../units/format';

/** What each type of record is called where several are counted. */
const NOUNS: Record<Exclude<RecordType, 'entry'>, [one: string, many: string]> = {
  tank: ['tank', 'tanks'],
  kit: ['test kit or instrument', 'test kits and instruments'],
  settings: ['record of settings', 'records of settings'],
  run: ['run', 'runs'],
  wish: ['wish', 'wishes'],
  batch: ['quarantine batch', 'quarantine batches'],
  species: ['animal of your own', 'animals of your own'],
  position: ['place of a coral', 'places of corals'],
  medicine: ['label of a medicine', 'labels of medicines'],
  protocol: ['protocol of your own', 'protocols of your own'],
  chore: ['chore', 'chores'],
  absence: ['time away', 'times away'],
  connection: ['connected instrument', 'connected instruments'],
};

const GROUPS = {
  fish: ['fish', 'fish'],
  invertebrate: ['invertebrate', 'invertebrates'],
  coral: ['coral', 'corals'],
} as const;

/** What one new record is counted as, one and many of it. */
function nounOf(revision: Revision): readonly [string, string] {
  if (revision.type !== 'entry') return NOUNS[revision.type];
  const { body } = revision;
  if (body.kind === 'animals' && body.move === 'in') {
    const [one, many] = GROUPS[body.group];
    return [`new ${one}`, `new ${many}`];
  }
  return countedAs(body);
}

/** Whether another hand made something else of the revision that one of these was made from. */
function bothChanged(log: Log, fresh: readonly Revision[]): boolean {
  const [first] = fresh as [Revision];
  const here = recordOf(log, first.id)?.revisions ?? [];
  const brought = new Set(fresh.map(revisionKey));
  return fresh.some(
    ({ parentRev, parentAct }) =>
      parentRev !== null &&
      here.some(
        (one) =>
          one.parentRev === parentRev &&
          (one.parentAct === parentAct || !one.parentAct || !parentAct) &&
          !brought.has(revisionKey(one)),
      ),
  );
}

/**
 * What records that come in amount to, in a keeper's words: "3 tests", "1 new fish", "2 corrected",
 * "1 that both changed".
 * @param log what is here before they come
 * @param fresh revisions that are not here yet
 */
export function broughtWords(log: Log, fresh: readonly Revision[]): string[] {
  const byRecord = new Map<string, Revision[]>();
  for (const revision of fresh) {
    const there = byRecord.get(revision.id);
    if (there) there.push(revision);
    else byRecord.set(revision.id, [revision]);
  }
  const made = new Map<string, { nouns: readonly [string, string]; count: number }>();
  let [corrected, away, both] = [0, 0, 0];
  for (const [id, revisions] of byRecord) {
    const last = revisions.reduce((a, b) => (b.rev > a.rev ? b : a));
    if (recordOf(log, id)) {
      if (bothChanged(log, revisions)) both += 1;
      else if (last.deleted) away += 1;
      else corrected += 1;
    } else if (!last.deleted) {
      const nouns = nounOf(last);
      const [one] = nouns;
      const amount = last.type === 'entry' && last.body.kind === 'animals' ? last.body.count : 1;
      const known = made.get(one);
      made.set(one, { nouns, count: (known?.count ?? 0) + (amount ?? 1) });
    }
  }
  return [
    ...[...made.values()]
      .sort((a, b) => b.count - a.count)
      .map(({ nouns: [one, many], count }) => countOf(count, one, many)),
    ...(corrected > 0 ? [`${corrected} corrected`] : []),
    ...(away > 0 ? [`${away} taken away`] : []),
    ...(both > 0 ? [`${both} that both changed`] : []),
  ];
}
