import { alike } from '../src/core/practice/after/alike';
import { begin } from '../src/core/practice/run/begin';
import { playedLog, worldAt, likeIt } from '../src/core/practice/run/play';
import { trulyReadyOn } from '../src/core/practice/after/ready';
import { print, round3, timed } from './print';
import { LAWS_NOW } from '../src/core/practice/world/nature';

const STARTED = '2026-05-04T09:00:00.000Z';
const DAYS = 60;
const clock = new Date(Date.parse(STARTED) + (DAYS - 7) * 86_400_000).toISOString();
const header = {
  ...{ seed: 7, situation: 'bottleInSun' as const, startedAt: STARTED, zone: 'UTC' },
  ...{ laws: LAWS_NOW, clock, said: [], answer: null },
};
const run = playedLog(header, begin(header).revisions);
const ms = timed(() => worldAt(run));
const SEEDS = 200;
const begun = performance.now();
for (let n = 0; n < SEEDS; n += 1) trulyReadyOn(likeIt(run.start, n), run.deeds, DAYS);
const seeds = performance.now() - begun;
const [deed] = run.deeds.filter(({ entry }) => entry.kind === 'dose');
const asked = timed(() => alike(run, deed?.id ?? '', undefined, 20), 3);
print('practice', {
  days: DAYS,
  lifeMs: ms,
  microsecondsAnHour: round3((1000 * ms) / (24 * DAYS)),
  twoHundredSeedsMs: Math.round(seeds),
  twentyWithAndWithoutMs: Math.round(asked),
});
