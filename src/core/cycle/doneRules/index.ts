import type { DoneRuleChoice, DoneRuleId } from '../../records/schema/tank';
import { algaeSuccession } from './algaeSuccession';
import { bothZero } from './bothZero';
import { bothZeroHeld } from './bothZeroHeld';
import { bottleProgramme } from './bottleProgramme';
import { challenge } from './challenge';
import { nitrateLevel } from './nitrateLevel';
import type { ChoiceOf, DoneRule } from './doneRule';

/** Every rule for done, in the order it is offered. A choice without its rule for done does not compile here. */
const BY_ID: { [I in DoneRuleId]: DoneRule<I> } = {
  bothZeroHeld,
  bothZero,
  challenge,
  nitrateLevel,
  bottleProgramme,
  algaeSuccession,
};

export const DONE_RULES: readonly Pick<DoneRule, 'id' | 'name' | 'asks' | 'trades'>[] =
  Object.values(BY_ID);

/** The rule for done of a choice, ready to be asked with that choice. */
export function doneRuleOf<I extends DoneRuleId>(choice: ChoiceOf<I>): DoneRule<I> {
  return BY_ID[choice.rule as I];
}

/** "both zero for 7 days": the choice with its own figure, for a line of text. */
export function doneRuleWords(choice: DoneRuleChoice): string {
  return doneRuleOf(choice).words(choice);
}

export function doneRuleName(id: DoneRuleId): string {
  return BY_ID[id].name;
}
