import type { TankHistory } from '../../history/tankHistory';
import type { DoneRuleChoice, DoneRuleId } from '../../records/schema/tank';
import type { Occurrence, TaskWorld } from '../../tasks/types';
import type { Milestone } from '../milestone';
import type { Nitrogen, DoneRuleFacts } from '../problem/types';
import type { RuleId, Inquiry } from '../verdict/types';

export type ChoiceOf<I extends DoneRuleId> = Extract<DoneRuleChoice, { rule: I }>;

/** What a rule for done counts the day of readiness from, in days of the run. */
export interface ReadyTools {
  facts: DoneRuleFacts;
  /** The day of a moment, ms. */
  dayOf: (ms: number) => number;
  /** The day from which a span at zero counts, for a tank that is clear on a day. */
  zerosFrom: (clear: number) => number;
  /** The day on which a dose that was given once it is clear is gone within its hours. */
  proven: (clear: number) => number;
  /** The day on which the algae succession has levelled. */
  succession: () => number;
}

/** A way of deciding that a cycle is done: all that is its own, in one place. */
export interface DoneRule<I extends DoneRuleId = DoneRuleId> {
  id: I;
  name: string;
  /** What it asks, in one sentence. */
  asks: string;
  /** What one gains and gives up by it. */
  trades: string;
  /** The criteria that are its own, in the order they are shown. */
  criteria: readonly RuleId[];
  /** Criteria shown beside them that decide nothing under this rule for done. */
  supports: readonly RuleId[];
  /** The choice with its own figure, for a line of text: "both zero for 7 days". */
  words: (choice: ChoiceOf<I>) => string;
  /** The day on which a tank is ready that is clear on a day; Infinity beyond the horizon. */
  readyDay: (clear: number, choice: ChoiceOf<I>, tools: ReadyTools) => number;
  /** When tests that have shown both at zero are asked for again, ms; null for never. */
  shownAgainAt?: (choice: ChoiceOf<I>, facts: DoneRuleFacts, zone: string) => number | null;
  /** Where it asks for a dose and the test after it, whatever the forecast makes of the tank: when that is due. */
  provesByDose?: (facts: DoneRuleFacts, at: number) => boolean;
  /** What it has tested in a test session beside ammonia and nitrite, for a moment. */
  testsToo?: (facts: DoneRuleFacts, at: number) => { parameter: Nitrogen; because: string } | null;
  /** Its own point on the course. */
  milestone?: (inquiry: Inquiry, choice: ChoiceOf<I>) => Milestone | null;
  /** What it asks to have done. */
  tasks?: (world: TaskWorld, choice: ChoiceOf<I>, from: number) => Occurrence[];
  /** Whether filter bacteria are fed half as much while its days are counted. */
  feedsLightly?: true;
  /** Whether it doses again without waiting for the usual days between. */
  dosesAtOnce?: true;
}

/** What a rule for done looks at when it judges a tank's history at a moment. */
export const inquiryOf = (history: TankHistory, at: number): Inquiry => ({
  history,
  at,
  zone: history.tank.zone,
  choice: history.tank.doneRule,
});
