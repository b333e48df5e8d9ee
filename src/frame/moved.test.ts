import { movedTo } from './moved';

it.each([
  ['/bench', '/calculators'],
  ['/bench/salt-mix?litres=40', '/calculators/salt-mix?litres=40'],
  ['/rhythm/waterChange', '/chores/waterChange'],
  ['/stock/lots/0001', '/stock/groups/0001'],
  ['/log/look?cohort=1', '/log/daily-check?cohort=1'],
  ['/log/response', '/log/growth-measure'],
  ['/benches', null],
  ['/log/lookup', null],
  ['/nothing', null],
])('what was saved as %s', (before, now) => {
  expect(movedTo(before)).toBe(now);
});
