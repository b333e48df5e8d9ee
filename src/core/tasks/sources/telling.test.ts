import { tankHistory } from '../../history/derive';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import type { TaskWorld } from '../types';
import { telling } from './telling';

const NOW = onDay(20, 12);
const asked = (builder: LogBuilder) =>
  telling
    .occurrences(
      { history: tankHistory(builder.log(), builder.tankId, NOW) } as TaskWorld,
      NOW,
      NOW,
    )
    .map(({ id }) => id);

describe('what a keeper has not told yet', () => {
  it('is the tests on paper of a tank that cycles', () => {
    expect(asked(new LogBuilder())).toContain('paper');
    expect(asked(new LogBuilder())).not.toContain('who');
  });

  it('is who lives in a tank that runs, until somebody is on record', () => {
    const builder = new LogBuilder();
    builder.entry(onDay(0), { kind: 'running' });
    expect(asked(builder)).toEqual(expect.arrayContaining(['who']));
    builder.entry(onDay(19), { kind: 'animals', move: 'in', group: 'fish', what: 'Goby' });
    expect(asked(builder)).not.toContain('who');
    const bare = new LogBuilder({ kind: 'quarantine', rock: 'none' });
    bare.entry(onDay(0), { kind: 'running' });
    expect(asked(bare)).not.toContain('who');
  });
});
