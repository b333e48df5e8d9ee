import { useRouter } from 'expo-router';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { entryLine, entryTitle } from '@/core/records/kinds';
import type { AnimalMove, AnimalsEntry } from '@/core/records/kinds/animals';
import { animalsCalled } from '@/core/records/kinds/animals';
import { animalIn, lengthNow, lotNitrogen } from '@/core/livestock/roster/lodgers';
import { daysToOutgrow } from '@/core/livestock/compatibility/homeRules';
import type { Lot } from '@/core/livestock/roster/roster';
import { wordsContext } from '@/core/history/tankHistory';
import { liveHead, recordOf } from '@/core/records/log';
import { dayWords, shortDay } from '@/core/time/words';
import { DAY_MS } from '@/core/time/zone';
import { countOf, formatPlain } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { moveLot } from '@/store/moving';
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

const LotPhoto = partOf(
  piece(() => import('@/features/photos')),
  'LotPhoto',
);

/** One lot of the roster: who they are, what became of them, and what can be logged of them. */
export function LotScreen({ id }: { id: string }) {
  const stock = useStock();
  const lot = stock?.lots.find((one) => one.id === id);
  if (!stock || !lot) {
    return (
      <Screen head={<BackHead title="Stock" />}>
        <Opening title="Nobody by that page.">
          They may have been taken off the log, or live in another tank.
        </Opening>
      </Screen>
    );
  }
  return <LotPage lot={lot} stock={stock} />;
}

function lotSentence(lot: Lot, stock: StockView): string {
  const { zone } = stock.history.tank;
  const since = `since ${dayWords(lot.arrivedAt, zone, stock.now)}`;
  const number =
    lot.here === null
      ? 'Some'
      : lot.here === 0
        ? 'None left'
        : countOf(lot.here, 'of them', 'of them');
  const parts = [
    lot.lost > 0 ? `${lot.lost} lost` : '',
    lot.lent > 0
      ? `${lot.lent} lent${lot.lentUntil === null ? '' : ` until ${dayWords(lot.lentUntil, zone)}`}`
      : '',
  ].filter(Boolean);
  return `${number} here, ${since}${parts.length > 0 ? `; ${parts.join(', ')}` : ''}.`;
}

function LotPage({ lot, stock }: { lot: Lot; stock: StockView }) {
  const router = useRouter();
  const { history, find, now } = stock;
  const { zone } = history.tank;
  const measured = useMeasures();
  const animal = animalIn(lot, find);
  const cm = lengthNow(lot, now, find);
  const nitrogen = lotNitrogen(lot, now, find);
  const outgrows =
    animal && lot.here !== 0
      ? daysToOutgrow({ animal, count: 1, sizeCm: cm }, history.netLitres)
      : null;
  const context = wordsContext(history);
  const here = lot.here === null || lot.here > 0;
  const log = (move: AnimalMove, more: Record<string, string> = {}) =>
    router.push(
      to.log('animals', {
        move,
        group: lot.group,
        what: lot.what,
        lot: lot.id,
        count: move === 'back' ? String(Math.max(1, lot.lent)) : '1',
        ...(lot.species === undefined ? {} : { species: lot.species }),
        ...more,
      }),
    );
  return (
    <Screen head={<BackHead title="Stock" aside={history.tank.name} />}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12 }}>
        <Silhouette form={animal?.form ?? lot.group} size={64} />
        <View style={{ flex: 1 }}>
          <Opening title={`${animalsCalled(lot.what, lot.here ?? undefined)}.`}>
            {lotSentence(lot, stock)}
          </Opening>
        </View>
      </View>
      <Suspense fallback={null}>
        <LotPhoto lotId={lot.id} name={lot.what} photo={lot.photo} />
      </Suspense>
      <Journey tankId={history.tankId} lotId={lot.id} now={now} zone={zone} />
      {lot.rehomeBy !== undefined ? (
        <Remark tone={lot.rehomeBy < now + 30 * DAY_MS ? 'watch' : 'plain'} title="Another home">
          {`To be rehomed by ${dayWords(lot.rehomeBy, zone)}.`}
        </Remark>
      ) : null}
      {outgrows !== null && lot.rehomeBy === undefined ? (
        <Remark title="It will outgrow this tank">
          {`Between ${dayWords(now + (outgrows / 1.5) * DAY_MS, zone)} and ${dayWords(now + outgrows * 1.5 * DAY_MS, zone)}, as fast as its kind grows. Note a rehoming date where it came in.`}
        </Remark>
      ) : null}
      <View>
        {animal ? (
          <Row
            title={animal.names[0] ?? animal.scientific}
            note={`${animal.scientific}${lot.notSure ? ', not sure' : ''}`}
            onPress={() => router.push(to.animal(animal.id))}
          />
        ) : null}
        {cm > 0 && lot.group !== 'coral' ? (
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
      <Identity lot={lot} />
      <View>
        <SectionHead title="What happened" />
        {lot.events.map(({ id, at, entry }) => (
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
              <MoveButton lot={lot} stock={stock} />
            </>
          ) : null}
          {lot.lent > 0 ? <Button label="Came back" onPress={() => log('back')} /> : null}
        </ButtonRow>
      </View>
    </Screen>
  );
}

/** Which it is: where nobody is sure it can be named, and what it was called before stays in its history. */
function Identity({ lot }: { lot: Lot }) {
  const dispatch = useAppDispatch();
  const log = useAppSelector(selectLog);
  const [text, setText] = useTyped(`lot/${lot.id}/sought`);
  const head = liveHead(log, lot.id, 'entry');
  const record = recordOf(log, lot.id);
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
  if (lot.species !== undefined && !lot.notSure && before.length === 0) return null;
  return (
    <View style={{ gap: 8 }}>
      <SectionHead title="Which it is" />
      {before.length > 0 ? <Words as="soft">{`Called before: ${before.join(', ')}.`}</Words> : null}
      {lot.notSure || lot.species === undefined ? (
        <>
          <AnimalPicker
            label="Name it"
            value={text}
            picked={false}
            onChange={setText}
            onPick={(animal) => name(animal.id, animal.names[0] ?? animal.scientific)}
          />
          {lot.species !== undefined ? (
            <Button label="It is what it is called" onPress={sure} />
          ) : null}
        </>
      ) : null}
    </View>
  );
}

/** Moves a lot to another tank: out of this one and into that one, as one act. */
function MoveButton({ lot, stock }: { lot: Lot; stock: StockView }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const tanks = useAppSelector(selectTanks);
  const [open, setOpen] = useState(false);
  const others = tanks.filter(({ id }) => id !== stock.history.tankId);
  if (others.length === 0) return null;
  const move = (tankId: string, name: string, zone: string) => {
    void dispatch(
      recordAct((act) => {
        moveLot(act, {
          lot,
          from: { tankId: stock.history.tankId, zone: stock.history.tank.zone },
          to: { tankId, zone },
          at: act.now,
          cm: lengthNow(lot, stock.now, stock.find),
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
