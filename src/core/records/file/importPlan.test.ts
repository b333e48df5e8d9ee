import {
  createRecord,
  EMPTY_LOG,
  kitFrom,
  mergeRevisions,
  METRIC_SETTINGS,
  planImport,
  SETTINGS_ID,
  US_SETTINGS,
  type Revision,
} from '../..';
import { onDay, testId } from '../../../testing/logBuilder';

const stamp = (n: number) => ({
  actId: testId(9000 + n),
  device: 'other',
  recordedAt: new Date(onDay(n)).toISOString(),
});
const kit = (n: number, name = `Kit ${n}`) =>
  createRecord(stamp(n), testId(n), 'kit', { ...kitFrom('ammoniaCard', n), name });
const settings = (n: number, body = METRIC_SETTINGS) =>
  createRecord(stamp(n), SETTINGS_ID, 'settings', body);
const log = (...revisions: Revision[]) => mergeRevisions(EMPTY_LOG, revisions);

describe('an import', () => {
  it('adds what is new and nothing that is here', () => {
    const plan = planImport(log(kit(1), kit(2)), [kit(2), kit(3)]);
    expect(plan.fresh.map((r) => r.id)).toEqual([testId(3)]);
    expect(plan.differing).toEqual([]);
    expect(plan.merged.kits).toHaveLength(3);
  });

  it('names a record that claims to be one of here and says something else, and leaves it out', () => {
    const plan = planImport(log(kit(1)), [kit(1, 'Changed by hand')]);
    expect(plan.fresh).toEqual([]);
    expect(plan.differing).toHaveLength(1);
    expect(plan.merged.kits[0]?.body.name).toBe('Kit 1');
  });

  it('takes a record whose fields stand in another order for the same', () => {
    const here = kit(1);
    const body = Object.fromEntries(Object.entries(here.body).reverse()) as typeof here.body;
    expect(planImport(log(here), [{ ...here, body }])).toMatchObject({ fresh: [], differing: [] });
  });

  it('says what becomes of the settings, and never replaces them', () => {
    expect(planImport(log(kit(1)), [kit(2)]).settings).toBe('none');
    expect(planImport(log(kit(1)), [settings(2)]).settings).toBe('taken');
    expect(planImport(log(settings(2)), [settings(2)]).settings).toBe('same');
    const own = planImport(log(settings(5, US_SETTINGS)), [settings(2)]);
    expect(own.settings).toBe('left');
    expect(own.merged.settings[0]?.body).toEqual(US_SETTINGS);
  });
});
