import { useState } from 'react';
import { View } from 'react-native';
import { CAUTIONS } from '@/core/cautions';
import { isCoral, placeFindings, type Placed, type PlaceFinding } from '@/core/corals/placing';
import type { Spot } from '@/core/records/schema/spot';
import { DEFAULT_REEF, type Tank } from '@/core/records/schema/tank';
import { formatPlain } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { CautionRemark } from '@/frame/CautionRemark';
import { useMeasures } from '@/frame/useMeasures';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectTank } from '@/store/selectors';
import { PlacingMap } from '@/ui/PlacingMap';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { AnimalPicker } from '../AnimalPicker';
import { useStock } from '../useStock';
import { Draw } from './Draw';
import { FromFront } from './FromFront';
import { RampPart } from './RampPart';
import { SpotFields, type SpotHead } from './SpotFields';
import { Zones } from './Zones';

/** A tank whose size nobody told is drawn at this one, cm. */
const USUAL_SIZE = { length: 100, width: 50 };

function sizeOf({ volume }: Tank): { length: number; width: number; known: boolean } {
  return volume.shell.by === 'dimensions'
    ? { length: volume.shell.box.length, width: volume.shell.box.width, known: true }
    : { ...USUAL_SIZE, known: false };
}

/** Where corals stand: from above and by height, with what stands against each place. */
export function CoralsScreen() {
  const measured = useMeasures();
  const stock = useStock();
  const dispatch = useAppDispatch();
  const tank = useAppSelector(selectTank);
  const all = useAppSelector((state) => state.log.spots);
  const [chosen, setChosen] = useState<string | null>(null);
  const [text, setText] = useTyped('corals/sought');
  if (!stock || !tank) return null;
  const { find, here } = stock;
  const spots = all.filter(({ body }) => body.tankId === tank.id);
  const reef = tank.body.reef ?? DEFAULT_REEF;
  const { length, width, known } = sizeOf(tank.body);
  const placed = spots.flatMap(({ id, body }): Placed[] => {
    const animal = find(body.species);
    return isCoral(animal) ? [{ id, spot: body, animal }] : [];
  });
  const findings = placeFindings(placed, reef, length);
  const troubled = new Set(
    findings.filter(({ rule }) => rule !== 'chemistry').flatMap(({ between }) => between),
  );
  const unplaced = here.filter(
    (lot) =>
      lot.group === 'coral' &&
      isCoral(find(lot.species ?? '')) &&
      !spots.some(({ body }) => body.lot === lot.id),
  );
  const put = (species: string, what: string, lot?: string) => {
    setText('');
    const spot: Spot = {
      tankId: tank.id,
      what,
      species,
      ...(lot === undefined ? {} : { lot }),
      x: Math.round((length * (spots.length % 3 === 0 ? 1 : spots.length % 3 === 1 ? 2 : 3)) / 4),
      z: Math.round(width / 2),
      level: 'middle',
    };
    void dispatch(
      recordAct((act) => {
        setChosen(act.create('spot', spot));
      }, `${what} on the plan`),
    );
  };
  const change = (head: SpotHead, changes: Partial<Spot>, words: string) =>
    void dispatch(recordAct((act) => act.revise(head, { ...head.body, ...changes }), words));
  const current = spots.find(({ id }) => id === chosen);
  const worst = findings[0];
  return (
    <Screen
      head={<BackHead title="Stock" aside={tank.body.name} />}
      aside={
        <>
          <Zones tank={tank} reef={reef} />
          <RampPart tank={tank} />
          <Draw stock={stock} placed={placed} />
        </>
      }
    >
      <Opening
        title={
          placed.length === 0
            ? 'No coral on the plan.'
            : worst
              ? worst.severity === 'no'
                ? 'A place that harms.'
                : 'Places to think over.'
              : 'Each has its room.'
        }
      >
        {worst
          ? measured(worst.because)
          : placed.length === 0
            ? 'Put them where they are to stand: light, flow and sting range at night are checked as you move them. Corals may come before fish: they make next to no ammonia.'
            : 'Light, flow, sting range and growth fit together here.'}
      </Opening>
      <PlacingMap
        label={`The tank from above, ${formatPlain(length, 0)} by ${formatPlain(width, 0)} cm`}
        widthCm={length}
        depthCm={width}
        chosen={chosen}
        onChoose={setChosen}
        onMove={(id, x, z) => {
          const head = spots.find((spot) => spot.id === id);
          setChosen(id);
          if (head && (head.body.x !== x || head.body.z !== z)) {
            change(head, { x, z }, `${head.body.what} moved`);
          }
        }}
        items={placed.map(({ id, spot, animal }) => ({
          id,
          name: spot.what,
          x: spot.x,
          z: spot.z,
          reach: animal.sweepersCm,
          trouble: troubled.has(id),
        }))}
      />
      <Words as="soft">
        {`Back pane above, front below${known ? '' : '; drawn 100 by 50 cm, since its size was not told'}. A ring is what a coral reaches at night.`}
      </Words>
      <FromFront
        placed={placed}
        reef={reef}
        lengthCm={length}
        troubled={troubled}
        chosen={chosen}
      />
      {current ? (
        <SpotFields
          key={current.id}
          head={current}
          reef={reef}
          zone={tank.body.zone}
          now={stock.now}
          onChange={(changes, words) => change(current, changes, words)}
          onRemove={() =>
            void dispatch(
              recordAct((act) => act.remove(current), `${current.body.what} off the plan`),
            )
          }
        />
      ) : null}
      <Findings findings={findings} />
      {unplaced.length > 0 ? (
        <View>
          <SectionHead title="Not on the plan yet" />
          {unplaced.map((lot) => (
            <Row
              key={lot.id}
              title={lot.what}
              note="Lives here"
              onPress={() => put(lot.species ?? '', lot.what, lot.id)}
            />
          ))}
        </View>
      ) : null}
      <AnimalPicker
        label="Put another on the plan"
        value={text}
        picked={false}
        onChange={setText}
        onPick={(animal) => {
          if (isCoral(animal)) put(animal.id, animal.names[0] ?? animal.scientific);
          else setText('');
        }}
      />
      <CautionRemark caution={CAUTIONS.palytoxin} />
    </Screen>
  );
}

function Findings({ findings }: { findings: readonly PlaceFinding[] }) {
  const measured = useMeasures();
  if (findings.length === 0) return null;
  return (
    <View>
      <SectionHead title="What stands against it" />
      {findings.map(({ rule, between, because, mend }) => (
        <Row key={rule + between.join()} title={measured(because)} note={measured(mend)} />
      ))}
    </View>
  );
}
