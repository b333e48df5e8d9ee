import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useHotkeys } from 'react-hotkeys-hook';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import {
  dayInWords,
  isDay,
  monthWeeks,
  monthWords,
  shiftDay,
  shiftMonth,
} from '@/core/time/calendar';
import { Bare } from '../Press';
import { color, radius, touch } from '../tokens';
import { Words } from '../Words';
import { keepersWeekStart } from './keepersDates';
import { Tap } from '../press/Tap';

const styles = StyleSheet.create({
  head: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' },
  week: { flexDirection: 'row' },
  cell: { flex: 1, alignItems: 'center', justifyContent: 'center', minHeight: touch },
  day: {
    width: touch - 4,
    height: touch - 4,
    alignItems: 'center',
    justifyContent: 'center',
    borderRadius: radius.soft,
    borderWidth: 1.5,
    borderColor: 'transparent',
  },
  today: { borderColor: color.ink },
  chosen: { backgroundColor: color.ink },
  beyond: { opacity: 0.35 },
});

interface MonthGridProps {
  label: string;
  /** The day that is chosen, as stored; anything else for none. */
  value: string;
  today: string;
  /** The last day that can be chosen. */
  last?: string;
  onChange: (day: string) => void;
}

type Step = (day: string, today: string) => string;

/** How each key moves from the day that has the focus. */
const KEYS: Readonly<Record<string, Step>> = {
  arrowleft: (day, today) => shiftDay(day, -1, today),
  arrowright: (day, today) => shiftDay(day, 1, today),
  arrowup: (day, today) => shiftDay(day, -7, today),
  arrowdown: (day, today) => shiftDay(day, 7, today),
  pageup: (day, today) => shiftMonth(day, -1, today),
  pagedown: (day, today) => shiftMonth(day, 1, today),
};

/** A month to pick a day from; arrows move within it, page keys from month to month. */
export function MonthGrid({ label, value, today, last, onChange }: MonthGridProps) {
  const [at, setAt] = useState(isDay(value) ? value : today);
  const [byKey, setByKey] = useState(false);
  const focused = useRef<View>(null);
  const weeks = monthWeeks(at, keepersWeekStart());
  useEffect(() => {
    if (byKey) focused.current?.focus();
  }, [at, byKey]);
  const turn = (months: number) => {
    setByKey(false);
    setAt(shiftMonth(at, months, today));
  };
  const keys = useHotkeys<HTMLElement>(
    Object.keys(KEYS),
    ({ key }) => {
      const step = KEYS[key.toLowerCase()];
      if (!step) return;
      setByKey(true);
      setAt(step(at, today));
    },
    { useKey: true, preventDefault: true },
  );
  return (
    <View
      ref={(view) => keys(view as unknown as HTMLElement | null)}
      role="group"
      aria-label={`${label}: ${monthWords(at)}`}
    >
      <View style={styles.head}>
        <Bare label="The month before" onPress={() => turn(-1)}>
          <ChevronLeft size={20} color={color.ink} />
        </Bare>
        <Words as="strong" live>
          {monthWords(at)}
        </Words>
        <Bare label="The month after" onPress={() => turn(1)}>
          <ChevronRight size={20} color={color.ink} />
        </Bare>
      </View>
      <View style={styles.week} aria-hidden>
        {(weeks[0] ?? []).map((day) => (
          <View key={day} style={styles.cell}>
            <Words as="small" style={{ color: color.inkSoft }}>
              {dayInWords(day)?.slice(0, 2)}
            </Words>
          </View>
        ))}
      </View>
      {weeks.map((week) => (
        <View key={week[0]} style={styles.week}>
          {week.map((day) => {
            const chosen = day === value;
            const elsewhere = day.slice(0, 7) !== at.slice(0, 7);
            const disabled = last !== undefined && day > last;
            return (
              <View key={day} style={styles.cell}>
                {elsewhere ? null : (
                  <Tap
                    ref={day === at ? focused : undefined}
                    role="button"
                    aria-label={`${dayInWords(day) ?? day}${day === today ? ', today' : ''}`}
                    aria-pressed={chosen}
                    disabled={disabled}
                    tabIndex={day === at ? 0 : -1}
                    onPress={() => onChange(day)}
                    style={[
                      styles.day,
                      day === today && styles.today,
                      chosen && styles.chosen,
                      disabled && styles.beyond,
                    ]}
                  >
                    <Words
                      as="body"
                      style={{
                        color: chosen ? color.paper : color.ink,
                        fontWeight: chosen || day === today ? '600' : '400',
                      }}
                    >
                      {String(Number(day.slice(8)))}
                    </Words>
                  </Tap>
                )}
              </View>
            );
          })}
        </View>
      ))}
    </View>
  );
}
