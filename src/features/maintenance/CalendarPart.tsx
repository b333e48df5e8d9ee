import { useState } from 'react';
import { View } from 'react-native';
import { calendarEvents } from '@/core/maintenance/calendar/calendarEvents';
import { dayOf } from '@/core/time/zone';
import { countOf } from '@/core/units/format';
import { download } from '@/frame/browserFiles';
import { askToNotify, mayNotify, type MayNotify } from '@/frame/notify';
import { useAppDispatch, useAppSelector, useAppStore } from '@/store/hooks';
import { changeSettings } from '@/store/settings';
import { selectLog, selectNow, selectSettings, selectZone } from '@/store/selectors';
import { noticed } from '@/store/sessionSlice';
import { Choice } from '@/ui/Choice';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { datedTanks } from './datedTanks';

/** The hour at which reminders ring until one is chosen. */
export const USUAL_HOUR = 18;
const HOURS = ['7', '9', '12', '18'] as const;

const NOTIFY_WORDS: Record<MayNotify, string> = {
  granted:
    'This browser reminds once a day while Zoarium is open in it, in the background too. Closed, it cannot: the calendar file rings then.',
  default: 'This browser can remind while Zoarium is open in it, if you let it.',
  denied:
    'This browser was told not to remind. Allow notifications for this address in its own settings, or go by the calendar file, which needs no leave.',
  missing: 'This browser has no notifications. The calendar file rings without them.',
};

/** Everything that has a date, as a calendar file with alarms; and reminders of the browser itself. */
export function CalendarPart() {
  const dispatch = useAppDispatch();
  const log = useAppSelector(selectLog);
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const settings = useAppSelector(selectSettings);
  const store = useAppStore();
  const [may, setMay] = useState<MayNotify>(mayNotify);
  const hour = settings.remindHour ?? USUAL_HOUR;
  const save = async () => {
    const events = calendarEvents(log, datedTanks(store.getState()), now);
    const { icsOf } = await import('@/core/maintenance/calendar/ics');
    download(`zoarium-${dayOf(now, zone)}.ics`, icsOf(events, hour, now), 'text/calendar');
    dispatch(
      noticed({ text: `${countOf(events.length, 'date')} in the calendar file`, undo: null }),
    );
  };
  const ringAt = (chosen: string) =>
    void dispatch(changeSettings((all) => ({ ...all, remindHour: Number(chosen) })));
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title="Calendar and reminders" />
      <Words as="body">
        Every date goes into one file for any calendar. Save it again later: it updates what is
        there.
      </Words>
      <Button label="Save the calendar file" onPress={() => void save()} />
      <Choice
        label="It rings at"
        value={String(hour)}
        onChange={ringAt}
        options={HOURS.map((value) => ({ value, label: `${value}:00` }))}
      />
      <Remark>{NOTIFY_WORDS[may]}</Remark>
      {may === 'default' ? (
        <Button label="Let this browser remind" onPress={() => void askToNotify().then(setMay)} />
      ) : null}
    </View>
  );
}
