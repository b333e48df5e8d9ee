import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { CAUTIONS } from '@/core/cautions';
import type { MethodOutcome } from '@/core/cycle/dosing/methods';
import {
  AMMONIA_SOURCES,
  SEEDINGS,
  type AmmoniaSource,
  type Seeding,
} from '@/core/records/schema/tank';
import { capitalise, formatPlain, formatSignificant } from '@/core/units/format';
import { isoInZone } from '@/core/time/zone';
import { recordAct } from '@/store/record';
import { selectHistory } from '@/store/inView';
import { selectNow, selectTank } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { compareMethods } from '@/store/methods';
import { BackHead } from '@/frame/BackHead';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice, OptionList, Tick } from '@/ui/Choice';
import { to } from '@/frame/addresses';
import { useRouter } from 'expo-router';
import { Button, LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { SEEDING_WORDS, SOURCE_WORDS } from './methodWords';

const keyOf = (source: AmmoniaSource, seeding: Seeding) => `${source}/${seeding}`;

const NO_OUTCOMES: MethodOutcome[] = [];

/** Every source with the seed chosen, played away from the screen. */
function useOutcomes(seeding: Seeding): Record<string, MethodOutcome> {
  const history = useAppSelector(selectHistory);
  const dispatch = useAppDispatch();
  const tankId = history?.tankId ?? '';
  const key = `${tankId}/${seeding}`;
  const outcomes = useAppSelector((state) => state.computed.methods[key]?.value ?? NO_OUTCOMES);
  useEffect(() => {
    if (tankId !== '') void dispatch(compareMethods(tankId, seeding));
  }, [dispatch, tankId, seeding, history]);
  return useMemo(
    () =>
      Object.fromEntries(
        outcomes.map((outcome) => [keyOf(outcome.method.source, outcome.method.seeding), outcome]),
      ),
    [outcomes],
  );
}

function daysWords({ p10, p50, p90 }: MethodOutcome['days']): string {
  const text = (days: number) => formatPlain(Math.max(1, days), 0);
  if (!Number.isFinite(p50)) return 'often not within 15 weeks';
  const high = Number.isFinite(p90) ? `${text(p10)}–${text(p90)}` : `${text(p10)} or more`;
  return `about **${text(p50)} days** (${high})`;
}

function riskWords(outcome: MethodOutcome): string {
  return `Free ammonia up to ${formatSignificant(outcome.worstFree, 2)} mg/L on the way${outcome.method.source === 'fish' ? ', which the fish breathes' : ''}.`;
}

function effortWords(acts: number): string {
  if (acts === 0) return 'Nothing to dose.';
  if (acts <= 2)
    return acts === 1 ? 'One dose to begin with.' : 'In, and out again after three days.';
  return acts > 60 ? 'Feeding and an ammonia test every day.' : 'A pinch every day for four weeks.';
}

/** Sources of ammonia against ways of seeding, played in this tank, and the one that is chosen. */
export function MethodScreen() {
  const router = useRouter();
  const history = useAppSelector(selectHistory);
  const tank = useAppSelector(selectTank);
  const now = useAppSelector(selectNow);
  const dispatch = useAppDispatch();
  const [seeding, setSeeding] = useState<Seeding>(history?.tank.method?.seeding ?? 'bottle');
  const [source, setSource] = useState<AmmoniaSource>(
    history?.tank.method?.source ?? 'ammoniumChloride',
  );
  const [accepted, setAccepted] = useState(history !== null && history.standing.fishSince !== null);
  const outcomes = useOutcomes(seeding);
  if (!history || !tank) return null;
  const chosen = outcomes[keyOf(source, seeding)];
  const fish = source === 'fish';
  const allowed = !fish || (accepted && seeding === 'bottle');
  const save = () => {
    if (!allowed) return;
    void dispatch(
      recordAct((act) => {
        act.revise(tank, { ...tank.body, method: { source, seeding } });
        if (fish && history.standing.fishSince === null) {
          act.create('entry', {
            kind: 'animals',
            tankId: tank.id,
            at: isoInZone(now, tank.body.zone),
            move: 'in',
            group: 'fish',
            what: 'Fish',
          });
        }
      }, 'Changed the method'),
    );
  };
  return (
    <Screen head={<BackHead title="Method" aside={history.tank.name} />}>
      <Opening title="How it is cycled.">
        {chosen
          ? `${SOURCE_WORDS[source].name} with ${SEEDING_WORDS[seeding].name.toLowerCase()}: ${daysWords(chosen.days)} in this tank. Lengths are played for its rock, volume and water.`
          : 'Each way is played for this tank’s rock, volume and water.'}
      </Opening>
      <Choice
        label="The filter bacteria start from"
        options={SEEDINGS.map((value) => ({ value, label: SEEDING_WORDS[value].name }))}
        value={seeding}
        onChange={setSeeding}
      />
      <Words as="soft">{SEEDING_WORDS[seeding].note}</Words>
      <SectionHead title="Ammonia comes from" />
      <OptionList
        label="Ammonia comes from"
        value={source}
        onChange={setSource}
        options={AMMONIA_SOURCES.map((value) => {
          const outcome = outcomes[keyOf(value, seeding)];
          const played = outcome
            ? `${capitalise(daysWords(outcome.days).replaceAll('**', ''))}. ${effortWords(outcome.acts)} ${riskWords(outcome)} `
            : 'Being played. ';
          return {
            value,
            label: SOURCE_WORDS[value].name,
            note: `${played}${SOURCE_WORDS[value].note}`,
          };
        })}
      />
      {fish ? (
        <View style={{ gap: 12 }}>
          <CautionRemark caution={CAUTIONS.fishInCycle} />
          {seeding === 'bottle' ? (
            <Tick
              label="I accept these cautions"
              note="Ammonia is then due every day, and Cycle tells when to act."
              value={accepted}
              onChange={setAccepted}
            />
          ) : (
            <Words as="body">Fish-in is offered only together with bottled bacteria.</Words>
          )}
        </View>
      ) : null}
      {source === 'householdAmmonia' ? <CautionRemark caution={CAUTIONS.strongAmmonia} /> : null}
      <Button kind="primary" label="Cycle it this way" disabled={!allowed} onPress={save} />
      <LinkButton
        label="Practise it on a made-up tank first"
        onPress={() => router.push(to.practice)}
      />
    </Screen>
  );
}
