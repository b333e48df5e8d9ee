import { View } from 'react-native';
import { planBy } from '@/core/livestock/planner/search/by';
import type { Plan } from '@/core/livestock/planner/types';
import { daySchema } from '@/core/records/common';
import { animalsCalled } from '@/core/records/kinds/animals';
import { dayWords } from '@/core/time/words';
import { dayOf, dayStart } from '@/core/time/zone';
import { listWords } from '@/core/units/format';
import { useAppSelector, useTyped } from '@/store/hooks';
import { selectNow } from '@/store/selectors';
import { DayField } from '@/ui/DayField';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const isDay = (text: string) => daySchema.safeParse(text).success;

/** A day to be ready by: what would be in, what may be, and what would be rushed. */
export function ReadyBy({ plan, zone }: { plan: Plan; zone: string }) {
  const now = useAppSelector(selectNow);
  const [day, setDay] = useTyped('readyBy/stock');
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
              ? `In by ${dayWords(moment, zone, now)}: ${names(by.sure)}.`
              : `By ${dayWords(moment, zone, now)} nobody is surely in.`}
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
