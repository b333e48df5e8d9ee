import { normalCdf } from '../../math/normal';
import type { Environment } from '../kinetics/environment';
import { packEvents, type PackedEvents } from '../kinetics/events';
import type { CycleParameters } from '../kinetics/parameters';
import { courseFor, runCycle, type CycleCourse } from '../kinetics/run';
import type { CycleState } from '../kinetics/state';
import { pastEnvironment } from '../problem/conditions';
import type { CycleProblem, Nitrogen, Observation, ProblemKit } from '../problem/types';
import { layoutOf, type Coordinate, type Layout } from './coordinates';
import type { Hypothesis } from './hypotheses';
import { legsOf, type Leg, type Sight } from './legs';
import { BLUNDER_SHARE, chanceFor, readerOf } from './reading';

// Bound once: looking them up in every step is slow where globals are watched over, as in tests.
const { exp, floor, log, max, min, sqrt } = Math;

/**
 * A problem under one hypothesis, ready to be run thousands of times: everything that a run needs
 * stands in arrays made once.
 */
export class CycleModel {
  readonly layout: Layout;
  readonly coordinates: Coordinate[];
  readonly size: number;
  readonly environment: Environment;
  readonly course: CycleCourse;
  readonly parameters: CycleParameters;
  /** Of the particle last run: kit units are mg N/L × perN × bias + offset. */
  readonly bias: Float64Array;
  readonly offset: Float64Array;
  /** Strength of the keeper's doses against their label. */
  strength = 1;
  /** Factor on the spread with which it is taken to read cards. */
  spread = 1;
  /** Its share of free ammonia against that of the pH on record, and what its fish make. */
  freeFactor = 1;
  fish = 1;
  private readonly values: Float64Array;
  private readonly base: PackedEvents;
  private readonly events: PackedEvents;
  private readonly start: CycleState;
  private readonly lastIndex: number;
  private readonly series: Record<Nitrogen, Float64Array>;
  private readonly legs: Leg[];

  constructor(
    readonly problem: CycleProblem,
    readonly hypothesis: Hypothesis,
    environment?: Environment,
  ) {
    this.layout = layoutOf(problem);
    this.coordinates = [...this.layout.coordinates, ...hypothesis.extra];
    this.size = this.coordinates.length;
    this.environment = environment ?? pastEnvironment(problem);
    this.course = courseFor(this.environment);
    this.values = new Float64Array(this.size);
    this.bias = new Float64Array(problem.kits.length);
    this.offset = new Float64Array(problem.kits.length);
    // One place more than there are additions, for what a hypothesis adds.
    this.base = packEvents(problem.additions);
    this.events = packEvents([...problem.additions, { step: Infinity }]);
    this.lastIndex = problem.observations.reduce((last, o) => max(last, o.index), 0);
    this.series = this.course;
    this.legs = legsOf(problem.observations.map((o) => this.sightOf(o)));
    this.start = {
      ammonia: 0,
      nitrite: 0,
      nitrate: 0,
      organic: 0,
      alkalinity: 0,
      capacityA: 0,
      capacityB: 0,
      awake: 1,
    };
    this.parameters = {
      growthA: 0,
      growthB: 0,
      halfA: 0,
      halfB: 0,
      inhibition: 0,
      decayA: 0,
      decayB: 0,
      mineralisation: 0,
      denitrification: 0,
      uptake: 0,
      lag: 1,
      ceiling: 0,
      capacityA: 0,
      capacityB: 0,
      organic: 0,
      awake: 1,
    };
  }

  /** exp of each coordinate of a particle, those that go together joined. */
  private evaluate(z: Float64Array, at: number): Float64Array {
    const { values, coordinates } = this;
    for (let i = 0; i < coordinates.length; i += 1) {
      const c = coordinates[i] as Coordinate;
      let own = z[at + i] as number;
      if (c.with) {
        const { index, correlation } = c.with;
        own = correlation * (z[at + index] as number) + sqrt(1 - correlation * correlation) * own;
      }
      values[i] = exp(c.logMedian + c.sd * own);
    }
    return values;
  }

