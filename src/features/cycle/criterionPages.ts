import type { CriterionId } from '@/core/cycle/verdict/types';
import type { GuideId } from '@/frame/guideQuestions';

/** The page of the Guide that says more of a line of the verdict. */
export const CRITERION_PAGES: Readonly<Record<CriterionId, GuideId>> = {
  fed: 'which-ammonia',
  ammoniaUsed: 'how-long',
  nitriteSeen: 'how-long',
  ammoniaZero: 'always-quarter',
  nitriteZero: 'nitrite-stuck',
  zeroSameDay: 'ready',
  zeroHeld: 'ready',
  challengePassed: 'ready',
  doseCleared: 'ready',
  nitrateLevel: 'big-change',
  programmeDone: 'bottles',
  algaeSuccession: 'growths',
  nitrateSeen: 'ready',
  dosesAccounted: 'which-ammonia',
  accounted: 'always-quarter',
  alkalinity: 'alkalinity-fell',
  salinity: 'salinity',
  temperature: 'how-long',
  lid: 'first',
  heater: 'first',
  forecastAgrees: 'ready',
};
