import { SALT_YIELD } from '@/core/units/constants';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import * as z from 'zod';
import { isHere, rosterOf } from '@/core/livestock/roster/roster';
import { gapOf, gapWords, KEPT, moveWater, type Gap, type KeptId } from '@/core/moving/plan';
import { upkeepOf } from '@/core/maintenance/load';
import { upkeepOfNew } from '@/core/maintenance/upkeepOfNew';
import { countOf, formatPlain } from '@/core/units/format';
import { aboutSpan } from '@/core/units/duration';
import { linearFromCanonical } from '@/core/units/units';
import { saltYield } from '@/core/water/learned';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { selectForecastStanding, selectHistory, selectPlan } from '@/store/inView';
import { loadStocking } from '@/store/plans';
import { beginRun, selectLiveRuns } from '@/store/runs';
import { selectSettings } from '@/store/selectors';
import { OptionList } from '@/ui/Choice';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { MovedPart } from './MovedPart';
import { litresTyped, NetWater } from './NetWater';
import { useMaintenance } from './useMaintenance';

const draftSchema = z.object({
  litres: z.string(),
  kept: z.enum(['all', 'rockAndMedia', 'rock', 'sponge']),
});
const EMPTY: z.infer<typeof draftSchema> = { litres: '', kept: 'rockAndMedia' };
const KEPT_IDS = ['rockAndMedia', 'all', 'rock', 'sponge'] as const satisfies readonly KeptId[];

/** Moving the tank in view to another: the filter's gap, the water, the work, and the order. */
export function MoveScreen() {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const measured = useMeasures();
  const history = useAppSelector(selectHistory);
  const { volumeUnit } = useAppSelector(selectSettings);
  const live = useAppSelector(selectLiveRuns).find(
    ({ body }) => body.tankId === history?.tankId && body.procedure === 'moveTank',
  );
  const maintenance = useMaintenance();
  const [draft, setDraft] = useDraft(`moving/${history?.tankId ?? ''}`, draftSchema, EMPTY);
  const litres = litresTyped(draft.litres, volumeUnit);
  const gap = useGap(draft.kept, litres);
  const cohorts = useMemo(() => (history ? rosterOf(history).filter(isHere) : []), [history]);
  if (!history) return null;
  const animals = cohorts.reduce((sum, { here }) => sum + (here ?? 1), 0);
  const { netLitres, tank } = history;
  // Whoever moves house takes the tank along.
  const own = formatPlain(linearFromCanonical(netLitres, volumeUnit), 0);
  const water = litres === null ? null : moveWater(netLitres, litres);
  const perLitre = saltYield(history)?.value ?? SALT_YIELD;
  const now = upkeepOf(history, maintenance);
  const after = litres === null ? null : upkeepOfNew(history, litres, tank.volume.sump !== null);
  const opening = openingOf(litres, gap);
  return (
    <Screen head={<BackHead title="Move" aside={tank.name} />}>
      <Opening title={opening.title}>{opening.text}</Opening>
      <NetWater
        label="Net water of the new tank"
        unit={volumeUnit}
        value={draft.litres}
        onChange={(text) => setDraft({ ...draft, litres: text })}
      />
      {litres === null ? (
        <LinkButton
          soft
          label={`It is the same tank: ${own} ${volumeUnit}`}
          onPress={() => setDraft({ ...draft, litres: own })}
        />
      ) : null}
      <View style={{ gap: 4 }}>
        <SectionHead title="What comes along" end="shares are an assumption" />
        <OptionList
          label="What comes along"
          value={draft.kept}
          onChange={(kept) => setDraft({ ...draft, kept })}
          options={KEPT_IDS.map((value) => ({
            value,
            label: `${KEPT[value].label}: about ${formatPlain(KEPT[value].share * 100, 0)} % of the filter bacteria`,
            note: KEPT[value].note,
          }))}
        />
      </View>
      <Remark tone="caution" title="Old sand">
        It is never moved unrinsed with animals present: stirred, it lets go hydrogen sulfide and
        ammonia, which kill within the hour.
      </Remark>
      {water === null || after === null ? null : (
        <View style={{ gap: 8 }}>
          <SectionHead title="What it takes" />
          <Words as="body">
            {measured(
              `Mix ${formatPlain(water.fresh, 0)} L of salt water beforehand, about ${formatPlain((water.fresh * perLitre) / 1000, 1)} kg of salt, and bring ${formatPlain(water.old, 0)} L of clear old water.`,
            )}
          </Words>
          <Words as="body">
            {measured(
              `Upkeep goes from ${aboutSpan(now.minutes)} and ${formatPlain(now.litres, 0)} L a week to about ${aboutSpan(after.minutes)} and ${formatPlain(after.litres, 0)} L.`,
            )}
          </Words>
          <Words as="body">
            {cohorts.length === 0
              ? 'No animal is on record here.'
              : `${countOf(animals, 'animal')} move${animals === 1 ? 's' : ''}: corals out first, then rock, then fish; in go fish, clean-up crew, corals.`}
          </Words>
        </View>
      )}
      {live ? (
        <Button
          kind="primary"
          label="Go on with the move"
          onPress={() => router.push(to.run(live.id))}
        />
      ) : (
        <Button
          kind="primary"
          label="Begin the move"
          disabled={litres === null || water === null}
          onPress={() => {
            if (litres === null || water === null) return;
            const given = {
              litres: Math.round(litres),
              old: Math.round(water.old),
              fresh: Math.round(water.fresh),
              kept: draft.kept,
            };
            void dispatch(beginRun('moveTank', history.tankId, given)).then(() =>
              router.push(to.run('moveTank')),
            );
          }}
        />
      )}
      <MovedPart history={history} cohorts={cohorts} />
    </Screen>
  );
}

