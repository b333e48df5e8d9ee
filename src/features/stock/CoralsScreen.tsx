import { useState } from 'react';
import { View } from 'react-native';
import { CAUTIONS } from '@/core/cautions';
import { rampSteps } from '@/core/corals/ramp';
import {
  isCoral,
  lightSteps,
  placeFindings,
  usualDraw,
  type Placed,
  type PlaceFinding,
} from '@/core/corals/placing';
import type { RevisionOf } from '@/core/records/schema/revision';
import { LEVELS, LIGHT_LEVELS, type Level, type Spot } from '@/core/records/schema/spot';
import { DEFAULT_REEF, type Ramp, type Reef, type Tank } from '@/core/records/schema/tank';
import { consumptionOf } from '@/core/water/consumption';
import { dayWords, shortDay } from '@/core/time/words';
import { addDaysIn, dayOf } from '@/core/time/zone';
import { MEQ_PER_DKH } from '@/core/units/constants';
import { capitalise, formatPlain } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { CautionRemark } from '@/frame/CautionRemark';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectTank } from '@/store/selectors';
import { Choice } from '@/ui/Choice';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { PlacingMap } from '@/ui/PlacingMap';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { AnimalPicker } from './AnimalPicker';
import { Stepper } from './Stepper';
import { useStock, type StockView } from './useStock';

type SpotHead = RevisionOf<'spot'>;

/** A tank whose size nobody told is drawn at this one, cm. */
const USUAL_SIZE = { length: 100, width: 50 };
const LEVEL_WORDS: Record<Level, string> = {
  sand: 'On the sand',
  low: 'Low rock',
  middle: 'Middle',
  high: 'High',
};

function sizeOf({ volume }: Tank): { length: number; width: number; known: boolean } {
  return volume.shell.by === 'dimensions'
    ? { length: volume.shell.box.length, width: volume.shell.box.width, known: true }
    : { ...USUAL_SIZE, known: false };
}

/** Where corals stand: from above and by height, with what stands against each place. */
export function CoralsScreen() {
  const stock = useStock();
  const dispatch = useAppDispatch();
  const tank = useAppSelector(selectTank);
  const all = useAppSelector((state) => state.log.spots);
  const [chosen, setChosen] = useState<string | null>(null);
  const [text, setText] = useState('');
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
          ? worst.because
          : placed.length === 0
            ? 'Put them where they are to stand: light, flow and reach at night are checked as you move them. Corals may come before fish: they make next to no ammonia.'
            : 'Light, flow, reach and growth bear each other here.'}
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
  if (findings.length === 0) return null;
  return (
    <View>
      <SectionHead title="What stands against it" />
      {findings.map(({ rule, between, because, mend }) => (
        <Row key={rule + between.join()} title={because} note={mend} />
      ))}
    </View>
  );
}

/** The height of one coral, the light it had, and its way there. */
function SpotFields({
  head,
  reef,
  zone,
  now,
  onChange,
  onRemove,
}: {
  head: SpotHead;
  reef: Reef;
  zone: string;
  now: number;
  onChange: (changes: Partial<Spot>, words: string) => void;
  onRemove: () => void;
}) {
  const { what, level, cameFrom } = head.body;
  const steps = lightSteps(cameFrom, level, reef);
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title={what} />
      <Choice
        label="How high"
        value={level}
        onChange={(next) =>
          onChange({ level: next }, `${what}: ${LEVEL_WORDS[next].toLowerCase()}`)
        }
        options={LEVELS.map((value) => ({ value, label: LEVEL_WORDS[value] }))}
      />
      <Choice
        label="The light it had"
        value={cameFrom ?? null}
        onChange={(next) => onChange({ cameFrom: next }, `${what} had ${next} light`)}
        options={LIGHT_LEVELS.map((value) => ({ value, label: `${capitalise(value)} light` }))}
      />
      <Words as="body">
        {steps.length === 1
          ? 'It may go to its place at once.'
          : `${steps.map(({ day, level: at }) => `${LEVEL_WORDS[at].toLowerCase()} from ${shortDay(addDaysIn(now, day, zone), zone)}`).join(', ')}: it rises by a level every two weeks${cameFrom ? '' : ', since nobody said what light it had'}.`}
      </Words>
      <Words as="soft">
        Before it comes in: looked over, dipped by the label, rinsed, isolated as long as the eggs
        of its pests take.
      </Words>
      <LinkButton soft label="Take it off the plan" onPress={onRemove} />
    </View>
  );
}

