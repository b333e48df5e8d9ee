import { useState } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { dayWords, momentWords, timeWords } from '@/core/time/words';
import {
  addDaysIn,
  atTimeOn,
  dayOf,
  HOUR_MS,
  isoInZone,
  instant,
  MINUTE_MS,
} from '@/core/time/zone';
import { Button, ButtonRow } from './Press';
import { Choice } from './Choice';
import { Field } from './Field';
import { Sheet } from './Sheet';
import { color, touch } from './tokens';
import { Words } from './Words';

const styles = StyleSheet.create({
  when: { flexDirection: 'row', alignItems: 'center', gap: 4, minHeight: touch },
});

const DAYS_OFFERED = 8;

/** A clock time as people type it: 18:40, 18.40, 1840, 7:05. Null for anything else. */
export function parseClock(text: string): { hours: number; minutes: number } | null {
  const match = /^(\d{1,2})[:.h ]?(\d{2})$/.exec(text.trim());
  if (!match) return null;
  const hours = Number(match[1]);
  const minutes = Number(match[2]);
  return hours < 24 && minutes < 60 ? { hours, minutes } : null;
}

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
      <Pressable
        role="button"
        aria-label={`Time of this entry: ${momentWords(ms, zone, now)}. Change`}
        onPress={() => setOpen(true)}
        style={styles.when}
      >
        <Words as="body" style={{ color: color.inkSoft }}>
          {momentWords(ms, zone, now)}
        </Words>
        <ChevronDown size={16} color={color.inkSoft} />
      </Pressable>
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
  const recent = Array.from({ length: DAYS_OFFERED }, (_, back) => addDaysIn(now, -back, zone));
  const days = recent.some((d) => dayOf(d, zone) === day)
    ? recent
    : [...recent, atTimeOn(day, 12, 0, zone)];
  const parsed = parseClock(clock);
  const chosen = parsed && atTimeOn(day, parsed.hours, parsed.minutes, zone);
  const error =
    chosen === null
      ? 'Type it as 18:40.'
      : chosen > now + MINUTE_MS
        ? 'That lies ahead. Log it once it has happened.'
        : undefined;
  const earlier = () => setDay(dayOf(addDaysIn(atTimeOn(day, 12, 0, zone), -1, zone), zone));
  return (
    <Sheet title="When was it?" open onClose={onClose}>
      <ButtonRow>
        <Button label="Now" onPress={() => onChange(null)} />
        <Button label="An hour ago" onPress={() => onChange(isoInZone(now - HOUR_MS, zone))} />
      </ButtonRow>
      <Choice
        label="Day"
        value={day}
        onChange={setDay}
        options={days.map((d) => ({
          value: dayOf(d, zone),
          label: momentWords(d, zone, now).replace(/ \d\d:\d\d$/, '') || dayWords(d, zone, now),
        }))}
      />
      <Button label="One day earlier" onPress={earlier} />
      <Field label="Time" value={clock} onChange={setClock} error={error} placeholder="18:40" />
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
