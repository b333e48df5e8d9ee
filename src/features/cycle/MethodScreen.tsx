import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { playMethod, type MethodOutcome } from '@/core/cycle/dosing/methods';
import { latestReading } from '@/core/history/tankHistory';
import {
  AMMONIA_SOURCES,
  SEEDINGS,
  type AmmoniaSource,
  type Seeding,
} from '@/core/records/schema/tank';
import { MEQ_PER_DKH } from '@/core/units/constants';
import { capitalise, formatPlain, formatSignificant } from '@/core/units/format';
import { dayOf } from '@/core/time/zone';
import { recordAct } from '@/store/record';
import { selectHistory, selectNow, selectTank } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { BackHead } from '@/shared/BackHead';
import { Choice, OptionList, Tick } from '@/ui/Choice';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { SEEDING_WORDS, SOURCE_WORDS } from './methodWords';

const keyOf = (source: AmmoniaSource, seeding: Seeding) => `${source}/${seeding}`;

/** Plays every source with the seed chosen, one after another so that the screen stays quick. */
function useOutcomes(seeding: Seeding): Record<string, MethodOutcome> {
  const history = useAppSelector(selectHistory);
  const [outcomes, setOutcomes] = useState<Record<string, MethodOutcome>>({});
  const water = useMemo(() => {
    const value = (
      parameter: 'temperature' | 'ph' | 'salinity' | 'alkalinity',
      otherwise: number,
    ) => (history && latestReading(history, parameter)?.best) ?? otherwise;
    return {
      temperature: value('temperature', 25.5),
      ph: value('ph', 8.1),
      salinity: value('salinity', 35),
      alkalinity: value('alkalinity', 8 * MEQ_PER_DKH) / MEQ_PER_DKH,
    };
  }, [history]);
  const missing = AMMONIA_SOURCES.find((source) => !outcomes[keyOf(source, seeding)]);
  useEffect(() => {
    if (!history || !missing) return;
    const timer = setTimeout(() => {
      const method = { source: missing, seeding };
      const outcome = playMethod(method, history.tank, history.netLitres, water);
      setOutcomes((before) => ({ ...before, [keyOf(missing, seeding)]: outcome }));
    }, 0);
    return () => clearTimeout(timer);
  }, [history, missing, seeding, water]);
  return outcomes;
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
  const history = useAppSelector(selectHistory);
  const tank = useAppSelector(selectTank);
  const now = useAppSelector(selectNow);
  const dispatch = useAppDispatch();
  const [seeding, setSeeding] = useState<Seeding>(history?.tank.method?.seeding ?? 'bottle');
  const [source, setSource] = useState<AmmoniaSource>(
    history?.tank.method?.source ?? 'ammoniumChloride',
  );
  const [accepted, setAccepted] = useState(history?.tank.fishInSince !== undefined);
  const outcomes = useOutcomes(seeding);
  if (!history || !tank) return null;
  const chosen = outcomes[keyOf(source, seeding)];
  const fish = source === 'fish';
  const allowed = !fish || (accepted && seeding === 'bottle');
  const save = () => {
    if (!allowed) return;
    const { fishInSince, ...rest } = tank.body;
    void dispatch(
      recordAct(
        (act) =>
          act.revise(tank, {
            ...rest,
            method: { source, seeding },
            ...(fish ? { fishInSince: fishInSince ?? dayOf(now, tank.body.zone) } : {}),
          }),
        'Changed the method',
      ),
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
        label="The colony starts from"
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
          <Remark tone="caution" title="Hard on the animal">
            <Words as="body">
              A fish in a tank that cannot clear its ammonia breathes it: gills are harmed from
              about 0.05 mg/L of free ammonia. Most keepers no longer do it. If you do: one small,
              hardy fish, never a damsel as a tool; bottled bacteria on the same day; food
              sparingly; ammonia and pH tested every day; salt water mixed and waiting for a change.
              Ask a veterinarian about any sign of distress.
            </Words>
          </Remark>
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
      {source === 'householdAmmonia' ? (
        <Remark tone="caution" title="Strong ammonia">
          Gloves and air. Never near bleach or acid: the fumes kill.
        </Remark>
      ) : null}
      <Button kind="primary" label="Cycle it this way" disabled={!allowed} onPress={save} />
    </Screen>
  );
}