  private fillParameters(v: Float64Array): void {
    const { layout: l, parameters: p, start, problem } = this;
    const at = (index: number) => v[index] as number;
    p.growthA = at(l.growthA);
    p.growthB = at(l.growthB);
    p.halfA = at(l.halfA);
    p.halfB = at(l.halfB);
    this.freeFactor = at(l.free);
    this.fish = l.fish < 0 ? 1 : at(l.fish);
    // More of the ammonia free is the same to the filter bacteria as being harmed by less of it.
    p.inhibition = at(l.inhibition) / this.freeFactor;
    p.decayA = at(l.decayA);
    p.decayB = at(l.decayB);
    p.mineralisation = at(l.mineralisation);
    p.denitrification = at(l.denitrification);
    p.uptake = at(l.uptake);
    p.ceiling = at(l.ceiling);
    p.lag = at(l.lag);
    p.awake = problem.seed.awake;
    p.capacityA = at(l.capacityA);
    p.capacityB = at(l.capacityB);
    p.organic = at(l.organic);
    start.nitrate = at(l.nitrate);
    start.organic = p.organic;
    start.ammonia = l.standingA < 0 ? 0 : at(l.standingA);
    start.nitrite = l.standingB < 0 ? 0 : at(l.standingB);
    start.alkalinity = at(l.alkalinity);
    start.awake = p.awake;
    this.spread = at(l.spread);
    start.capacityA = p.capacityA;
    start.capacityB = p.capacityB;
    for (let kit = 0; kit < problem.kits.length; kit += 1) {
      this.bias[kit] = at(l.bias + kit);
      this.offset[kit] = at(l.offset + kit) * (problem.kits[kit]?.half ?? 0);
    }
  }

  /** The additions as this particle has them, with what its hypothesis adds in its place. */
  private fillEvents(z: Float64Array, zAt: number, v: Float64Array): void {
    const { base, events, layout: l, hypothesis, problem, environment } = this;
    const value = (index: number) => (index < 0 ? 1 : (v[index] as number));
    let latentStep = Infinity;
    let latentAmmonia = 0;
    let latentSurvival = 1;
    let strength = value(l.doses);
    let alive = 1;
    const extra = l.extra;
    switch (hypothesis.id) {
      case 'weakDose':
        strength *= value(extra);
        break;
      case 'deadBottle':
        alive = value(extra);
        break;
      case 'filterBacteriaHarmed':
      case 'unloggedDose': {
        const share = normalCdf(z[zAt + extra] as number);
        latentStep = floor(share * max(1, this.lastIndex));
        if (hypothesis.id === 'unloggedDose') latentAmmonia = value(extra + 1);
        else latentSurvival = min(1, value(extra + 1));
        break;
      }
      case 'ammoniaKit':
      case 'nitriteKit': {
        const kit = hypothesis.kit;
        this.bias[kit] = value(extra);
        this.offset[kit] = value(extra + 1) * (problem.kits[kit]?.half ?? 0);
        break;
      }
      case 'ammoniaKitDead':
      case 'nitriteKitDead':
      case 'nothingUnusual':
    }
    this.strength = strength;
    let to = 0;
    for (let from = 0; from <= base.count; from += 1) {
      const step = from < base.count ? (base.step[from] as number) : Infinity;
      if (latentStep <= step && latentStep < environment.steps) {
        events.step[to] = latentStep;
        events.replaced[to] = 0;
        events.newAmmonia[to] = 0;
        events.newAlkalinity[to] = NaN;
        events.ammonia[to] = latentAmmonia;
        events.organic[to] = 0;
        events.organicKept[to] = 1;
        events.alkalinityIs[to] = NaN;
        events.alkalinity[to] = 0;
        events.capacityA[to] = 0;
        events.capacityB[to] = 0;
        events.asleep[to] = 0;
        events.survival[to] = latentSurvival;
        to += 1;
        latentStep = Infinity;
      }
      if (from === base.count) break;
      const own = l.own[from] as number;
      const ownFactor = own < 0 ? 1 : (v[own] as number);
      const source = problem.additions[from]?.source;
      let nitrogen = 1;
      let seedA = 1;
      let seedB = 1;
      let survival = base.survival[from] as number;
      if (source === 'doses') nitrogen = strength * ownFactor;
      else if (source === 'organics') nitrogen = value(l.organics);
      else if (source === 'fish') nitrogen = value(l.fish);
      else if (source === 'bottle') {
        seedA = value(l.bottleA) * alive;
        seedB = value(l.bottleB) * alive;
      } else if (source === 'media') {
        seedA = value(l.mediaA);
        seedB = value(l.mediaB);
      } else if (source === 'kill') survival = min(1, survival * ownFactor);
      events.step[to] = step;
      events.replaced[to] = base.replaced[from] as number;
      events.newAmmonia[to] = base.newAmmonia[from] as number;
      const fresh = base.newAlkalinity[from] as number;
      events.newAlkalinity[to] =
        fresh === fresh || l.newSalt < 0 ? fresh : (v[l.newSalt] as number);
      events.ammonia[to] = (base.ammonia[from] as number) * nitrogen;
      events.organic[to] = (base.organic[from] as number) * nitrogen;
      events.organicKept[to] = base.organicKept[from] as number;
      events.alkalinityIs[to] = base.alkalinityIs[from] as number;
      events.alkalinity[to] = (base.alkalinity[from] as number) * nitrogen;
      events.capacityA[to] = (base.capacityA[from] as number) * seedA;
      events.capacityB[to] = (base.capacityB[from] as number) * seedB;
      events.asleep[to] = base.asleep[from] as number;
      events.survival[to] = survival;
      to += 1;
    }
    events.count = to;
  }

