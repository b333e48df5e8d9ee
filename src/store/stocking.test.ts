import { demoLog } from '../core/demo/demoLog';
import { infer, type CycleProblem, type Posterior } from '../core/cycle/forecast';
import { DAY_MS, dayOf } from '../core/time/zone';
import { testServices } from '../testing/services';
import { RUNS } from '../workers/jobs/runs';
import type { Jobs } from '../workers/jobs/client';
import { ticked } from './clockSlice';
import { jobBegun, jobForgotten } from './computedSlice';
import { openLog } from './open';
import { recordAct } from './record';
import { selectTanks } from './selectors';
import { askAdd, renewPlan } from './stocking';
import { createStore, type AppStore } from './store';

const NOW = Date.parse('2026-11-24T12:20:00Z');

/** Jobs of which an inference waits to be told, and the rest is done at once. */
class HeldInference implements Jobs {
  readonly inferred: CycleProblem[] = [];
  plans = 0;
  broken = false;
  private readonly answers: (() => void)[] = [];
  private heard: () => void = () => undefined;
  run: Jobs['run'] = async (job, input) => {
    if (this.broken) throw new Error('The worker stopped.');
    if (job === 'plan') this.plans += 1;
    if (job !== 'infer') return RUNS[job](input, () => undefined);
    const { problem } = input as { problem: CycleProblem };
    this.inferred.push(problem);
    const answer = new Promise<void>((go) => this.answers.push(go));
    this.heard();
    await answer;
    const posterior: Posterior = infer(problem, {
      seed: 1,
      particles: 20,
      otherParticles: 4,
      members: 20,
    });
    return posterior as never;
  };
  /** Once an inference has been asked for. */
  asked(): Promise<void> {
    return this.inferred.length > 0
      ? Promise.resolve()
      : new Promise((hear) => {
          this.heard = hear;
        });
  }
  async forget(): Promise<void> {}
  answerAll(): void {
    for (const answer of this.answers.splice(0)) answer();
  }
  cancel(): void {}
  stop(): void {}
}

async function opened(): Promise<{ store: AppStore; jobs: HeldInference; fulmar: string }> {
  const jobs = new HeldInference();
  const store = createStore(testServices(NOW, { jobs }));
  store.dispatch(ticked(NOW));
  await store.dispatch(openLog('demo', { make: demoLog, zone: 'UTC' }));
  const fulmar = selectTanks(store.getState()).find(({ body }) => body.name === 'Fulmar');
  if (!fulmar) throw new Error('no Fulmar');
  return { store, jobs, fulmar: fulmar.id };
}

const planOf = (store: AppStore, tankId: string) => store.getState().computed.plan[tankId];

describe('a plan and a question that come together', () => {
  it('wait for one inference, and both are answered', async () => {
    const { store, jobs, fulmar } = await opened();
    const plan = store.dispatch(renewPlan(fulmar));
    const question = store.dispatch(askAdd(fulmar, { species: 'firefish', count: 1 }));
    await jobs.asked();
    // Both have come as far as the filter bacteria by now, or ask for what the first was told.
    await new Promise((go) => setImmediate(go));
    jobs.answerAll();
    const answer = await question;
    await plan;
    expect(answer?.species).toBe('firefish');
    expect(planOf(store, fulmar)?.status).toBe('ready');
    expect(jobs.inferred).toHaveLength(1);
  });
});

describe('a plan', () => {
  it('that is known is not made again, and a changed wish makes it anew and says what moved', async () => {
    const { store, jobs, fulmar } = await opened();
    const first = store.dispatch(renewPlan(fulmar));
    await jobs.asked();
    jobs.answerAll();
    await first;
    await store.dispatch(renewPlan(fulmar));
    expect(jobs.plans).toBe(1);
    const [planned] = planOf(store, fulmar)?.value?.items ?? [];
    const wish = store.getState().log.wishes.find(({ id }) => id === planned?.wishId);
    if (!wish) throw new Error('nothing was planned');
    const pinned = dayOf((planned?.addOn.p50 ?? NOW) + 60 * DAY_MS, 'UTC');
    await store.dispatch(recordAct((act) => act.revise(wish, { ...wish.body, pinned })));
    await store.dispatch(renewPlan(fulmar));
    expect(jobs.plans).toBe(2);
    const moves = store.getState().computed.moves[fulmar]?.value ?? [];
    expect(moves.map(({ wishId }) => wishId)).toContain(wish.id);
    expect(jobs.inferred).toHaveLength(1);
  });

  it('is held against that of the last visit', async () => {
    const { store, jobs, fulmar } = await opened();
    const first = store.dispatch(renewPlan(fulmar));
    await jobs.asked();
    jobs.answerAll();
    await first;
    // Another visit begins without a plan.
    const visit = async () => {
      store.dispatch(jobForgotten({ name: 'plan', key: fulmar }));
      await store.dispatch(renewPlan(fulmar));
    };
    await visit();
    expect(jobs.plans).toBe(2);
    expect(store.getState().computed.moves[fulmar]).toBeUndefined();
    const [kept] = planOf(store, fulmar)?.value?.items ?? [];
    const wish = store.getState().log.wishes.find(({ id }) => id === kept?.wishId);
    if (!wish) throw new Error('nothing was planned');
    const pinned = dayOf((kept?.addOn.p50 ?? NOW) + 60 * DAY_MS, 'UTC');
    await store.dispatch(recordAct((act) => act.revise(wish, { ...wish.body, pinned })));
    await visit();
    const moves = store.getState().computed.moves[fulmar]?.value ?? [];
    expect(moves.map(({ wishId }) => wishId)).toContain(wish.id);
  });

  it('waits for a forecast under way, which brings the filter bacteria with it', async () => {
    const { store, jobs, fulmar } = await opened();
    store.dispatch(jobBegun({ name: 'forecast', key: fulmar, asked: 'x' }));
    await store.dispatch(renewPlan(fulmar));
    expect(jobs.inferred).toHaveLength(0);
    expect(planOf(store, fulmar)).toBeUndefined();
  });

  it('says that it failed where the worker stopped, and is asked for again by a later one', async () => {
    const { store, jobs, fulmar } = await opened();
    jobs.broken = true;
    await store.dispatch(renewPlan(fulmar));
    expect(planOf(store, fulmar)).toMatchObject({ status: 'failed', value: null });
    await expect(store.dispatch(askAdd(fulmar, { species: 'firefish', count: 1 }))).rejects.toThrow(
      'The worker stopped.',
    );
    jobs.broken = false;
    const again = store.dispatch(renewPlan(fulmar));
    await jobs.asked();
    jobs.answerAll();
    await again;
    expect(planOf(store, fulmar)?.status).toBe('ready');
  });
});
