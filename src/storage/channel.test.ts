import { FILE_VERSION } from '../core';
import { LogBuilder, onDay } from '../testing/logBuilder';
import { hear } from './channel';

describe('what another tab says', () => {
  const heard = (data: unknown) => {
    const said: string[] = [];
    hear(data, {
      acts: (revisions) => said.push(`acts ${revisions.length}`),
      wiped: () => said.push('wiped'),
      moved: () => said.push('moved'),
      unclear: () => said.push('unclear'),
    });
    return said;
  };
  const builder = new LogBuilder();
  builder.ammonia(onDay(1), 1);
  const { revisions } = builder;

  test.each([
    [{ kind: 'acts', version: FILE_VERSION, revisions }, [`acts ${revisions.length}`]],
    [{ kind: 'acts', version: FILE_VERSION + 1, revisions: [{ anything: 1 }] }, ['unclear']],
    [{ kind: 'acts', version: FILE_VERSION, revisions: [{ id: 'x' }] }, ['unclear']],
    [{ kind: 'acts', revisions }, ['unclear']],
    [{ kind: 'something new' }, ['unclear']],
    [{ kind: 'wiped', by: 'a newer tab' }, ['wiped']],
    [{ kind: 'moved' }, ['moved']],
  ])('is taken, or leads to the store: %#', (data, said) => {
    expect(heard(data)).toEqual(said);
  });
});
