import type { ReportWords } from '@/core/report/words';
import { cycle, dailyLife, formScreens } from './pieces';

/**
 * The sentences of other screens, which a report says as well, from the pieces that they stand in: shared
 * outright they would land in the first load (decision 29).
 */
export async function fetchReportWords(): Promise<ReportWords> {
  const [{ cycleSentence }, { waterSentence }, { describeTank, factsOf, tankWater }] =
    await Promise.all([cycle.fetch(), dailyLife.fetch(), formScreens.fetch()]);
  return { cycleSentence, waterSentence, describeTank, factsOf, tankWater };
}
