import { useEffect, useState } from 'react';
import type { cycleSentence } from '@/core/cycle/words/cycleSentence';
import type { describeTank, waterSentence as tankWater } from '@/core/tank/description';
import type { factsOf } from '@/core/tank/tankFacts';
import type { waterSentence } from '@/core/water/waterSentence';

/** What says the sentences of other screens. */
export interface ReportWords {
  cycleSentence: typeof cycleSentence;
  waterSentence: typeof waterSentence;
  describeTank: typeof describeTank;
  tankWater: typeof tankWater;
  factsOf: typeof factsOf;
}

/** What says the sentences of other screens; null until it is here. */
export function useReportWords(fetchWords: () => Promise<ReportWords>): ReportWords | null {
  const [words, setWords] = useState<ReportWords | null>(null);
  useEffect(() => {
    let current = true;
    void fetchWords().then(
      (found) => current && setWords(found),
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [fetchWords]);
  return words;
}
