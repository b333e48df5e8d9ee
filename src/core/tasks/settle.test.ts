import { instant } from '../time/zone';
import type { TaskMarkEntry } from '../records/kinds/taskMark';
import { settle } from './settle';
import type { Occurrence } from './types';

const NOW = instant('2026-11-24T12:00:00Z');
const task = (key: string): Occurrence => ({
  id: 'test/ammonia',
  key,
  title: 'Test ammonia',
  because: '',
  dueOn: NOW,
  inDays: 0,
  minutes: 5,
  parameters: [],
  opens: { form: 'reading' },
});
const mark = (n: number, entry: Pick<TaskMarkEntry, 'task' | 'how' | 'until'>) => ({
  id: String(n),
  at: NOW - 1000 + n,
  entry: {
    kind: 'taskMark' as const,
    tankId: 'tank',
    at: new Date(NOW - 1000 + n).toISOString(),
    title: 'Test ammonia',
    ...entry,
  },
});

describe('what was said of a task', () => {
  it('goes by the newest mark of that one time, and of no other', () => {
    const marks = [
      mark(1, { task: 'a', how: 'skipped' }),
      mark(2, { task: 'a', how: 'done' }),
      mark(3, { task: 'b', how: 'skipped' }),
    ];
    const standings = settle([task('a'), task('b'), task('c')], marks, NOW).map((s) => s.standing);
    expect(standings).toEqual(['done', 'skipped', 'due']);
  });

  it('that it is done stands, whichever tab puts it off later', () => {
    const marks = [
      mark(1, { task: 'a', how: 'done' }),
      mark(2, { task: 'a', how: 'snoozed', until: '2026-11-24T11:00:00Z' }),
      mark(3, { task: 'b', how: 'snoozed', until: '2026-11-25T12:00:00Z' }),
      mark(4, { task: 'b', how: 'skipped' }),
    ];
    const standings = settle([task('a'), task('b')], marks, NOW).map((s) => s.standing);
    expect(standings).toEqual(['done', 'skipped']);
  });

  it('that it is put off lasts until its time, and then it is due again', () => {
    const marks = [mark(1, { task: 'a', how: 'snoozed', until: '2026-11-25T12:00:00Z' })];
    const at = (iso: string) => settle([task('a')], marks, instant(iso))[0];
    expect(at('2026-11-25T11:59:59Z')).toMatchObject({
      standing: 'snoozed',
      until: instant('2026-11-25T12:00:00Z'),
    });
    expect(at('2026-11-25T12:00:00Z')).toMatchObject({ standing: 'due', until: null });
  });
});
