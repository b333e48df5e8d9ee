import { headsOfType, mergeRevisions, EMPTY_LOG } from '..';
import { demoLog } from './demoLog';
import { DEMO_STORIES } from './stories';

test('each tank of the demo says what it shows, and nothing is told of one that is not there', () => {
  let made = 0;
  const newId = () => `00000000-0000-7000-8000-${(made += 1).toString(16).padStart(12, '0')}`;
  const now = Date.parse('2026-11-24T12:00:00Z');
  const log = mergeRevisions(
    EMPTY_LOG,
    demoLog({ now, zone: 'Europe/Berlin', device: 'demo', newId }),
  );
  const names = headsOfType(log, 'tank').map(({ body }) => body.name);
  expect([...DEMO_STORIES.keys()].sort()).toEqual(names.sort());
});
