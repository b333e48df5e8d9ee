import { isOwnTest } from '../core/monitor/ownTests';
import { BESIDE_MS, besideWords, type Judged } from '../core/monitor/slip';
import type { Reading } from '../core/history/reading';
import type { TankHistory } from '../core/history/tankHistory';
import type { ParameterId } from '../core/parameters/registry';
import { PARAMETERS } from '../core/parameters/registry';
import { toCanonical } from '../core/parameters/convert';
import { meterKit } from '../core/records/kitTemplates';
import type { Kit } from '../core/records/schema/kit';
import { isoInZone } from '../core/time/zone';
import { countOf } from '../core/units/format';
import { recordAct } from './record';
import type { AppThunk } from './state';

type Kept = Judged & { parameter: ParameterId; value: number; unit: NonNullable<Judged['unit']> };
const isKept = (one: Judged): one is Kept =>
  one.kept && one.parameter !== null && one.value !== null && one.unit !== null;

/** The kit that stands for a shop's figures of a parameter: it names none, so it is taken to be off by a good deal. */
function shopKit({ parameter, unit, accuracy, value }: Kept, order: number): Kit {
  // As many digits as stand on the slip, however few of them can be relied on.
  const decimals = Math.min(4, String(value).split('.')[1]?.length ?? 0);
  return meterKit(
    parameter,
    `${PARAMETERS[parameter].name}, a shop`,
    unit,
    { resolution: Number(`1e-${decimals}`), accuracy },
    { order, readBy: 'shop' },
  );
}

/** Brings a slip in: a reading for each figure that is kept, at the hour the water was drawn, apart from one's own kits. */
export function bringSlip(
  judged: readonly Judged[],
  tankId: string,
  zone: string,
  drawnAt: number,
): AppThunk<Promise<boolean>> {
  return async (dispatch, getState) => {
    const kept = judged.filter(isKept);
    if (kept.length === 0) return false;
    const { saved } = await dispatch(
      recordAct(
        (act) => {
          // Two figures of one test on a slip are of one kit.
          const made = new Map<string, { id: string; accuracy: number }>();
          kept.forEach((one, n) => {
            const known = getState().log.kits.find(
              ({ body }) =>
                body.readBy === 'shop' &&
                body.parameter === one.parameter &&
                body.unit === one.unit,
            );
            const key = `${one.parameter} ${one.unit}`;
            const kit =
              made.get(key) ??
              (known?.body.scale.form === 'digital'
                ? { id: known.id, accuracy: known.body.scale.accuracy }
                : { id: act.create('kit', shopKit(one, 2000 + n)), accuracy: one.accuracy });
            made.set(key, kit);
            // A large figure may be off by more than the kit that stands for smaller ones.
            const wide =
              kit.accuracy < one.accuracy
                ? {
                    minutes: 1,
                    low: Math.max(0, one.value - one.accuracy),
                    high: one.value + one.accuracy,
                  }
                : null;
            const spread = one.spread ?? wide;
            act.create('entry', {
              kind: 'reading',
              tankId,
              at: isoInZone(drawnAt, zone),
              parameter: one.parameter,
              kitId: kit.id,
              value: { form: 'digital', value: one.value, unit: one.unit },
              dilution: 1,
              ...(spread ? { spread } : {}),
            });
          });
        },
        `Brought in ${countOf(kept.length, 'figure')} of a shop`,
      ),
    );
    return saved;
  };
}

/** What a shop's figures say beside one's own of about the same time. */
export function besideOwn(
  judged: readonly Judged[],
  history: TankHistory,
  drawnAt: number,
  kitOf: (id: string) => Kit | undefined,
): string[] {
  return judged.filter(isKept).flatMap((one) => {
    const own = history.readings[one.parameter]
      .filter((reading: Reading) => isOwnTest(reading, kitOf(reading.kitId)))
      .filter(({ at }) => Math.abs(at - drawnAt) <= BESIDE_MS)
      .sort((a, b) => Math.abs(a.at - drawnAt) - Math.abs(b.at - drawnAt))[0];
    if (!own) return [];
    const shop = toCanonical(one.value, one.unit);
    const off = toCanonical(one.value + one.accuracy, one.unit) - shop;
    const ownOff = Math.min((own.range.high - own.range.low) / 2, Math.abs(own.best));
    return [besideWords(one.parameter, shop, own.best, Math.abs(off) / 2 + ownOff)];
  });
}
