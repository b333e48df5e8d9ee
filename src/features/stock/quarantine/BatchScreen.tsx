import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { CAUTIONS } from '@/core/cautions';
import { stagesNow } from '@/core/quarantine/protocols';
import { ammoniaWords, batchSentence, releaseWords } from '@/core/quarantine/words';
import { FILTERS_THERE, type Batch } from '@/core/records/schema/batch';
import { instant, isoInZone } from '@/core/time/zone';
import { momentInSentence, shortDay } from '@/core/time/words';
import { formatIn } from '@/core/parameters/convert';
import { countOf, formatExact } from '@/core/units/format';
import { linearFromCanonical } from '@/core/units/units';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { CautionRemark } from '@/frame/CautionRemark';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectNow, selectSettings } from '@/store/selectors';
import { tankChosen } from '@/store/sessionSlice';
import { Choice, Tick } from '@/ui/Choice';
import { BatchStrip } from '@/ui/batch/BatchStrip';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { Journey } from '../Journey';
import { DailyCheckPart } from './DailyCheckPart';
import { MovesPart } from './MovesPart';
import { ReleasePart } from './ReleasePart';
import { useBatch, type BatchNow } from './useBatches';

/** One batch: how many clear days are left, the look of the day, its ammonia, its release. */
export function BatchScreen({ id }: { id: string }) {
  const batch = useBatch(id);
  const now = useAppSelector(selectNow);
  if (!batch) {
    return (
      <Screen head={<BackHead title="Quarantine" />}>
        <Opening title="There is no such batch.">Go back to Quarantine.</Opening>
      </Screen>
    );
  }
  const { head, history, protocol, view, number } = batch;
  const { zone } = history.tank;
  const { clock } = view;
  const over = head.body.endedAt;
  const sentence = over
    ? {
        title: 'Ended.',
        text: `It ended ${momentInSentence(instant(over), zone, now)}. What was seen of it stays in the log.`,
      }
    : batchSentence(view, protocol, zone, now);
  const gone = clock.strip.filter(({ state }) => state !== 'ahead').length;
  const restart = clock.restarts.at(-1);
  const [first] = view.animals;
  const stages = stagesNow(protocol, clock);
  return (
    <Screen
      head={<BackHead title="Quarantine" aside={`${history.tank.name}, batch ${number}`} />}
      aside={
        over ? undefined : (
          <>
            <AmmoniaPart batch={batch} />
            <ReleasePart batch={batch} />
            <ClockPart batch={batch} />
          </>
        )
      }
    >
      <Opening title={sentence.title}>{sentence.text}</Opening>
      <BatchStrip
        days={clock.strip}
        gone={gone}
        nowLabel={`${clock.daysClear} clear`}
        endLabel={over ? '' : shortDay(clock.release.p10, zone)}
        summary={`${countOf(clock.daysClear, 'clear day')} of ${clock.days}; ${clock.missed} unseen; ${countOf(clock.restarts.length, 'restart')}. ${releaseWords(clock, zone)}`}
      />
      <Words as="aside">
        {`${restart ? `Begun anew ${shortDay(restart.at, zone)}: ${restart.because}. ` : ''}Dot: one did not eat. Slash: a sign. Bar beneath: nobody looked.`}
      </Words>
      {over ? null : (
        <>
          <Words as="body">{releaseWords(clock, zone)}</Words>
          {clock.transfer ? <MovesPart batch={batch} transfer={clock.transfer} now={now} /> : null}
          <DailyCheckPart batch={batch} now={now} />
          {stages.map(({ name, does }) => (
            <View key={name} style={{ gap: 4 }}>
              <SectionHead title={`${protocol.name}: ${name.toLowerCase()}`} />
              {does.map((line) => (
                <Words key={line} as="body">
                  {line}
                </Words>
              ))}
            </View>
          ))}
          {first ? (
            <Journey
              drawn
              tankId={history.tankId}
              cohortId={first.cohort.id}
              now={now}
              zone={zone}
            />
          ) : null}
          <Remark tone="caution" title="Nothing wet is shared">
            A net, a hose, a cup of its own; hands washed between tanks. A medicine goes by its
            label and a veterinarian.
          </Remark>
        </>
      )}
    </Screen>
  );
}

/** How ammonia is held in a batch that is moved: no change is due by a plan. */
const BETWEEN_MOVES =
  'Each move renews all of the water, so no change is due by itself. Test ammonia daily: as soon as free ammonia would pass 0.02 mg/L, change some of it, matched in temperature and salinity, or move them early.';

