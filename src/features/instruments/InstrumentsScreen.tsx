import { to } from '@/frame/addresses';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import { PARAMETERS } from '@/core/parameters/registry';
import { isPastItsDate } from '@/core/history/reading';
import { checksOf, trustOf } from '@/core/instruments/correction';
import { calibrateEvery } from '@/core/instruments/calibrateEvery';
import { supplyOf, supplyWords } from '@/core/instruments/supply';
import { trustWords } from '@/core/instruments/trustWords';
import type { Log } from '@/core/records/log';
import { heaterWords } from '@/core/records/kinds/standing';
import { kitFacts } from '@/core/instruments/kitFacts';
import type { RevisionOf } from '@/core/records/schema/revision';
import { instant } from '@/core/time/zone';
import { countOf, listWords } from '@/core/units/format';
import { logPath } from '@/frame/logPaths';
import { selectHistory } from '@/store/inView';
import { recordAct } from '@/store/record';
import { selectKits, selectLog, selectNow, selectZone } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { Bare, Button, LinkButton } from '@/ui/Press';
import { ToneMark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { color } from '@/ui/tokens';
import { Words } from '@/ui/Words';

/** Test kits and meters, in the order of the test sheet. */
export function InstrumentsScreen() {
  const kits = useAppSelector(selectKits);
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const router = useRouter();
  const inUse = kits.filter((kit) => kit.body.inUse);
  const others = kits.filter((kit) => !kit.body.inUse);
  const log = useAppSelector(selectLog);
  const due = kits.filter((kit) => isDue(kit, log, now));
  const expired = kits.filter((kit) => isPastItsDate(kit.body, now, zone));
  return (
    <Screen>
      <Opening
        title={kits.length === 0 ? 'No instruments yet.' : `${countOf(kits.length, 'instrument')}.`}
      >
        {kits.length === 0
          ? 'Add the kits and meters you own; the test sheet is made of their rows.'
          : expired.length > 0
            ? `${expired.map((kit) => kit.body.name).join(', ')}: past ${expired.length === 1 ? 'its' : 'their'} date, so ${expired.length === 1 ? 'it decides' : 'they decide'} nothing.`
            : due.length > 0
              ? `${listWords(due.map((kit) => kit.body.name))}: due to be checked against a standard.`
              : 'All are within their dates.'}
      </Opening>
      {kits.some((kit) => calibrateEvery(kit.body) !== null) ? (
        <Button
          label="Calibrate one, step by step"
          onPress={() => router.push(to.run('calibrate'))}
        />
      ) : null}
      {inUse.length > 0 ? <SectionHead title="On the test sheet" end="in this order" /> : null}
      <View>
        {inUse.map((kit, index) => (
          <View key={kit.id} style={{ flexDirection: 'row', alignItems: 'center' }}>
            <View style={{ flex: 1 }}>
              <KitRow kit={kit} now={now} />
            </View>
            <Mover kits={inUse} index={index} />
          </View>
        ))}
      </View>
      <HeaterRow />
      {others.length > 0 ? <SectionHead title="Kept aside" end="added when needed" /> : null}
      <View>
        {others.map((kit) => (
          <KitRow key={kit.id} kit={kit} now={now} />
        ))}
      </View>
      <LinkButton label="Which of the usual tests I own" onPress={() => router.push(to.ownTests)} />
      <Button label="Add an instrument" onPress={() => router.push('/instruments/new')} />
    </Screen>
  );
}

/** When each kit was read with, at any tank, in order of time. */
function readTimes(log: Log): Map<string, number[]> {
  const times = new Map<string, number[]>();
  for (const heads of Object.values(log.entries)) {
    for (const { body } of heads) {
      if (body.kind !== 'reading') continue;
      const list = times.get(body.kitId) ?? [];
      times.set(body.kitId, list);
      list.push(instant(body.at));
    }
  }
  for (const list of times.values()) list.sort((a, b) => a - b);
  return times;
}

/** Whether an instrument is to be checked against a standard again. */
function isDue(kit: RevisionOf<'kit'>, log: Log, now: number): boolean {
  const every = calibrateEvery(kit.body);
  const checks = checksOf(log.calibrations, kit.id);
  return every !== null && checks.length > 0 && trustOf(checks, every, now).state === 'overdue';
}

/** The heater of the tank in view, by its last check. */
function HeaterRow() {
  const router = useRouter();
  const history = useAppSelector(selectHistory);
  if (!history || history.start === null) return null;
  const last = history.entries.heaterCheck.at(-1);
  const words = last ? heaterWords(last.entry) : 'never checked against a thermometer';
  return (
    <View>
      <SectionHead title="Heater" end={history.tank.name} />
      <Row
        title="Dial against thermometer"
        note={words}
        onPress={() => router.push(to.log(logPath('heaterCheck')))}
      />
    </View>
  );
}

function KitRow({ kit, now }: { kit: RevisionOf<'kit'>; now: number }) {
  const router = useRouter();
  const zone = useAppSelector(selectZone);
  const log = useAppSelector(selectLog);
  const times = useMemo(() => readTimes(log), [log]);
  const every = calibrateEvery(kit.body);
  const supply = supplyOf(kit.body, times.get(kit.id) ?? [], now, zone);
  const more = [
    every === null
      ? ''
      : trustWords(
          PARAMETERS[kit.body.parameter].canonicalUnit,
          checksOf(log.calibrations, kit.id),
          every,
          now,
        ),
    supply ? supplyWords(supply, zone) : '',
  ];
  return (
    <Row
      title={kit.body.name}
      note={[...kitFacts(kit.body, now, zone), ...more].filter(Boolean).join(', ')}
      lead={
        isPastItsDate(kit.body, now, zone) ? (
          <ToneMark tone="caution" />
        ) : isDue(kit, log, now) ? (
          <ToneMark tone="watch" />
        ) : undefined
      }
      end={<Words as="small">change</Words>}
      onPress={() => router.push(to.instrument(kit.id))}
    />
  );
}

/** Moves a kit one place up or down the test sheet, by exchanging places with its neighbour. */
function Mover({ kits, index }: { kits: readonly RevisionOf<'kit'>[]; index: number }) {
  const dispatch = useAppDispatch();
  const kit = kits[index];
  const swap = (other: RevisionOf<'kit'> | undefined) => {
    if (!kit || !other) return;
    void dispatch(
      recordAct((act) => {
        act.revise(kit, { ...kit.body, order: other.body.order });
        act.revise(other, { ...other.body, order: kit.body.order });
      }, `Moved ${kit.body.name}`),
    );
  };
  if (!kit) return null;
  return (
    <View style={{ flexDirection: 'row' }}>
      <Bare label={`Move ${kit.body.name} up`} onPress={() => swap(kits[index - 1])}>
        <ArrowUp size={18} color={index === 0 ? color.rule : color.ink} />
      </Bare>
      <Bare label={`Move ${kit.body.name} down`} onPress={() => swap(kits[index + 1])}>
        <ArrowDown size={18} color={index === kits.length - 1 ? color.rule : color.ink} />
      </Bare>
    </View>
  );
}
