import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { writeDailyCheck } from '@/core/acts/dailyCheck';
import { FAST_BREATHING, meaningsOf, notEatingPlan } from '@/core/quarantine/clock/signs';
import type { BatchAnimal } from '@/core/quarantine/batch';
import { dailyCheckOn } from '@/core/quarantine/who';
import { animalsCalled } from '@/core/records/kinds/animals';
import {
  SIGN_WORDS,
  SIGNS,
  type DailyCheckState,
  type Sign,
} from '@/core/records/kinds/dailyCheck';
import { shortDay } from '@/core/time/words';
import { addDaysIn, dayOf, instant } from '@/core/time/zone';
import { listWords } from '@/core/units/format';
import { useAppDispatch } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { Tick } from '@/ui/Choice';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { BreathCounter } from './BreathCounter';
import type { BatchNow } from './useBatches';

const styles = StyleSheet.create({
  animal: {
    gap: space.s,
    paddingVertical: space.m,
    borderBottomWidth: 1,
    borderColor: color.rule,
  },
  head: { flexDirection: 'row', justifyContent: 'space-between', gap: space.m, flexWrap: 'wrap' },
  taps: { flexDirection: 'row', gap: space.s },
  tap: { flex: 1, paddingHorizontal: space.s, minWidth: 0 },
});

function seenWords({ today, last }: BatchAnimal, zone: string): string {
  if (!last) return 'not looked at yet';
  const { state, signs, breaths } = last.entry;
  const seen =
    state === 'sign'
      ? listWords(signs.map((sign) => SIGN_WORDS[sign].toLowerCase()))
      : state === 'well'
        ? 'well'
        : 'not eating';
  const when = today ? '' : `, ${shortDay(last.at, zone)}`;
  return `${seen}${breaths === undefined ? '' : `, ${breaths} breaths a minute`}${when}`;
}

/** The look of the day: a tap for each animal, and what a sign may mean. */
export function DailyCheckPart({ batch, now }: { batch: BatchNow; now: number }) {
  const dispatch = useAppDispatch();
  const { history, view, head } = batch;
  const { zone } = history.tank;
  const [sign, setSign] = useState<BatchAnimal | null>(null);
  const [back, setBack] = useState(false);
  // The look of another day is dated at the same hour of it.
  const at = back ? addDaysIn(now, -1, zone) : now;
  const animals = back
    ? view.animals.map((animal) => ({
        ...animal,
        today: dailyCheckOn(history, animal.cohort.id, at),
      }))
    : view.animals;
  const log = (
    animal: BatchAnimal,
    state: DailyCheckState,
    signs: Sign[] = [],
    breaths?: number,
  ) => {
    const { id: cohort, what } = animal.cohort;
    const seen = { cohort, what, state, signs, at, ...(breaths === undefined ? {} : { breaths }) };
    void dispatch(
      recordAct(
        (act) => writeDailyCheck(act, history, seen),
        `${what}: ${state === 'well' ? 'well' : state === 'sign' ? 'a sign' : 'not eating'}`,
      ),
    );
  };
  return (
    <View>
      <SectionHead
        title={back ? 'Look of yesterday' : 'Look today'}
        end={
          back || dayOf(instant(head.body.begunAt), zone) < dayOf(now, zone) ? (
            <LinkButton
              soft
              label={back ? 'Back to today' : 'Yesterday’s'}
              onPress={() => setBack(!back)}
            />
          ) : undefined
        }
      />
      {animals.map((animal) => {
        const { cohort, today, daysNotEating } = animal;
        const state = today?.entry.state ?? null;
        const called = animalsCalled(cohort.what, cohort.here ?? undefined);
        const meanings = today ? meaningsOf(today.entry.signs, today.entry.breaths) : [];
        return (
          <View key={cohort.id} style={styles.animal}>
            <View style={styles.head}>
              <Words as="strong">{called}</Words>
              <Words as="soft">{seenWords(animal, zone)}</Words>
            </View>
            <View style={styles.taps} role="group" aria-label={called}>
              <Button
                label="Well"
                kind={state === 'well' ? 'primary' : 'plain'}
                style={styles.tap}
                onPress={() => log(animal, 'well')}
              />
              <Button
                label="Not eating"
                kind={state === 'notEating' ? 'primary' : 'plain'}
                style={styles.tap}
                onPress={() => log(animal, 'notEating')}
              />
              <Button
                label="A sign…"
                kind={state === 'sign' ? 'primary' : 'plain'}
                style={styles.tap}
                onPress={() => setSign(animal)}
              />
            </View>
            {meanings.map(({ sign: seen, meaning }) => (
              <Remark
                key={seen}
                tone={meaning.urgency === 'now' ? 'danger' : 'watch'}
                title={SIGN_WORDS[seen]}
              >
                {`${meaning.may} How fast it kills: ${meaning.kills.charAt(0).toLowerCase()}${meaning.kills.slice(1)} ${meaning.first} A veterinarian: ${meaning.vet.charAt(0).toLowerCase()}${meaning.vet.slice(1)}`}
              </Remark>
            ))}
            {daysNotEating > 0 ? (
              <Remark title={`Not eating, day ${daysNotEating}`}>
                {notEatingPlan(daysNotEating)}
              </Remark>
            ) : null}
          </View>
        );
      })}
      {sign ? (
        <SignSheet
          animal={sign}
          onClose={() => setSign(null)}
          onSave={(signs, breaths) => {
            log(sign, signs.length > 0 ? 'sign' : 'well', signs, breaths);
            setSign(null);
          }}
        />
      ) : null}
    </View>
  );
}

/** What was seen of one animal, in plain words, and its breaths counted. */
function SignSheet({
  animal,
  onClose,
  onSave,
}: {
  animal: BatchAnimal;
  onClose: () => void;
  onSave: (signs: Sign[], breaths?: number) => void;
}) {
  const known = animal.today?.entry;
  const [signs, setSigns] = useState<Sign[]>(known?.signs ?? []);
  const [breaths, setBreaths] = useState<number | undefined>(known?.breaths);
  const fast = breaths !== undefined && breaths >= FAST_BREATHING;
  return (
    <Sheet title={`What is it with ${animal.cohort.what.toLowerCase()}?`} open onClose={onClose}>
      <BreathCounter value={breaths} onChange={setBreaths} />
      {fast && !signs.includes('fastBreathing') ? (
        <Remark tone="watch" title="That is fast for most small fish">
          Tick fast breathing, unless it was just chased.
        </Remark>
      ) : null}
      <View>
        {SIGNS.map((one) => (
          <Tick
            key={one}
            label={SIGN_WORDS[one]}
            value={signs.includes(one)}
            onChange={(on) =>
              setSigns(on ? [...signs, one] : signs.filter((other) => other !== one))
            }
          />
        ))}
      </View>
      <Button
        kind="primary"
        label={signs.length > 0 ? 'Log the sign' : 'Log it as well'}
        disabled={signs.length === 0 && breaths === undefined}
        onPress={() => onSave(signs, breaths)}
      />
      <Words as="soft">
        A sign starts the days anew for the whole batch. One that was wrong is taken back in the
        log, and the days return.
      </Words>
    </Sheet>
  );
}
