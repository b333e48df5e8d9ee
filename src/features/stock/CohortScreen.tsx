import { useRouter } from 'expo-router';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { entryLine, entryTitle } from '@/core/records/kinds';
import type { AnimalMove, AnimalsEntry } from '@/core/records/kinds/animals';
import { animalsCalled } from '@/core/records/kinds/animals';
import { animalIn, lengthNow, cohortNitrogen } from '@/core/livestock/roster/lodgers';
import { daysToOutgrow } from '@/core/livestock/compatibility/homeRules';
import type { Cohort } from '@/core/livestock/roster/roster';
import { wordsContext } from '@/core/history/tankHistory';
import { liveHead, recordOf } from '@/core/records/log';
import { dayWords, shortDay } from '@/core/time/words';
import { DAY_MS } from '@/core/time/zone';
import { countOf, formatPlain } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { moveCohort } from '@/store/moving';
import { recordAct } from '@/store/record';
import { selectLog, selectTanks } from '@/store/selectors';
import { Button, ButtonRow } from '@/ui/Press';
import { partOf, piece } from '@/ui/piece';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { AnimalPicker } from './AnimalPicker';
import { Journey } from './Journey';
import { Silhouette } from './Silhouette';
import { useStock, type StockView } from './useStock';

const CohortPhoto = partOf(
  piece(() => import('@/features/photos')),
  'CohortPhoto',
);

/** One group of the roster: who they are, what became of them, and what can be logged of them. */
export function CohortScreen({ id }: { id: string }) {
  const stock = useStock();
  const cohort = stock?.cohorts.find((one) => one.id === id);
  if (!stock || !cohort) {
    return (
      <Screen head={<BackHead title="Stock" />}>
        <Opening title="Nobody by that page.">
          They may have been taken off the log, or live in another tank.
        </Opening>
      </Screen>
    );
  }
  return <CohortPage cohort={cohort} stock={stock} />;
}

function cohortSentence(cohort: Cohort, stock: StockView): string {
  const { zone } = stock.history.tank;
  const since = `since ${dayWords(cohort.arrivedAt, zone, stock.now)}`;
  const number =
    cohort.here === null
      ? 'Some'
      : cohort.here === 0
        ? 'None left'
        : countOf(cohort.here, 'of them', 'of them');
  const parts = [
    cohort.lost > 0 ? `${cohort.lost} lost` : '',
    cohort.lent > 0
      ? `${cohort.lent} lent${cohort.lentUntil === null ? '' : ` until ${dayWords(cohort.lentUntil, zone, stock.now)}`}`
      : '',
  ].filter(Boolean);
  return `${number} here, ${since}${parts.length > 0 ? `; ${parts.join(', ')}` : ''}.`;
}

function CohortPage({ cohort, stock }: { cohort: Cohort; stock: StockView }) {
  const router = useRouter();
  const { history, find, now } = stock;
  const { zone } = history.tank;
  const measured = useMeasures();
  const animal = animalIn(cohort, find);
  const cm = lengthNow(cohort, now, find);
  const nitrogen = cohortNitrogen(cohort, now, find);
  const outgrows =
    animal && cohort.here !== 0
      ? daysToOutgrow({ animal, count: 1, sizeCm: cm }, history.netLitres)
      : null;
  const context = wordsContext(history);
  const here = cohort.here === null || cohort.here > 0;
  const log = (move: AnimalMove, more: Record<string, string> = {}) =>
    router.push(
      to.log('animals', {
        move,
        group: cohort.group,
        what: cohort.what,
        cohort: cohort.id,
        count: move === 'back' ? String(Math.max(1, cohort.lent)) : '1',
        ...(cohort.species === undefined ? {} : { species: cohort.species }),
        ...more,
      }),
    );
  return (
    <Screen head={<BackHead title="Stock" aside={history.tank.name} />}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12 }}>
        <Silhouette form={animal?.form ?? cohort.group} size={64} />
        <View style={{ flex: 1 }}>
          <Opening title={`${animalsCalled(cohort.what, cohort.here ?? undefined)}.`}>
            {cohortSentence(cohort, stock)}
          </Opening>
        </View>
      </View>
      <Suspense fallback={null}>
        <CohortPhoto cohortId={cohort.id} name={cohort.what} photo={cohort.photo} />
      </Suspense>
      <Journey tankId={history.tankId} cohortId={cohort.id} now={now} zone={zone} />
      {cohort.rehomeBy !== undefined ? (
        <Remark tone={cohort.rehomeBy < now + 30 * DAY_MS ? 'watch' : 'plain'} title="Another home">
          {`To be rehomed by ${dayWords(cohort.rehomeBy, zone, now)}.`}
        </Remark>
      ) : null}
      {outgrows !== null && cohort.rehomeBy === undefined ? (
        <Remark title="It will outgrow this tank">
          {`Between ${dayWords(now + (outgrows / 1.5) * DAY_MS, zone, now)} and ${dayWords(now + outgrows * 1.5 * DAY_MS, zone, now)}, as fast as its kind grows. Note a rehoming date where it came in.`}
        </Remark>
      ) : null}
      <View>
        {animal ? (
          <Row
            title={animal.names[0] ?? animal.scientific}
            note={`${animal.scientific}${cohort.notSure ? ', not sure' : ''}`}
            onPress={() => router.push(to.animal(animal.id))}
          />
        ) : null}
        {cm > 0 && cohort.group !== 'coral' ? (
          <Row
            title={measured(`About ${formatPlain(cm, 1)} cm now`)}
            note="From its length as it came, by how its kind grows"
          />
        ) : null}
        {nitrogen > 0 ? (
          <Row
            title={`${formatPlain(nitrogen, 1)} mg N a day`}
            note="By its body and a usual ration"
          />
        ) : null}
      </View>
      <Identity cohort={cohort} />
      <View>
        <SectionHead title="What happened" />
        {cohort.events.map(({ id, at, entry }) => (
          <Row
            key={id}
            title={entryTitle(entry)}
            note={[shortDay(at, zone), entryLine(entry, context)].filter(Boolean).join(', ')}
            onPress={() => router.push(to.entry(id))}
          />
        ))}
      </View>
      <View style={{ gap: 8 }}>
        <SectionHead title="Log of them" />
        <ButtonRow>
          {here ? (
            <>
              <Button label="Died" onPress={() => log('died')} />
              <Button label="Missing" onPress={() => log('missing')} />
              <Button label="Lent" onPress={() => log('lent')} />
              <Button label="Given away" onPress={() => log('out')} />
              <MoveButton cohort={cohort} stock={stock} />
            </>
          ) : null}
          {cohort.lent > 0 ? <Button label="Came back" onPress={() => log('back')} /> : null}
        </ButtonRow>
      </View>
    </Screen>
  );
}

