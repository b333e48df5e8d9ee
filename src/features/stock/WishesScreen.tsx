import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { planBy } from '@/core/livestock/planner/by';
import type { Plan } from '@/core/livestock/planner/types';
import { animalsCalled } from '@/core/records/kinds/animals';
import { daySchema, NOTE_LETTERS } from '@/core/records/common';
import type { RevisionOf } from '@/core/records/schema/revision';
import { DEFAULT_STOCKING, type Pace, type Stocking, type Tank } from '@/core/records/schema/tank';
import type { Wish } from '@/core/records/schema/wish';
import { PROTOCOLS, protocolOf } from '@/core/quarantine/protocols';
import { dayWords, shortDay } from '@/core/time/words';
import { dayOf, dayStart, isoInZone } from '@/core/time/zone';
import { countOf, listWords } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectNow, selectTank } from '@/store/selectors';
import { Choice } from '@/ui/Choice';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { SortableList } from '@/ui/SortableList';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { AnimalPicker } from './AnimalPicker';
import { Moves } from './PlanList';
import { Stepper } from './Stepper';
import { useFinder, useStock } from './useStock';
import { orderAt } from './wishOrder';

const isDay = (text: string) => daySchema.safeParse(text).success;

type WishHead = RevisionOf<'wish'>;

/** Whom the keeper wishes for, in order, each with its date; pins, and rules set aside with a reason. */
export function WishesScreen({ given }: { given: Readonly<Record<string, string>> }) {
  const stock = useStock();
  const find = useFinder();
  const dispatch = useAppDispatch();
  const tank = useAppSelector(selectTank);
  const all = useAppSelector((state) => state.log.wishes);
  const moves = useAppSelector((state) => state.computed.moves[tank?.id ?? '']?.value);
  const [open, setOpen] = useState<string | null>(given.wish ?? null);
  const [text, setText] = useState('');
  if (!tank || !stock) return null;
  const { plan } = stock;
  const { zone } = tank.body;
  const wishes = all
    .filter(({ body }) => body.tankId === tank.id)
    .sort((a, b) => a.body.order - b.body.order || (a.id < b.id ? -1 : 1));
  const nameOf = ({ body }: WishHead) => find(body.species)?.names[0] ?? body.species;
  const move = (id: string, place: number) => {
    const head = wishes.find((wish) => wish.id === id);
    if (!head) return;
    const others = wishes.filter((wish) => wish !== head).map(({ body }) => body.order);
    void dispatch(
      recordAct(
        (act) => act.revise(head, { ...head.body, order: orderAt(others, place) }),
        'Order changed',
      ),
    );
  };
  const add = (species: string) => {
    const order = Math.max(0, ...wishes.map(({ body }) => body.order)) + 1;
    setText('');
    void dispatch(
      recordAct(
        (act) => act.create('wish', { tankId: tank.id, species, count: 1, order }),
        'Wished for',
      ),
    );
  };
  const planned = plan?.items.length ?? 0;
  const last = plan?.items.at(-1);
  return (
    <Screen
      head={<BackHead title="Stock" aside={tank.body.name} />}
      aside={
        <>
          <PaceChoice tank={tank} />
          {plan && planned > 0 ? <ReadyBy plan={plan} zone={zone} /> : null}
        </>
      }
    >
      <Opening
        title={
          wishes.length === 0
            ? 'Nobody wished for yet.'
            : !plan
              ? 'Their days are being worked out.'
              : last
                ? `${countOf(planned, 'wish', 'wishes')} by ${shortDay(last.addOn.p50, zone)}.`
                : 'No date for any of them yet.'
        }
      >
        {wishes.length === 0
          ? 'Say whom you would like: each gets a day and the reason for it.'
          : 'Drag to change which comes first where two could. A pinned day holds; the rest moves around it.'}
      </Opening>
      {moves && moves.length > 0 ? <Moves moves={moves} zone={zone} /> : null}
      <SortableList
        label="Wishes"
        items={wishes}
        nameOf={nameOf}
        onMove={move}
        render={(wish) => (
          <WishRow
            wish={wish}
            name={nameOf(wish)}
            plan={plan}
            zone={zone}
            open={open === wish.id}
            onToggle={() => setOpen(open === wish.id ? null : wish.id)}
          />
        )}
      />
      <AnimalPicker
        label="Wish for another"
        value={text}
        picked={false}
        onChange={setText}
        onPick={(animal) => add(animal.id)}
      />
    </Screen>
  );
}

