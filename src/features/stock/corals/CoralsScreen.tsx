import { useState } from 'react';
import { View } from 'react-native';
import { CAUTIONS } from '@/core/cautions';
import { isCoral, placeFindings, type Placed, type PlaceFinding } from '@/core/corals/placing';
import type { Position } from '@/core/records/schema/position';
import { DEFAULT_REEF, type Tank } from '@/core/records/schema/tank';
import { formatPlain } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { CautionRemark } from '@/frame/CautionRemark';
import { useMeasures } from '@/frame/useMeasures';
import { ReadMore } from '@/frame/ReadMore';
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
import { PositionFields, type PositionHead } from './PositionFields';
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
  const all = useAppSelector((state) => state.log.positions);
  const [chosen, setChosen] = useState<string | null>(null);
  const [text, setText] = useTyped('corals/sought');
  if (!stock || !tank) return null;
  const { find, here } = stock;
  const positions = all.filter(({ body }) => body.tankId === tank.id);
  const reef = tank.body.reef ?? DEFAULT_REEF;
  const { length, width, known } = sizeOf(tank.body);
  const placed = positions.flatMap(({ id, body }): Placed[] => {
    const animal = find(body.species);
    return isCoral(animal) ? [{ id, position: body, animal }] : [];
  });
  const findings = placeFindings(placed, reef, length);
  const troubled = new Set(
    findings.filter(({ rule }) => rule !== 'chemistry').flatMap(({ between }) => between),
  );
  const unplaced = here.filter(
    (cohort) =>
      cohort.group === 'coral' &&
      isCoral(find(cohort.species ?? '')) &&
      !positions.some(({ body }) => body.cohort === cohort.id),
  );
  const put = (species: string, what: string, cohort?: string) => {
    setText('');
    const position: Position = {
      tankId: tank.id,
      what,
      species,
      ...(cohort === undefined ? {} : { cohort }),
      x: Math.round(
        (length * (positions.length % 3 === 0 ? 1 : positions.length % 3 === 1 ? 2 : 3)) / 4,
      ),
      z: Math.round(width / 2),
      level: 'middle',
    };
    void dispatch(
      recordAct((act) => {
        setChosen(act.create('position', position));
      }, `${what} on the plan`),
    );
  };
  const change = (head: PositionHead, changes: Partial<Position>, words: string) =>
    void dispatch(recordAct((act) => act.revise(head, { ...head.body, ...changes }), words));
  const current = positions.find(({ id }) => id === chosen);
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
      {placed.length === 0 ? <ReadMore page="corals" /> : null}
      <PlacingMap
        label={`The tank from above, ${formatPlain(length, 0)} by ${formatPlain(width, 0)} cm`}
        widthCm={length}
        depthCm={width}
        chosen={chosen}
        onChoose={setChosen}
        onMove={(id, x, z) => {
          const head = positions.find((position) => position.id === id);
          setChosen(id);
          if (head && (head.body.x !== x || head.body.z !== z)) {
            change(head, { x, z }, `${head.body.what} moved`);
          }
        }}
        items={placed.map(({ id, position, animal }) => ({
          id,
          name: position.what,
          x: position.x,
          z: position.z,
          stingRange: animal.sweepersCm,
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
        <PositionFields
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
          {unplaced.map((cohort) => (
            <Row
              key={cohort.id}
              title={cohort.what}
              note="Lives here"
              onPress={() => put(cohort.species ?? '', cohort.what, cohort.id)}
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