function AmmoniaPart({ batch }: { batch: BatchNow }) {
  const { ammonia, history, head, protocol } = batch;
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { volumeUnit } = useAppSelector(selectSettings);
  const volume = (litres: number) => formatIn(litres, volumeUnit, volumeUnit === 'L' ? 0 : 1);
  const { text, open } = ammoniaWords(ammonia, volume);
  const { filter = 'uncycled' } = head.body;
  // What a filter does there, before what changes would do without it.
  const shown = ammonia.nitrogen > 0 ? 'Should ammonia show: ' : '';
  const besides = {
    uncycled: '',
    seeded:
      ammonia.carried > 0
        ? ''
        : `A seeded sponge works here: test ammonia daily in the first week. ${shown}`,
    cycled: `A cycled filter works here: antibiotics kill it, and rock takes copper up. ${shown}`,
  }[filter];
  const here = (address: string) => {
    dispatch(tankChosen(history.tankId));
    router.push(address);
  };
  return (
    <View style={{ gap: 8 }}>
      <SectionHead title="Keep the ammonia down" />
      <Words as="body">{protocol.moves ? BETWEEN_MOVES : `${besides}${text}`}</Words>
      {open.map((line) => (
        <Words key={line} as="soft">
          {line}
        </Words>
      ))}
      <Button
        label="Log a change"
        onPress={() =>
          here(
            to.log('water-change', {
              volume: formatExact(
                Math.round(linearFromCanonical(ammonia.litres, volumeUnit) * 10) / 10,
              ),
            }),
          )
        }
      />
      <Button label="Log a test" onPress={() => here(to.log('test'))} />
      <LinkButton
        soft
        label="Medicines, by their labels"
        onPress={() => router.push(to.quarantinePage('medicines', { tank: history.tankId }))}
      />
      {ammonia.holds ? null : <CautionRemark caution={CAUTIONS.fishInCycle} />}
    </View>
  );
}

const CHANCES = [
  { value: '0.1', label: '1 in 10' },
  { value: '0.25', label: '1 in 4' },
  { value: '0.5', label: '1 in 2' },
];

/** What the clock of this batch is taken to be. */
function ClockPart({ batch }: { batch: BatchNow }) {
  const { head, history } = batch;
  const dispatch = useAppDispatch();
  const now = useAppSelector(selectNow);
  const [open, setOpen] = useState(false);
  const change = (changes: Partial<Batch>, words: string) =>
    void dispatch(recordAct((act) => act.revise(head, { ...head.body, ...changes }), words));
  const { filter = 'uncycled', leftoversOut = false, restartChance = 0.25 } = head.body;
  return (
    <View style={{ gap: 12 }}>
      <SectionHead
        title="How it is reckoned"
        end={<LinkButton soft label={open ? 'Done' : 'Change'} onPress={() => setOpen(!open)} />}
      />
      {open ? (
        <>
          <Choice
            label="Chance of another sign"
            value={String(restartChance)}
            options={CHANCES}
            onChange={(value) => change({ restartChance: Number(value) }, 'Chance changed')}
          />
          <Choice
            label="What clears ammonia"
            value={filter}
            options={FILTERS_THERE.map((value) => ({
              value,
              label: { uncycled: 'Nothing', seeded: 'A seeded sponge', cycled: 'A cycled filter' }[
                value
              ],
            }))}
            onChange={(value) => change({ filter: value }, 'Filter changed')}
          />
          <Tick
            label="Leftovers are out within the hour"
            note="Less of the food then turns to ammonia."
            value={leftoversOut}
            onChange={(value) => change({ leftoversOut: value }, 'Leftovers changed')}
          />
          <Button
            label="Begin the days anew by hand"
            onPress={() =>
              change({ restartedAt: isoInZone(now, history.tank.zone) }, 'The days begin anew')
            }
          />
        </>
      ) : (
        <Words as="soft">
          {`Another sign is taken to come in ${Math.round(restartChance * 100)} of 100 such batches; ${leftoversOut ? 'leftovers are taken out' : 'leftovers stay in'}; ${{ uncycled: 'nothing clears ammonia', seeded: 'a seeded sponge helps', cycled: 'a cycled filter helps' }[filter]}.`}
        </Words>
      )}
    </View>
  );
}