/** Which it is: where nobody is sure it can be named, and what it was called before stays in its history. */
function Identity({ cohort }: { cohort: Cohort }) {
  const dispatch = useAppDispatch();
  const log = useAppSelector(selectLog);
  const [text, setText] = useTyped(`cohort/${cohort.id}/sought`);
  const head = liveHead(log, cohort.id, 'entry');
  const record = recordOf(log, cohort.id);
  if (!head || head.body.kind !== 'animals') return null;
  const body: AnimalsEntry = head.body;
  const named = record?.revisions.flatMap((revision) =>
    revision.type === 'entry' && revision.body.kind === 'animals' ? [revision.body.what] : [],
  );
  const before = [...new Set(named)].filter((name) => name !== body.what);
  const name = (species: string, what: string) => {
    const { notSure: _doubt, ...rest } = body;
    setText('');
    void dispatch(
      recordAct((act) => act.revise(head, { ...rest, species, what }), `Named: ${what}`),
    );
  };
  const sure = () => {
    const { notSure: _doubt, ...rest } = body;
    void dispatch(recordAct((act) => act.revise(head, rest), 'Sure of it now'));
  };
  if (cohort.species !== undefined && !cohort.notSure && before.length === 0) return null;
  return (
    <View style={{ gap: 8 }}>
      <SectionHead title="Which it is" />
      {before.length > 0 ? <Words as="soft">{`Called before: ${before.join(', ')}.`}</Words> : null}
      {cohort.notSure || cohort.species === undefined ? (
        <>
          <AnimalPicker
            label="Name it"
            value={text}
            picked={false}
            onChange={setText}
            onPick={(animal) => name(animal.id, animal.names[0] ?? animal.scientific)}
          />
          {cohort.species !== undefined ? (
            <Button label="It is what it is called" onPress={sure} />
          ) : null}
        </>
      ) : null}
    </View>
  );
}

/** Moves a group to another tank: out of this one and into that one, as one act. */
function MoveButton({ cohort, stock }: { cohort: Cohort; stock: StockView }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const tanks = useAppSelector(selectTanks);
  const [open, setOpen] = useState(false);
  const others = tanks.filter(({ id }) => id !== stock.history.tankId);
  if (others.length === 0) return null;
  const move = (tankId: string, name: string, zone: string) => {
    void dispatch(
      recordAct((act) => {
        moveCohort(act, {
          cohort,
          from: { tankId: stock.history.tankId, zone: stock.history.tank.zone },
          to: { tankId, zone },
          at: act.now,
          cm: lengthNow(cohort, stock.now, stock.find),
        });
      }, `Moved to ${name}`),
    );
    setOpen(false);
    router.replace(to.stock);
  };
  return (
    <>
      <Button label="Moved to…" onPress={() => setOpen(true)} />
      <Sheet title="To which tank?" open={open} onClose={() => setOpen(false)}>
        <View>
          {others.map(({ id, body }) => (
            <Row
              key={id}
              title={body.name}
              note="Salinity and temperature matched first, and whom it would meet there asked"
              onPress={() => move(id, body.name, body.zone)}
            />
          ))}
        </View>
      </Sheet>
    </>
  );
}
