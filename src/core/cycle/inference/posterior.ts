import * as z from 'zod';
import type { CycleParameters } from '../kinetics/parameters';
import type { CycleState } from '../kinetics/state';
import type { CycleProblem } from '../problem/types';
import type { Ensemble, HypothesisFit, Member } from './ensemble';
import { hypothesesFor, type Hypothesis } from './hypotheses';

const doubles = z.custom<Float64Array>((value) => value instanceof Float64Array);

/** The particles of one story: `count` of `size` numbers each, and what the story weighs. */
const storySchema = z.object({
  particles: doubles,
  count: z.int().min(1),
  size: z.int().min(1),
  logEvidence: z.number(),
  probability: z.number().min(0).max(1),
});

const packSchema = z.object({
  /** In the order of the problem's hypotheses. */
  stories: z.array(storySchema).min(1),
  /** What each member of the ensemble is like and where it stands: rows of MEMBER_NUMBERS and two per kit. */
  members: doubles,
  count: z.int().min(1),
});
type Pack = z.infer<typeof packSchema>;

/** What a problem must have for a posterior of it to be worked with. */
const problemShape = z.looseObject({
  tankId: z.string(),
  origin: z.number(),
  at: z.number(),
  steps: z.int().positive(),
  stepsPerDay: z.int().positive(),
  additions: z.array(z.looseObject({ step: z.int().min(0) })),
  observations: z.array(z.looseObject({ index: z.int().min(0), kit: z.int().min(0) })),
  kits: z.array(z.looseObject({ id: z.string() })),
});
export const problemSchema = z.custom<CycleProblem>(
  (value) => problemShape.safeParse(value).success,
);

/**
 * What the readings say of a tank, packed: plain data that crosses to a worker and back, so that
 * ending a worker loses nothing and each later question begins here. A few hundred kB at most.
 */
export const posteriorSchema = z.object({
  problem: problemSchema,
  seed: z.int().min(0),
  /** By all readings as they are. */
  trusting: packSchema,
  /** By readings that count less, because no story explains them; null where one does. */
  steppedBack: packSchema.nullable(),
});
export type Posterior = z.infer<typeof posteriorSchema>;

const PARAMETERS = [
  'growthA',
  'growthB',
  'halfA',
  'halfB',
  'inhibition',
  'decayA',
  'decayB',
  'mineralisation',
  'denitrification',
  'uptake',
  'ceiling',
  'capacityA',
  'capacityB',
  'organic',
  'lag',
  'awake',
] as const satisfies readonly (keyof CycleParameters)[];
const STATE = [
  'ammonia',
  'nitrite',
  'nitrate',
  'organic',
  'alkalinity',
  'capacityA',
  'capacityB',
  'awake',
] as const satisfies readonly (keyof CycleState)[];
const OWN = [
  'strength',
  'spread',
  'free',
  'fish',
  'particle',
] as const satisfies readonly (keyof Member)[];
/** Numbers of one member, before those of its kits: its story, parameters, state and own factors. */
const MEMBER_NUMBERS = 1 + PARAMETERS.length + STATE.length + OWN.length;

/** Bytes of a posterior's numbers. */
export function posteriorBytes({ trusting, steppedBack }: Posterior): number {
  const bytes = (pack: Pack | null) =>
    pack === null
      ? 0
      : pack.members.byteLength + pack.stories.reduce((sum, s) => sum + s.particles.byteLength, 0);
  return bytes(trusting) + bytes(steppedBack);
}

/** Packs an ensemble. */
export function packEnsemble(ensemble: Ensemble): Pack {
  const { fits, members, problem } = ensemble;
  const kits = problem.kits.length;
  const width = MEMBER_NUMBERS + 2 * kits;
  const numbers = new Float64Array(width * members.length);
  const story = new Map(fits.map((fit, index) => [fit.hypothesis.id, index]));
  members.forEach((member, row) => {
    let at = row * width;
    const put = (value: number) => {
      numbers[at] = value;
      at += 1;
    };
    put(story.get(member.hypothesis) ?? 0);
    for (const name of PARAMETERS) put(member.parameters[name]);
    for (const name of STATE) put(member.now[name]);
    for (const name of OWN) put(member[name]);
    for (let kit = 0; kit < kits; kit += 1) put(member.bias[kit] ?? 1);
    for (let kit = 0; kit < kits; kit += 1) put(member.offset[kit] ?? 0);
  });
  return {
    stories: fits.map(({ sample, probability }) => ({
      particles: sample.particles,
      count: sample.count,
      size: sample.size,
      logEvidence: sample.logEvidence,
      probability,
    })),
    members: numbers,
    count: members.length,
  };
}

function zeros<T extends string>(names: readonly T[]): Record<T, number> {
  const values: Partial<Record<T, number>> = {};
  for (const name of names) values[name] = 0;
  return values as Record<T, number>;
}

/** The members of a packed ensemble, as they were. */
export function unpackMembers(problem: CycleProblem, pack: Pack): Member[] {
  const kits = problem.kits.length;
  const width = MEMBER_NUMBERS + 2 * kits;
  const hypotheses = hypothesesFor(problem);
  return Array.from({ length: pack.count }, (_, row) => {
    let at = row * width;
    const take = () => {
      at += 1;
      return pack.members[at - 1] ?? 0;
    };
    const story: Hypothesis | undefined = hypotheses[take()];
    const parameters: CycleParameters = zeros(PARAMETERS);
    for (const name of PARAMETERS) parameters[name] = take();
    const now: CycleState = zeros(STATE);
    for (const name of STATE) now[name] = take();
    const own = zeros(OWN);
    for (const name of OWN) own[name] = take();
    return {
      hypothesis: story?.id ?? 'nothingUnusual',
      parameters,
      now,
      ...own,
      bias: Float64Array.from({ length: kits }, take),
      offset: Float64Array.from({ length: kits }, take),
    };
  });
}

/** The stories of a packed ensemble, with what is not kept of their sampling left empty. */
export function unpackFits(problem: CycleProblem, pack: Pack): HypothesisFit[] {
  return hypothesesFor(problem).flatMap((hypothesis, index) => {
    const story = pack.stories[index];
    if (!story) return [];
    const { particles, count, size, logEvidence, probability } = story;
    const sample = {
      particles,
      count,
      size,
      logEvidence,
      logLikelihood: new Float64Array(0),
      temperatures: [],
      accepted: 0,
    };
    return [{ hypothesis, sample, probability }];
  });
}
