import { cycleSentence } from '../cycle/words/cycleSentence';
import { describeTank, waterSentence as tankWater } from '../tank/description';
import { factsOf } from '../tank/tankFacts';
import { waterSentence } from '../water/waterSentence';

/** What says the sentences of other screens, which a report says as well. The app has them from their own pieces. */
export const REPORT_WORDS = { cycleSentence, waterSentence, describeTank, tankWater, factsOf };
export type ReportWords = typeof REPORT_WORDS;
