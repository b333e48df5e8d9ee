import { useState } from 'react';
import { StyleSheet } from 'react-native';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { parseClock, shiftDay } from '@/core/time/calendar';
import { momentWords, timeWords } from '@/core/time/words';
import { atTimeOn, dayOf, HOUR_MS, isoInZone, instant, MINUTE_MS } from '@/core/time/zone';
import { Button, ButtonRow } from '../Press';
import { Choice } from '../Choice';
import { Field } from '../Field';
import { Sheet } from '../Sheet';
import { color, touch } from '../tokens';
import { Words } from '../Words';
import { MonthGrid } from './MonthGrid';
import { Tap } from '../press/Tap';

const styles = StyleSheet.create({
  when: { flexDirection: 'row', alignItems: 'center', gap: 4, minHeight: touch },
});

/** How far an arrow key moves the time. */
const STEP_MS = 15 * MINUTE_MS;

/** When something happened: now unless said otherwise, never in the future. */
export function When({
  at,
  now,
  zone,
  onChange,
}: {
  /** ISO instant; null for now. */
  at: string | null;
  now: number;
  zone: string;
  onChange: (at: string | null) => void;
}) {
  const [open, setOpen] = useState(false);
  const ms = at === null ? now : instant(at);
  return (
    <>
      <Tap
        role="button"
        aria-label={`Time of this entry: ${momentWords(ms, zone, now)}. Change`}
        onPress={() => setOpen(true)}
        style={styles.when}
      >
        <Words as="body" style={{ color: color.inkSoft }}>
          {momentWords(ms, zone, now)}
        </Words>
        <ChevronDown size={16} color={color.inkSoft} />
      </Tap>
      {open ? (
        <WhenSheet
          ms={ms}
          now={now}
          zone={zone}
          onClose={() => setOpen(false)}
          onChange={(next) => {
            onChange(next);
            setOpen(false);
          }}
        />
      ) : null}
    </>
  );
}

function WhenSheet({
  ms,
  now,
  zone,
  onChange,
  onClose,
}: {
  ms: number;
  now: number;
  zone: string;
  onChange: (at: string | null) => void;
  onClose: () => void;
}) {
  const [day, setDay] = useState(dayOf(ms, zone));
  const [clock, setClock] = useState(timeWords(ms, zone));
  const today = dayOf(now, zone);
  const parsed = parseClock(clock);
  const chosen = parsed && atTimeOn(day, parsed.hours, parsed.minutes, zone);
  const error =
    chosen === null
      ? 'Type it as 18:40.'
      : chosen > now + MINUTE_MS
        ? 'That lies ahead. Log it once it has happened.'
        : undefined;
  const move = (by: number) => {
    if (chosen === null) return;
    setDay(dayOf(chosen + by, zone));
    setClock(timeWords(chosen + by, zone));
  };
  return (
    <Sheet title="When was it?" open onClose={onClose}>
      <ButtonRow>
        <Button label="Now" onPress={() => onChange(null)} />
        <Button label="An hour ago" onPress={() => onChange(isoInZone(now - HOUR_MS, zone))} />
      </ButtonRow>
      <Choice
        label="Day"
        bare
        value={day}
        onChange={setDay}
        options={[
          { value: today, label: 'Today' },
          { value: shiftDay(today, -1, today), label: 'Yesterday' },
        ]}
      />
      <MonthGrid key={day} label="Day" value={day} today={today} last={today} onChange={setDay} />
      <Field
        label="Time"
        value={clock}
        onChange={setClock}
        error={error}
        placeholder="18:40"
        onKey={(key) => {
          const by = key === 'ArrowUp' ? STEP_MS : key === 'ArrowDown' ? -STEP_MS : 0;
          move(by);
          return by !== 0;
        }}
      />
      <Button
        kind="primary"
        label="Use this time"
        disabled={error !== undefined}
        onPress={() => {
          if (chosen !== null && error === undefined) onChange(isoInZone(chosen, zone));
        }}
      />
    </Sheet>
  );
}