  /**
   * Runs one particle.
   * @param z particles, `size` numbers each; `at` where this one begins
   * @param until step to stop at
   */
  run(z: Float64Array, at: number, until = this.environment.steps): void {
    this.prepare(z, at);
    runCycle(this.parameters, this.environment, this.events, this.start, this.course, until);
  }

  private prepare(z: Float64Array, at: number): void {
    const values = this.evaluate(z, at);
    this.fillParameters(values);
    this.fillEvents(z, at, values);
  }

  /** What of a reading never changes from particle to particle. */
  private sightOf(o: Observation): Sight {
    const kit = this.problem.kits[o.kit] as ProblemKit;
    const { kit: suspect, deadAfter } = this.hypothesis;
    const isDead = deadAfter !== undefined && o.kit === suspect && o.index > deadAfter;
    return {
      series: this.series[o.parameter],
      index: o.index,
      kit: o.kit,
      // A dead kit shows nothing, whatever it is held in.
      scale: isDead ? 0 : kit.perN / o.dilution,
      reader: readerOf(kit, o),
      weight: o.weight,
      kept: 1 - o.blunder,
      blundered: o.blunder * BLUNDER_SHARE,
    };
  }

  /**
   * Log likelihood of a particle; runs no further than the last reading.
   * @param atLeast where it is sure to come out below this, −Infinity is said as soon as that is sure
   */
  logLikelihood(z: Float64Array, at: number, atLeast = -Infinity): number {
    this.prepare(z, at);
    const { parameters, environment, events, start, course } = this;
    let sum = 0;
    let from = 0;
    for (const { until, sights, mostAfter } of this.legs) {
      runCycle(parameters, environment, events, start, course, until, from);
      from = until;
      for (let i = 0; i < sights.length; i += 1) {
        const s = sights[i] as Sight;
        const shown =
          (s.series[s.index] as number) * s.scale * (this.bias[s.kit] as number) +
          (this.offset[s.kit] as number);
        sum += s.weight * log(s.kept * chanceFor(s.reader, shown, this.spread) + s.blundered);
      }
      if (sum + mostAfter < atLeast) return -Infinity;
    }
    return sum === sum ? sum : -Infinity;
  }
}
