import type { SchoolChoice, SchoolId } from '../../records/schema/tank';
import { algaeSuccession } from './algaeSuccession';
import { bothZero } from './bothZero';
import { bothZeroHeld } from './bothZeroHeld';
import { bottleProgramme } from './bottleProgramme';
import { challenge } from './challenge';
import { nitrateLevel } from './nitrateLevel';
import type { ChoiceOf, School } from './school';

/** Every school, in the order it is offered. A choice without its school does not compile here. */
const BY_ID: { [I in SchoolId]: School<I> } = {
  bothZeroHeld,
  bothZero,
  challenge,
  nitrateLevel,
  bottleProgramme,
  algaeSuccession,
};

export const SCHOOLS: readonly Pick<School, 'id' | 'name' | 'asks' | 'trades'>[] =
  Object.values(BY_ID);

/** The school of a choice, ready to be asked with that choice. */
export function schoolOf<I extends SchoolId>(choice: ChoiceOf<I>): School<I> {
  return BY_ID[choice.school as I];
}

/** "both zero, held 7 days": the choice with its own figure, for a line of text. */
export function schoolWords(choice: SchoolChoice): string {
  return schoolOf(choice).words(choice);
}

export function schoolName(id: SchoolId): string {
  return BY_ID[id].name;
}
