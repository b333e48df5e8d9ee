import type { TankHistory } from '../../history/tankHistory';
import type { Bands } from '../../parameters/bands';
import { hasAnimals } from '../doseAdvice';
import { doneRuleOf } from '../doneRules';
import { successionSeen } from '../doneRules/algaeSuccession';
import { programmeDone } from '../doneRules/bottleProgramme';
import { nitrateHasLevelled } from '../doneRules/nitrateLevel';
import { ammoniaUsed, nitrateSeen, nitriteSeen } from './criteria/chain';
import { doseCleared } from './criteria/challenge';
import { agreement, lastsWords, type Assurance } from './assurance';
import { accounted } from './criteria/accounted';
import { alkalinityFloor, heaterVerified, inBand, lidFitted } from './criteria/conditions';
import { dosesAccounted, fed } from './criteria/fed';
import { harmWords, stillShown } from './harm';
import { noDoseBecause } from './outstanding';
import { firstLoadOf, proofOf } from './proof';
import type {
  Criterion,
  CriterionId,
  CriterionRole,
  CriterionRule,
  RuleId,
  Finding,
  Inquiry,
  Verdict,
} from './types';
import { verdictHoldsUntil } from './until';
import { ammoniaZero, nitriteZero, zeroHeld, zeroSameDay } from './criteria/zero';

const TITLES: Record<CriterionId, string> = {
  fed: 'Something to clear',
  ammoniaUsed: 'Ammonia seen being used',
  nitriteSeen: 'Nitrite seen',
  ammoniaZero: 'Ammonia reads zero',
  nitriteZero: 'Nitrite reads zero',
  zeroSameDay: 'Both zero on one day',
  zeroHeld: 'Both at zero for days',
  challengePassed: 'Challenge passed',
  doseCleared: 'A dose cleared',
  nitrateLevel: 'Nitrate has levelled off',
  programmeDone: 'Programme run through',
  algaeSuccession: 'Algae succession seen',
  nitrateSeen: 'Nitrate seen',
  dosesAccounted: 'Nothing put in is outstanding',
  accounted: 'Nothing put in is missing',
  alkalinity: 'Alkalinity above the floor',
  salinity: 'Salinity in band',
  temperature: 'Temperature in band',
  lid: 'Lid fitted',
  heater: 'Heater verified',
  forecastAgrees: 'The forecast agrees',
};

/** Criteria that every rule for done shares, before and after its own. */
const SHARED_BEFORE: readonly RuleId[] = [
  'fed',
  'ammoniaUsed',
  'nitriteSeen',
  'ammoniaZero',
  'nitriteZero',
];
const SHARED_AFTER: readonly RuleId[] = [
  'dosesAccounted',
  'accounted',
  'alkalinity',
  'salinity',
  'temperature',
];
const GATES: readonly RuleId[] = ['lid', 'heater'];

/** Criteria that show what filter bacteria can do at all, which one that was only slowed has not lost. */
const CAN_DO: ReadonlySet<RuleId> = new Set([
  'ammoniaUsed',
  'nitriteSeen',
  'accounted',
  'nitrateSeen',
  'nitrateLevel',
  'programmeDone',
  'algaeSuccession',
]);

/** Criteria that tell how things stand, whatever happened to the filter bacteria. */
const STANDING: ReadonlySet<RuleId> = new Set([
  'fed',
  'dosesAccounted',
  'alkalinity',
  'salinity',
  'temperature',
  'lid',
  'heater',
]);

function rulesFor(bands: Bands): Record<RuleId, CriterionRule> {
  return {
    fed,
    ammoniaUsed,
    nitriteSeen,
    ammoniaZero,
    nitriteZero,
    zeroSameDay,
    zeroHeld,
    challengePassed: doseCleared,
    doseCleared,
    nitrateLevel: nitrateHasLevelled,
    programmeDone,
    algaeSuccession: successionSeen,
    nitrateSeen,
    dosesAccounted,
    accounted,
    alkalinity: alkalinityFloor,
    salinity: inBand('salinity', bands),
    temperature: inBand('temperature', bands),
    lid: lidFitted,
    heater: heaterVerified,
  };
}

/**
 * Whether a tank's cycle is done, by the rule for done the keeper chose for it, and whether it may take
 * its first fish. Evidence grants: only what is in the history makes a criterion met. Knowledge may
 * withhold: once the evidence is complete, what the forecast makes of all that is logged must agree.
 * @param at the moment it is judged for, ms; readings age against it
 * @param assurance what the forecast says of this very history; null while it has not answered, and
 *   then nothing is called done
 */
export function verdictOf(
  history: TankHistory,
  at: number,
  bands: Bands,
  assurance: Assurance | null = null,
): Verdict {
  const choice = history.tank.doneRule;
  const doneRule = doneRuleOf(choice);
  const inquiry: Inquiry = { history, at, zone: history.tank.zone, choice };
  const rules = rulesFor(bands);
  const shown = stillShown(history);
  const find = (id: RuleId): Finding => {
    if (STANDING.has(id)) return rules[id](inquiry);
    const [rests, harm] = CAN_DO.has(id)
      ? [shown.history, shown.harm]
      : [shown.confirmed, shown.slowed];
    const finding = rules[id]({ ...inquiry, history: rests });
    if (!harm || finding.state === 'met') return finding;
    const harmed = harmWords(harm, inquiry.zone);
    // Where nothing was logged since, "none is logged yet" would not be true of the log as a whole.
    return {
      ...finding,
      because: finding.deciding.length === 0 ? harmed : `${harmed} ${finding.because}`,
    };
  };
  const barred = noDoseBecause(history, at);
  // No voice advises a dose while something else stands, is on its way, or is missing.
  const advised = (finding: Finding): Finding =>
    finding.doses && barred !== null ? { ...finding, settle: barred } : finding;
  const judge =
    (role: CriterionRole) =>
    (id: RuleId): Criterion => ({
      id,
      title: TITLES[id],
      role,
      ...advised(find(id)),
    });
  const criteria: Criterion[] = [
    ...[...SHARED_BEFORE, ...doneRule.criteria, ...SHARED_AFTER].map(judge('cycle')),
    ...doneRule.supports.map(judge('supports')),
    ...GATES.map(judge('gate')),
  ];
  const allMet = (role: CriterionRole) =>
    criteria.every((criterion) => criterion.role !== role || criterion.state === 'met');
  const granted = allMet('cycle');
  // Calling a tank running proves nothing: what the forecast says is asked of it as well.
  if (granted) {
    const id = 'forecastAgrees';
    criteria.push({
      id,
      title: TITLES[id],
      role: 'cycle',
      ...advised(agreement(history, assurance)),
    });
  }
  const cycled = allMet('cycle');
  const proof = cycled ? null : proofOf(history, at, criteria, assurance);
  return {
    tankId: history.tankId,
    at,
    until: verdictHoldsUntil(history, at),
    doneRule: doneRule.id,
    granted,
    cycled,
    ready: cycled && allMet('gate'),
    word: cycled
      ? 'ready'
      : hasAnimals(history)
        ? 'watch'
        : proof === null
          ? 'not yet'
          : 'one test to go',
    proof,
    lasts: cycled ? lastsWords(history, assurance) : '',
    readyFor: cycled ? firstLoadOf(assurance) : null,
    criteria,
  };
}
