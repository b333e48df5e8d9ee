import { useEffect, useState } from 'react';
import type { ReportWords } from '@/core/report/words';

/** What says the sentences of other screens; null until it is here. */
export function useReportWords(
  fetchWords: () => Promise<ReportWords>,
): ReportWords | 'failed' | null {
  const [words, setWords] = useState<ReportWords | 'failed' | null>(null);
  useEffect(() => {
    let current = true;
    void fetchWords()
      .catch(() => 'failed' as const)
      .then((found) => current && setWords(found));
    return () => {
      current = false;
    };
  }, [fetchWords]);
  return words;
}
