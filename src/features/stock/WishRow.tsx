import { View } from 'react-native';
import type { Plan } from '@/core/livestock/planner/types';
import { useMeasures } from '@/frame/useMeasures';
import { comesWith } from '@/core/livestock/catalogue';
import { callIt } from '@/core/livestock/compatibility/types';
import { animalsCalled } from '@/core/records/kinds/animals';
import { daySchema, NOTE_LETTERS } from '@/core/records/common';
import type { RevisionOf } from '@/core/records/schema/revision';
import type { Wish } from '@/core/records/schema/wish';
import { dayWords } from '@/core/time/words';
import { dayOf, isoInZone } from '@/core/time/zone';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectNow } from '@/store/selectors';
import { Choice } from '@/ui/Choice';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { useFinder } from './useStock';
import { InsteadRows } from './InsteadRows';
import { Stepper } from './Stepper';
import { Tap } from '@/ui/press/Tap';

const isDay = (text: string) => daySchema.safeParse(text).success;

export type WishHead = RevisionOf<'wish'>;

/** One wish: its day and why, and opened, what can be changed of it. */
export function WishRow({
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
  const measured = useMeasures();
  const now = useAppSelector(selectNow);
  const item = plan?.items.find(({ wishId }) => wishId === wish.id);
  const refusal = plan?.refused.find(({ wishId }) => wishId === wish.id);
  const { count, pinned } = wish.body;
  const day = item
    ? dayWords(item.addOn.p50, zone, now)
    : refusal
      ? 'not planned'
      : 'being planned';
  return (
    <View style={{ paddingVertical: space.s, gap: space.s }}>
      <Tap
        role="button"
        aria-expanded={open}
        onPress={onToggle}
        style={{ minHeight: 52, justifyContent: 'center' }}
      >
        <Words as="strong">{`${animalsCalled(name, count)}: ${day}${pinned ? ', pinned' : ''}`}</Words>
        <Words as="soft">{measured(item?.because ?? refusal?.because ?? '')}</Words>
      </Tap>
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
  const measured = useMeasures();
  const find = useFinder();
  const now = useAppSelector(selectNow);
  const [day, setDay, dayUsed] = useTyped(`wish/${wish.id}/day`, wish.body.pinned ?? '');
  const [reason, setReason, reasonUsed] = useTyped(
    `wish/${wish.id}/reason`,
    wish.body.override?.reason ?? '',
  );
  const item = plan?.items.find(({ wishId }) => wishId === wish.id);
  const refusal = plan?.refused.find(({ wishId }) => wishId === wish.id);
  const change = (changes: Partial<Wish>, words: string) => {
    const next: Wish = { ...wish.body, ...changes };
    if (next.pinned === undefined) delete next.pinned;
    if (next.override === undefined) delete next.override;
    if (next.partner === undefined) delete next.partner;
    if (next.sizeCm === undefined) delete next.sizeCm;
    void dispatch(recordAct((act) => act.revise(wish, next), words));
  };
  const animal = find(wish.body.species);
  const partners = animal ? comesWith(animal) : [];
  const withPartner = (id: string) => {
    if (!animal || id === '') return change({ partner: undefined }, `${name} alone`);
    // The goby is the one that is wished for: it goes through quarantine and sets the pace.
    const fish = animal.group === 'fish';
    change(
      fish ? { partner: id } : { species: id, partner: animal.id, sizeCm: undefined },
      `${name} with its partner`,
    );
  };
  return (
    <View style={{ gap: space.m, paddingBottom: space.m }}>
      <Stepper
        label="How many"
        value={wish.body.count}
        onChange={(count) => change({ count }, `${name}: ${count}`)}
      />
      {partners.length > 0 ? (
        <Choice
          label="Comes in"
          value={wish.body.partner ?? ''}
          onChange={withPartner}
          options={[
            { value: '', label: 'Alone' },
            ...partners.map((one) => ({ value: one.id, label: `With ${callIt(one)}` })),
          ]}
        />
      ) : null}
      {item?.quarantineFrom != null ? (
        <Words as="body">{`Into ${item.quarantineTank ?? 'quarantine'} on ${dayWords(item.quarantineFrom, zone, now)}, batch ${item.batch ?? 1}.`}</Words>
      ) : null}
      {item?.cares.map((care) => (
        <Remark key={care}>{care}</Remark>
      ))}
      {refusal ? (
        <>
          <Remark title="What would mend it">{measured(refusal.mend)}</Remark>
          <InsteadRows rows={[refusal.instead]} />
        </>
      ) : null}
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
          onPress={() => {
            change({ pinned: day }, `${name} pinned`);
            dayUsed();
          }}
        />
        {wish.body.pinned ? (
          <Button
            label="Let the day go"
            onPress={() => {
              change({ pinned: undefined }, `${name} free again`);
              dayUsed();
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
              onPress={() => {
                change(
                  { override: { reason: reason.trim(), at: isoInZone(now, zone) } },
                  `${name}: rule set aside`,
                );
                reasonUsed();
              }}
            />
            {wish.body.override ? (
              <Button
                label="Keep to the rule"
                onPress={() => {
                  change({ override: undefined }, `${name}: rule kept`);
                  reasonUsed();
                }}
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