/** The first sentence: the gap once it is known, else what is asked or waited for. */
function openingOf(
  litres: number | null,
  { gap, none }: KnownGap,
): { title: string; text: string } {
  if (gap) return gapWords(gap);
  if (litres === null) {
    return {
      title: 'How large is the new tank?',
      text: 'Its net water; the rest is worked out from what lives here and what carries it.',
    };
  }
  return none
    ? {
        title: 'The filter cannot be judged.',
        text: 'There is no animal in this tank yet, or no test that shows its filter bacteria.',
      }
    : { title: 'Looking ahead.', text: 'With what comes along, and who lives here.' };
}

/** What is known of the gap; `none` where nothing ever will be. */
interface KnownGap {
  gap: Gap | null;
  none: boolean;
}

/** The filter's gap for what comes along; asked of the model when either answer changes. */
function useGap(kept: KeptId, litres: number | null): KnownGap {
  const dispatch = useAppDispatch();
  const history = useAppSelector(selectHistory);
  const plan = useAppSelector(selectPlan);
  const [known, setKnown] = useState<{ of: string; gap: Gap | null } | null>(null);
  const tankId = history?.tankId ?? null;
  const nitrogen = plan?.load.now ?? null;
  const net = history?.netLitres ?? 0;
  const of = `${tankId}/${kept}/${litres}/${nitrogen}`;
  const planning = useAppSelector((state) => state.computed.plan[tankId ?? '']?.status);
  const foretelling = useAppSelector(selectForecastStanding)?.status;
  useEffect(() => {
    // A forecast that is under way brings the filter bacteria with it.
    if (tankId === null || nitrogen !== null || planning === 'failed') return;
    if (foretelling === 'running') return;
    void loadStocking().then(({ renewPlan }) => dispatch(renewPlan(tankId)));
  }, [tankId, nitrogen, planning, foretelling, dispatch]);
  useEffect(() => {
    if (tankId === null || litres === null || nitrogen === null) return;
    let stale = false;
    void loadStocking()
      .then(({ askGap }) => dispatch(askGap(tankId, KEPT[kept].share, nitrogen)))
      .then((carried) => {
        if (stale) return;
        setKnown({ of, gap: carried && nitrogen > 0 ? gapOf(carried, net / litres) : null });
      });
    return () => {
      stale = true;
    };
  }, [tankId, kept, litres, nitrogen, net, of, dispatch]);
  const current = known?.of === of ? known : null;
  return {
    gap: current?.gap ?? null,
    none: planning === 'failed' || (current !== null && current.gap === null),
  };
}
