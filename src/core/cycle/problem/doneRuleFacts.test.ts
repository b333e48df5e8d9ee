import { day, problemOn } from '../../../testing/ensembles';
import type { LogBuilder } from '../../../testing/logBuilder';

describe('what the log shows of its rule for done', () => {
  const shown = (build: (log: LogBuilder) => void) => problemOn(30, build).facts.shownSince;
  const zeros = (log: LogBuilder, at: number) => {
    log.ammonia(day(at), 0);
    log.nitrite(day(at), 0);
  };

  it('is since when tests have both at zero, until one is above, or a dose goes in', () => {
    expect(shown((log) => zeros(log, 20))).toBe(day(20));
    expect(
      shown((log) => {
        zeros(log, 20);
        zeros(log, 25);
      }),
    ).toBe(day(20));
    expect(
      shown((log) => {
        zeros(log, 20);
        log.nitrite(day(22), 0.5);
      }),
    ).toBeNull();
    expect(
      shown((log) => {
        zeros(log, 20);
        log.dose(day(22), 1);
      }),
    ).toBeNull();
    expect(shown((log) => log.ammonia(day(20), 0))).toBeNull();
  });
});
