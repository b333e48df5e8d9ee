import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { countedReadings } from '@/core/history/tankHistory';
import { isHere, rosterOf } from '@/core/livestock/roster/roster';
import { evacuationOf } from '@/core/quarantine/tank/evacuate';
import {
  FALLOW_DAYS,
  fallowClock,
  fallowDays,
  fallowRefusal,
  SHORTEST_FALLOW_DAYS,
  WARM,
  temperatureSince,
  wetInto,
} from '@/core/quarantine/clock/fallow';
import { formatIn } from '@/core/parameters/convert';
import { animalsCalled } from '@/core/records/kinds/animals';
import { dayWords } from '@/core/time/words';
import { instant } from '@/core/time/zone';
import { countOf, formatPlain, listWords } from '@/core/units/format';
import { netVolume } from '@/core/water/volume';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { beginRun, liveRun } from '@/store/runs';
import { selectNow, selectSettings, selectTanks } from '@/store/selectors';
import { Tick } from '@/ui/Choice';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { Stepper } from '../Stepper';
import { useFinder } from '../useStock';

/** A disease in the tank in view: who must leave, whether quarantine holds them, and the days without fish. */
export function OutbreakScreen() {
  const router = useRouter();
  const measured = useMeasures();
  const dispatch = useAppDispatch();
  const find = useFinder();
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const tanks = useAppSelector(selectTanks);
  const run = useAppSelector((state) =>
    history ? liveRun(state, history.tankId, 'outbreak') : undefined,
  );
  const { volumeUnit } = useAppSelector(selectSettings);
  const volume = (amount: number) => formatIn(amount, volumeUnit, 0);
  const [days, setDays] = useState(FALLOW_DAYS);
  const [diagnosed, setDiagnosed] = useState(false);
  const [warm, setWarm] = useState(false);
  if (!history) return null;
  const { zone, name } = history.tank;
  const fish = rosterOf(history).filter(({ group }) => group === 'fish');
  const room = tanks
    .filter(({ body }) => body.kind === 'quarantine')
    .reduce((sum, { body }) => sum + netVolume(body.volume).net, 0);
  const { fish: here, cm, litres, ammonia, rivals } = evacuationOf(history, room, now, find);
  const staying = rosterOf(history)
    .filter((cohort) => isHere(cohort) && cohort.group !== 'fish')
    .flatMap(({ species, what }) => {
      const animal = find(species ?? '');
      return animal ? [{ name: what, high: animal.temperature.high }] : [];
    });
  const refusal = fallowRefusal({ days, diagnosed, warm }, staying);
  const chosen = run
    ? {
        days: Number(run.body.given.days ?? FALLOW_DAYS),
        diagnosed: run.body.given.diagnosed === 'yes',
        warm: run.body.given.warm === 'yes',
      }
    : { days, diagnosed, warm };
  const begun = run ? instant(run.body.begunAt) : now;
  const wetIn = wetInto(history, begun);
  const clockFor = (length: number) =>
    fallowClock(
      {
        fishGone: fish.map((cohort) =>
          isHere(cohort) ? null : (cohort.events.at(-1)?.at ?? null),
        ),
        wetIn,
        begunAt: begun,
        days: length,
        zone,
      },
      now,
    );
  const { since } = clockFor(chosen.days);
  const temperature = temperatureSince(countedReadings(history, 'temperature'), since ?? now, now);
  const asked = fallowDays(chosen, temperature);
  const clock = clockFor(asked);
  const who = listWords(here.map((cohort) => animalsCalled(cohort.what, cohort.here ?? undefined)));
  return (
    <Screen
      head={<BackHead title="Quarantine" aside={name} />}
      aside={
        <View style={{ gap: 12 }}>
          <SectionHead title="Who must move" />
          <Words as="body">
            {here.length === 0
              ? 'No fish is on record here.'
              : `${who}: ${measured(`${formatPlain(cm, 0)} cm`)} of fish, which want about ${volume(litres.wanted)} of quarantine.`}
          </Words>
          {here.length > 0 && room < litres.wanted ? (
            <Remark tone="caution" title="Quarantine does not hold them all">
              {`There are ${volume(room)}. A food-safe tub or a second tank, with a heater, air and a cover, for the rest; rivals apart.`}
            </Remark>
          ) : null}
          {ammonia ? (
            <Words as="body">
              {ammonia.holds
                ? `Uncycled, and all in one, that water would take a change of ${volume(ammonia.litres)} ${ammonia.everyDays === 1 ? 'a day' : `every ${ammonia.everyDays} days`}: a seeded sponge for each tank saves most of it.`
                : 'Uncycled, no change of water would hold the ammonia of all of them in it: seeded sponges, more water, less food.'}
            </Words>
          ) : null}
          {rivals.map(({ because }) => (
            <Remark key={because} tone="caution" title="Apart in quarantine">
              {`${measured(because)} No rock stands between them there.`}
            </Remark>
          ))}
          <Remark tone="caution" title="What is wet carries it">
            Nets, hoses, hands, corals and snails. Parasites that live free of fish are not starved
            by an empty tank.
          </Remark>
          <Words as="soft">
            The clean-up crew, corals and bacteria stay, and are fed a pinch a day so that the
            filter lives.
          </Words>
        </View>
      }
    >
      <Opening
        title={
          run
            ? clock.since === null
              ? `${countOf(here.length, 'group')} of fish still in.`
              : clock.daysDone >= asked
                ? 'The days are done.'
                : `${countOf(asked - clock.daysDone, 'day')} without fish to go.`
            : `A disease in ${name}?`
        }
      >
        {run
          ? clock.ends === null
            ? 'The days begin when the last fish is out, the missing ones found or given up.'
            : `Counted from ${dayWords(clock.since ?? now, zone, now)}; fish may come back on **${dayWords(clock.ends, zone, now)}**.${clock.restarts.length > 0 ? ' Something wet came in, and began them anew.' : ''}`
          : `All fish leave, and the tank stays without any for ${FALLOW_DAYS} days, so that parasites that need fish die out.`}
      </Opening>
      {run && chosen.warm && since !== null ? (
        <Remark
          tone={asked > chosen.days ? 'watch' : 'plain'}
          title={asked > chosen.days ? `${asked} days, not ${chosen.days}` : 'Kept warm so far'}
        >
          {`${temperature.because}.${asked > chosen.days ? ' Fewer days rest on temperature without a gap.' : ' A reading every three days keeps the shorter count.'}`}
        </Remark>
      ) : null}
      {run ? (
        <Button
          kind="primary"
          label="The steps, one by one"
          onPress={() => router.push(to.run(run.id))}
        />
      ) : (
        <>
          <Stepper
            label="Days without fish"
            value={days}
            most={120}
            onChange={(value) => setDays(Math.max(SHORTEST_FALLOW_DAYS, value))}
          />
          <Tick
            label="Velvet found, and no ich"
            note="Under a microscope, with ich looked for and not found; not by its looks."
            value={diagnosed}
            onChange={setDiagnosed}
          />
          <Tick
            label="Kept at 27 to 28 °C, on record"
            note={`${WARM.low} to ${WARM.high} °C in every reading, one at least every three days; only with animals that live so warm.`}
            value={warm}
            onChange={setWarm}
          />
          {refusal ? <Remark tone="watch">{refusal}</Remark> : null}
          <Button
            kind="primary"
            disabled={refusal !== null}
            label="Begin: all fish out"
            onPress={() =>
              void dispatch(
                beginRun('outbreak', history.tankId, {
                  days,
                  diagnosed: diagnosed ? 'yes' : 'no',
                  warm: warm ? 'yes' : 'no',
                }),
              )
            }
          />
        </>
      )}
    </Screen>
  );
}