function WishRow({
  wish,
  name,
  plan,
  zone,
  open,
  onToggle,
}: {
  wish: WishHead;
  name: string;
  plan: Plan | null;
  zone: string;
  open: boolean;
  onToggle: () => void;
}) {
  const item = plan?.items.find(({ wishId }) => wishId === wish.id);
  const refusal = plan?.refused.find(({ wishId }) => wishId === wish.id);
  const { count, pinned } = wish.body;
  const day = item ? dayWords(item.addOn.p50, zone) : refusal ? 'not planned' : 'being planned';
  return (
    <View style={{ paddingVertical: space.s, gap: space.s }}>
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={onToggle}
        style={{ minHeight: 52, justifyContent: 'center' }}
      >
        <Words as="strong">{`${animalsCalled(name, count)}: ${day}${pinned ? ', pinned' : ''}`}</Words>
        <Words as="soft">{item?.because ?? refusal?.because ?? ''}</Words>
      </Pressable>
      {open ? <WishFields wish={wish} name={name} plan={plan} zone={zone} /> : null}
    </View>
  );
}

/** What can be changed of one wish, and what of it must be seen to. */
function WishFields({
  wish,
  name,
  plan,
  zone,
}: {
  wish: WishHead;
  name: string;
  plan: Plan | null;
  zone: string;
}) {
  const dispatch = useAppDispatch();
  const now = useAppSelector(selectNow);
  const [day, setDay] = useState(wish.body.pinned ?? '');
  const [reason, setReason] = useState(wish.body.override?.reason ?? '');
  const item = plan?.items.find(({ wishId }) => wishId === wish.id);
  const refusal = plan?.refused.find(({ wishId }) => wishId === wish.id);
  const change = (changes: Partial<Wish>, words: string) => {
    const next: Wish = { ...wish.body, ...changes };
    if (next.pinned === undefined) delete next.pinned;
    if (next.override === undefined) delete next.override;
    void dispatch(recordAct((act) => act.revise(wish, next), words));
  };
  return (
    <View style={{ gap: space.m, paddingBottom: space.m }}>
      <Stepper
        label="How many"
        value={wish.body.count}
        onChange={(count) => change({ count }, `${name}: ${count}`)}
      />
      {item?.quarantineFrom != null ? (
        <Words as="body">{`Into ${item.quarantineTank ?? 'quarantine'} on ${dayWords(item.quarantineFrom, zone)}, batch ${item.batch ?? 1}.`}</Words>
      ) : null}
      {item?.cares.map((care) => (
        <Remark key={care}>{care}</Remark>
      ))}
      {refusal ? <Remark title="What would mend it">{refusal.mend}</Remark> : null}
      <DayField
        label="Pinned to a day"
        ahead
        value={day}
        today={dayOf(now, zone)}
        error={
          day === ''
            ? undefined
            : !isDay(day)
              ? 'Give a day, such as 4 May.'
              : day < dayOf(now, zone)
                ? 'That day is past.'
                : undefined
        }
        onChange={setDay}
      />
      <ButtonRow>
        <Button
          label="Pin it"
          disabled={!isDay(day) || day < dayOf(now, zone) || day === wish.body.pinned}
          onPress={() => change({ pinned: day }, `${name} pinned`)}
        />
        {wish.body.pinned ? (
          <Button
            label="Let the day go"
            onPress={() => {
              setDay('');
              change({ pinned: undefined }, `${name} free again`);
            }}
          />
        ) : null}
      </ButtonRow>
      {refusal || wish.body.override ? (
        <View style={{ gap: space.s }}>
          <Field
            label="Set the rule aside, because"
            value={reason}
            onChange={setReason}
            hint="Your reason is kept with the plan."
            error={reason.length > NOTE_LETTERS ? 'Shorten it.' : undefined}
          />
          <ButtonRow>
            <Button
              label="Set it aside"
              kind="danger"
              disabled={reason.trim() === '' || reason.length > NOTE_LETTERS}
              onPress={() =>
                change(
                  { override: { reason: reason.trim(), at: isoInZone(now, zone) } },
                  `${name}: rule set aside`,
                )
              }
            />
            {wish.body.override ? (
              <Button
                label="Keep to the rule"
                onPress={() => change({ override: undefined }, `${name}: rule kept`)}
              />
            ) : null}
          </ButtonRow>
        </View>
      ) : null}
      <LinkButton
        soft
        label={`Take ${name.toLowerCase()} off the list`}
        onPress={() => void dispatch(recordAct((act) => act.remove(wish), `${name} taken off`))}
      />
    </View>
  );
}