/** What light each height has, and what flow each third. */
function Zones({ tank, reef }: { tank: RevisionOf<'tank'>; reef: Reef }) {
  const dispatch = useAppDispatch();
  const [open, setOpen] = useState(false);
  const save = (next: Reef) =>
    void dispatch(
      recordAct((act) => act.revise(tank, { ...tank.body, reef: next }), 'Zones changed'),
    );
  const THIRDS = ['Left third', 'Middle third', 'Right third'];
  return (
    <View style={{ gap: 12 }}>
      <SectionHead
        title="Light and flow"
        end={<LinkButton soft label={open ? 'Done' : 'Change'} onPress={() => setOpen(!open)} />}
      />
      {open ? (
        <>
          {LEVELS.map((level) => (
            <Choice
              key={level}
              label={`Light: ${LEVEL_WORDS[level].toLowerCase()}`}
              value={reef.light[level]}
              onChange={(light) => save({ ...reef, light: { ...reef.light, [level]: light } })}
              options={LIGHT_LEVELS.map((value) => ({ value, label: capitalise(value) }))}
            />
          ))}
          {reef.flow.map((flow, third) => (
            <Choice
              key={third}
              label={`Flow: ${THIRDS[third]?.toLowerCase() ?? ''}`}
              value={flow}
              onChange={(next) => {
                const [a, b, c] = reef.flow.map((old, i) => (i === third ? next : old));
                if (a && b && c) save({ ...reef, flow: [a, b, c] });
              }}
              options={(['gentle', 'medium', 'strong'] as const).map((value) => ({
                value,
                label: capitalise(value),
              }))}
            />
          ))}
        </>
      ) : (
        <Words as="soft">
          {`Light ${LEVELS.map((level) => `${reef.light[level]} ${LEVEL_WORDS[level].toLowerCase()}`).join(', ')}; flow ${reef.flow.join(', ')} from left to right.`}
        </Words>
      )}
    </View>
  );
}

/** The light of the whole tank, raised week by week. */
function RampPart({ tank }: { tank: RevisionOf<'tank'> }) {
  const dispatch = useAppDispatch();
  const now = useAppSelector((state) => state.clock.now);
  const { ramp, zone } = tank.body;
  const [weeks, setWeeks] = useState(ramp?.weeks ?? 6);
  const begin = () => {
    const next: Ramp = { from: 25, to: 70, weeks, start: dayOf(now, zone) };
    void dispatch(
      recordAct((act) => act.revise(tank, { ...tank.body, ramp: next }), 'Light steps planned'),
    );
  };
  const steps = ramp ? rampSteps(ramp, zone) : [];
  const next = steps.find(({ at }) => at > now);
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title="Raising the light" />
      {ramp ? (
        <>
          <Words as="body">
            {next
              ? `Next ${next.percent} % on ${dayWords(next.at, zone)}.`
              : `At ${ramp.to} % since ${dayWords(steps.at(-1)?.at ?? now, zone)}.`}
          </Words>
          <Words as="soft">
            {steps.map(({ at, percent }) => `${shortDay(at, zone)} ${percent} %`).join(', ')}
          </Words>
          <LinkButton
            soft
            label="Take the steps off"
            onPress={() => {
              const { ramp: _gone, ...rest } = tank.body;
              void dispatch(recordAct((act) => act.revise(tank, rest), 'Light steps taken off'));
            }}
          />
        </>
      ) : (
        <>
          <Words as="soft">
            From a quarter to seven tenths of its power, a step a week: corals and algae follow, and
            neither is burnt.
          </Words>
          <Stepper label="Weeks" value={weeks} onChange={setWeeks} most={12} />
          <ButtonRow>
            <Button label="Plan the steps from today" onPress={begin} />
          </ButtonRow>
        </>
      )}
    </View>
  );
}

/** What the corals usually draw on alkalinity, against what is measured. */
function Draw({ stock, placed }: { stock: StockView; placed: readonly Placed[] }) {
  const { history, here, find } = stock;
  const living = here.flatMap(({ species }) => {
    const animal = find(species ?? '');
    return isCoral(animal) ? [animal] : [];
  });
  const corals = [
    ...living,
    ...placed.filter(({ spot }) => spot.lot === undefined).map(({ animal }) => animal),
  ];
  if (corals.length === 0) return null;
  const { low, high } = usualDraw(corals, history.netLitres);
  const used = consumptionOf(history, 'alkalinity');
  const measured = used === null ? null : used.perDay / MEQ_PER_DKH;
  return (
    <View style={{ gap: 8 }}>
      <SectionHead title="Alkalinity" />
      <Words as="body">
        {`What lives here and is planned usually draws ${formatPlain(low, 2)} to ${formatPlain(high, 2)} dKH a day${measured === null ? '' : `; ${formatPlain(measured, 2)} was measured`}.`}
      </Words>
      {measured === null ? (
        <Remark>Alkalinity tested weekly would show what they really use.</Remark>
      ) : null}
    </View>
  );
}
