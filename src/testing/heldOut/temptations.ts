import { SAFE } from '@/core/cycle/verdict/safe';
import { courseUntil } from '@/core/practice/run/play';
import type { SituationId } from '@/core/practice/situations/situations';
import type { Course } from '@/core/practice/world/live';
import { DAY_MS, HOUR_MS } from '@/core/time/zone';
import { BOTTLE, dose, fish, PracticeLife } from './practiceKeeper';

/** What a situation tempts to, and whether its lesson shows in what came of it. */
interface Temptation {
  does: (life: PracticeLife) => void;
  shows: (tempted: Course, patient: Course, life: PracticeLife) => boolean;
}

const last = (series: Float64Array) => series[series.length - 1] ?? 0;
const most = (series: Float64Array) => series.reduce((high, value) => Math.max(high, value), 0);
export const TEMPTATIONS: Partial<Record<SituationId, Temptation>> = {
  meterSet: {
    does: (life) => {
      life.test(['salinity']);
      life.wait(14 * DAY_MS);
    },
    shows: ({ series }, _patient, life) => {
      const read = life.history().readings.salinity.at(-1)?.best ?? 0;
      return read - last(series.salinity) > 3;
    },
  },
  chloramine: {
    does: (life) => {
      life.do({ kind: 'waterChange', litres: 80, source: 'untreatedTap', newWater: {} });
      life.wait(3 * DAY_MS);
    },
    shows: (tempted, patient) =>
      last(tempted.series.capacityA) < 0.5 * last(patient.series.capacityA),
  },
  bottleInSun: {
    does: (life) => {
      life.do(fish(4, 5));
      life.wait(14 * DAY_MS);
    },
    // A week after the bottle's week the fish still stand in ammonia.
    shows: ({ series }) => most(series.ammonia.subarray(24 * 12)) > SAFE,
  },
  weakAmmonium: {
    does: (life) => {
      life.do(dose(1.56));
      life.wait(HOUR_MS);
    },
    shows: (tempted, patient) =>
      last(tempted.series.ammonia) - last(patient.series.ammonia) < 0.6 * 1.56,
  },
  alkalinityGone: {
    does: (life) => {
      life.do(BOTTLE);
      life.wait(10 * DAY_MS);
    },
    shows: ({ series }) => last(series.ammonia) > 0.1 || last(series.nitrite) > 0.1,
  },
  spentKit: {
    does: (life) => {
      life.do(fish(2, 5));
      life.wait(2 * DAY_MS);
      life.test(['ammonia']);
    },
    // The card reads zero over what burns gills.
    shows: ({ series }, _patient, life) => {
      const read = life.history().readings.ammonia.at(-1)?.best ?? 1;
      return read < 0.2 && last(series.ammonia) > SAFE;
    },
  },
  fishToday: {
    does: (life) => {
      life.do(fish(4, 5));
      life.wait(14 * DAY_MS);
    },
    shows: (tempted) => {
      const from = Math.floor(24 * 5.2);
      return (
        most(tempted.series.ammonia.subarray(from)) > SAFE ||
        most(tempted.series.nitrite.subarray(from)) > SAFE
      );
    },
  },
  nothingWrong: {
    does: (life) => {
      life.do(BOTTLE);
      life.do({ kind: 'waterChange', litres: 80, source: 'purified', newWater: {} });
      life.wait(20 * DAY_MS);
    },
    shows: (tempted, patient) => {
      const clear = ({ series }: Course) => series.nitrite.findLastIndex((value) => value > 0.1);
      return clear(tempted) > clear(patient) - 24 * 5;
    },
  },
};

/** Does what a situation tempts to; whether its lesson shows beside a keeper who does nothing meanwhile. */
export function lessonShows(situation: SituationId, seed: number): boolean {
  const temptation = TEMPTATIONS[situation];
  if (!temptation) throw new RangeError(`${situation} tempts to nothing.`);
  const life = new PracticeLife(situation, seed);
  temptation.does(life);
  const patient = new PracticeLife(situation, seed);
  patient.now = life.now;
  return temptation.shows(courseUntil(life.played()), courseUntil(patient.played()), life);
}