const PACES: { value: string; label: string; pace: Pace; trades: string }[] = [
  {
    value: 'doubling',
    label: 'At most double a month',
    pace: { school: 'doubling' },
    trades: 'The filter grows with its food: a month’s additions at most double it.',
  },
  {
    value: 'interval',
    label: 'One, then three weeks',
    pace: { school: 'interval', days: 21 },
    trades: 'Slow and simple: one or two fish, then three weeks with tests.',
  },
  {
    value: 'measured',
    label: 'What the model carries',
    pace: { school: 'measured' },
    trades: 'Quickest: as much as your readings say the filter carries, a week apart.',
  },
];

/** The pace and the quarantine of a tank, with what each trades. */
function PaceChoice({ tank }: { tank: RevisionOf<'tank'> }) {
  const dispatch = useAppDispatch();
  const stocking = tank.body.stocking ?? DEFAULT_STOCKING;
  const choose = (next: Stocking) => {
    const body: Tank = { ...tank.body, stocking: next };
    void dispatch(recordAct((act) => act.revise(tank, body), 'Stocking changed'));
  };
  const pace = PACES.find(({ value }) => value === stocking.pace.school);
  const protocol = protocolOf(stocking.protocol);
  return (
    <View style={{ gap: space.m }}>
      <SectionHead title="How fast" />
      <Choice
        label="Pace"
        bare
        value={stocking.pace.school}
        onChange={(value) => {
          const chosen = PACES.find((one) => one.value === value);
          if (chosen) choose({ ...stocking, pace: chosen.pace });
        }}
        options={
          PACES.map(({ value, label }) => ({ value, label })) as {
            value: Pace['school'];
            label: string;
          }[]
        }
      />
      <Words as="soft">{pace?.trades ?? ''}</Words>
      <SectionHead title="Quarantine" />
      <Choice
        label="Quarantine"
        bare
        value={protocol.id}
        onChange={(id) => choose({ ...stocking, protocol: id })}
        options={PROTOCOLS.map(({ id, name }) => ({ value: id, label: name }))}
      />
      {protocol.days === 0 ? (
        <Remark tone="caution" title="No quarantine">
          {protocol.trades}
        </Remark>
      ) : (
        <Words as="soft">{`${protocol.days} days. ${protocol.trades}`}</Words>
      )}
    </View>
  );
}

/** A day to be ready by: what would be in, what may be, and what would be rushed. */
function ReadyBy({ plan, zone }: { plan: Plan; zone: string }) {
  const now = useAppSelector(selectNow);
  const [day, setDay] = useState('');
  const names = (items: Plan['items']) =>
    listWords(items.map(({ name, count }) => animalsCalled(name, count)));
  const moment = isDay(day) ? dayStart(day, zone) : null;
  const by = moment === null ? null : planBy(plan, moment);
  return (
    <View style={{ gap: space.s }}>
      <SectionHead title="Ready by a day?" />
      <DayField
        label="Guests, a wedding, a holiday"
        ahead
        value={day}
        today={dayOf(now, zone)}
        onChange={setDay}
      />
      {by && moment !== null ? (
        <View aria-live="polite" style={{ gap: space.s }}>
          <Words as="body">
            {by.sure.length > 0
              ? `In by ${dayWords(moment, zone)}: ${names(by.sure)}.`
              : `By ${dayWords(moment, zone)} nobody is surely in.`}
          </Words>
          {by.maybe.length > 0 ? <Words as="body">{`Perhaps: ${names(by.maybe)}.`}</Words> : null}
          {by.rushed.length > 0 ? (
            <Remark tone="caution" title="Would be rushed">
              {`${names(by.rushed)}: the first of them for this reason. ${by.rushed[0]?.because ?? ''}.`}
            </Remark>
          ) : null}
        </View>
      ) : null}
    </View>
  );
}
