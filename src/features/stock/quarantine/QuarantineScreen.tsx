import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { cleaningOwed } from '@/core/quarantine/who';
import { batchSentence } from '@/core/quarantine/words';
import { animalsCalled } from '@/core/records/kinds/animals';
import { entriesOfTank } from '@/core/records/log';
import { shortDay } from '@/core/time/words';
import { instant } from '@/core/time/zone';
import { countOf, formatPlain, listWords } from '@/core/units/format';
import { netVolume } from '@/core/water/volume';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useMeasures } from '@/frame/useMeasures';
import { ReadMore } from '@/frame/ReadMore';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectNow, selectTanks } from '@/store/selectors';
import { tankChosen } from '@/store/sessionSlice';
import { BatchStrip } from '@/ui/batch/BatchStrip';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { useBatch } from './useBatches';

/** Who is in quarantine, what of it is due, and where the next could go. */
export function QuarantineScreen() {
  const router = useRouter();
  const batches = useAppSelector((state) => state.log.batches);
  const tanks = useAppSelector(selectTanks).filter(({ body }) => body.kind === 'quarantine');
  const running = batches.filter(({ body }) => body.endedAt === null);
  const ended = batches
    .filter(({ body }) => body.endedAt !== null)
    .sort((a, b) => ((a.body.endedAt ?? '') < (b.body.endedAt ?? '') ? 1 : -1));
  return (
    <Screen
      head={<BackHead title="Quarantine" />}
      aside={
        <>
          <Tanks tanks={tanks} />
          <View>
            <SectionHead title="More of it" />
            <Row
              title="Medicines and binders"
              note="What their labels say, and what must never meet"
              onPress={() => router.push(to.quarantinePage('medicines'))}
            />
            <Row
              title="Protocols"
              note="Each way through, and what it trades"
              onPress={() => router.push(to.quarantinePage('protocols'))}
            />
            <Row
              title="A disease in the display"
              note="All fish out, and days without any"
              onPress={() => router.push(to.quarantinePage('outbreak'))}
            />
          </View>
        </>
      }
    >
      <Opening
        title={
          running.length === 0
            ? 'Nobody in quarantine.'
            : `${countOf(running.length, 'batch', 'batches')} in quarantine.`
        }
      >
        {running.length === 0
          ? 'One fish can cost the whole tank. Four weeks apart show what it brought with it.'
          : listWords(
              running.flatMap(({ body }) =>
                body.animals.map(({ what, count }) => animalsCalled(what, count)),
              ),
            ) + '.'}
      </Opening>
      {running.length === 0 ? <ReadMore page="quarantine" /> : null}
      {running.map(({ id }) => (
        <BatchCard key={id} id={id} />
      ))}
      <Button
        kind="primary"
        label="Begin a batch"
        onPress={() => router.push(to.quarantinePage('begin'))}
      />
      <Button label="Acclimate an arrival" onPress={() => router.push(to.acclimate())} />
      {ended.length > 0 ? (
        <View>
          <SectionHead title="Ended" />
          {ended.slice(0, 6).map(({ id, body }) => (
            <Row
              key={id}
              title={listWords(body.animals.map(({ what, count }) => animalsCalled(what, count)))}
              note={`${shortDay(instant(body.begunAt), 'UTC')} to ${shortDay(instant(body.endedAt ?? body.begunAt), 'UTC')}`}
              onPress={() => router.push(to.batch(id))}
            />
          ))}
        </View>
      ) : null}
    </Screen>
  );
}

function BatchCard({ id }: { id: string }) {
  const batch = useBatch(id);
  const router = useRouter();
  const now = useAppSelector(selectNow);
  if (!batch) return null;
  const { view, protocol, history, forName } = batch;
  const { clock } = view;
  const { zone } = history.tank;
  const { title } = batchSentence(view, protocol, zone, now);
  return (
    <View style={{ gap: 4 }}>
      <Row
        title={`${history.tank.name}: ${title.charAt(0).toLowerCase()}${title.slice(1)}`}
        note={`${listWords(view.animals.map(({ cohort }) => animalsCalled(cohort.what, cohort.here ?? undefined)))}, for ${forName}${view.toCheck > 0 ? `; ${view.toCheck} not looked at today` : ''}`}
        onPress={() => router.push(to.batch(id))}
      />
      <BatchStrip
        days={clock.strip}
        gone={clock.strip.filter(({ state }) => state !== 'ahead').length}
        nowLabel={`${clock.daysClear} clear`}
        endLabel={shortDay(clock.release.p10, zone)}
        summary={`${countOf(clock.daysClear, 'clear day')} of ${clock.days}`}
      />
    </View>
  );
}

function Tanks({ tanks }: { tanks: ReturnType<typeof selectTanks> }) {
  const measured = useMeasures();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const log = useAppSelector((state) => state.log);
  if (tanks.length === 0) {
    return (
      <Remark title="No quarantine tank yet">
        A bare tank or a food-safe tub of 40 to 150 L, by the size and number of fish. Add it under
        Tanks, as a quarantine tank.
      </Remark>
    );
  }
  const batches = log.batches.map(({ body }) => body);
  return (
    <View>
      <SectionHead title="Quarantine tanks" />
      {tanks.map(({ id, body }) => {
        const cleanings = entriesOfTank(log, id).flatMap((entry) =>
          entry.body.kind === 'cleaning' ? [{ at: instant(entry.body.at) }] : [],
        );
        const busy = batches.some((batch) => batch.tankId === id && batch.endedAt === null);
        const dirty = cleaningOwed(batches, id, cleanings) !== null;
        return (
          <View key={id}>
            <Row
              title={body.name}
              note={`${measured(`${formatPlain(netVolume(body.volume).net, 0)} L`)}, ${busy ? 'a batch in it' : dirty ? 'to be cleaned first' : 'free'}. Is it ready?`}
              onPress={() => router.push(to.quarantinePage('readiness', { tank: id }))}
            />
            {dirty ? (
              <LinkButton
                soft
                label={`Log ${body.name} as cleaned`}
                onPress={() => {
                  dispatch(tankChosen(id));
                  router.push(to.log('cleaning'));
                }}
              />
            ) : null}
          </View>
        );
      })}
    </View>
  );
}
