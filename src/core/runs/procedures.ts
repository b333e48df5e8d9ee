import { acclimate } from './procedures/acclimate';
import { build } from './procedures/build';
import { calibrate } from './procedures/calibrate';
import { anemoneInPump } from './emergency/anemoneInPump';
import { ammoniaSpike } from './emergency/ammoniaSpike';
import { contaminant } from './emergency/contaminant';
import { fishOnFloor } from './emergency/fishOnFloor';
import { heaterFault } from './emergency/heaterFault';
import { hotRoom } from './emergency/hotRoom';
import { leak } from './emergency/leak';
import { overdose } from './emergency/overdose';
import { personHurt } from './emergency/personHurt';
import { powerCut } from './emergency/powerCut';
import { salinitySwing } from './emergency/salinitySwing';
import { fill } from './procedures/fill';
import { loss } from './procedures/loss';
import { mix } from './procedures/mix';
import { closeTank, moveTank } from './procedures/moveTank';
import { outbreak } from './procedures/outbreak';
import { given, type Procedure } from './procedure';
import { waterChange } from './procedures/waterChange';

/** The waiting times of a test session's tests, each a clock of its own. */
const testWait: Procedure = {
  name: 'Test waits',
  also: null,
  begins: { form: 'reading', label: 'Open the test' },
  steps: [
    {
      id: 'read',
      kind: 'wait',
      title: 'Wait, then read',
      text: 'Read each vial when its time is up, and log what they read.',
      opens: { form: 'reading', label: 'Log the test' },
    },
  ],
  clockName: (run, clock) => given(run, clock, 'A test'),
  rings: (run, clock) => `${given(run, clock, 'A test')}: read it now`,
};

/** A challenge: the dose, the wait, the test at its end. */
const challenge: Procedure = {
  name: 'Challenge',
  also: null,
  begins: { screen: 'challenge', label: 'See whether it is safe' },
  steps: [
    {
      id: 'dose',
      kind: 'check',
      title: 'Dose ammonia',
      text: (run) => `Ammonia, ${given(run, 'size', 'the usual dose')}, where water moves.`,
    },
    {
      id: 'wait',
      kind: 'wait',
      title: 'Let it work',
      text: 'Change no water meanwhile. This page may be closed.',
    },
    {
      id: 'test',
      kind: 'check',
      title: 'Test both now',
      text: 'Test ammonia and nitrite. A test within two hours still counts.',
      opens: { form: 'reading', label: 'Log the test' },
    },
  ],
  clockName: () => 'Challenge',
  rings: () => 'The challenge is over: test ammonia and nitrite now',
};

/** Counting the drops of a dose. */
const drops: Procedure = {
  name: 'Counting drops',
  also: null,
  begins: { screen: 'dose', label: 'Work out the dose' },
  steps: [
    {
      id: 'count',
      kind: 'count',
      title: 'Count the drops',
      text: (run) => `${given(run, 'target', 'Some')} drops.`,
      opens: { screen: 'dose', label: 'Go on counting' },
    },
  ],
  clockName: () => 'Drops',
  rings: () => 'That is all of them',
};

/** Every procedure there is. */
export const PROCEDURES = {
  testWait,
  challenge,
  drops,
  build,
  mix,
  fill,
  calibrate,
  loss,
  outbreak,
  acclimate,
  waterChange,
  moveTank,
  closeTank,
  personHurt,
  ammoniaSpike,
  leak,
  powerCut,
  heaterFault,
  salinitySwing,
  hotRoom,
  contaminant,
  overdose,
  anemoneInPump,
  fishOnFloor,
};

/** The procedures of emergencies, the one for people first. */
export function emergencies(): { id: ProcedureId; name: string; sign: string }[] {
  const all: Record<string, Procedure> = PROCEDURES;
  return Object.entries(all)
    .flatMap(([id, { name, urgent }]) =>
      urgent && isProcedure(id) ? [{ id, name, ...urgent }] : [],
    )
    .sort((a, b) => a.order - b.order);
}

export type ProcedureId = keyof typeof PROCEDURES;

export function isProcedure(name: string): name is ProcedureId {
  return Object.hasOwn(PROCEDURES, name);
}
