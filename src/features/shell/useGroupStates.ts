import { entrySpan } from '@/core/history/events';
import { isHere, rosterOf } from '@/core/livestock/roster/roster';
import { todayWords } from '@/core/tasks/grouped';
import { shortDay } from '@/core/time/words';
import { daysBetween } from '@/core/time/zone';
import { capitalise, countOf, formatPlain } from '@/core/units/format';
import type { GroupId } from './places';
import { waterSentence } from '@/core/water/waterSentence';
import { useMeasures } from '@/frame/useMeasures';
import { useAppSelector } from '@/store/hooks';
import { selectDueTasks, selectHistory } from '@/store/inView';
import { selectBands, selectNow } from '@/store/selectors';

/** How each group stands for the tank in view, in a sentence; none for those with nothing to tell. */
export function useGroupStates(): Partial<Record<GroupId, string>> {
  const history = useAppSelector(selectHistory);
  const bands = useAppSelector(selectBands);
  const tasks = useAppSelector(selectDueTasks);
  const now = useAppSelector(selectNow);
  const batches = useAppSelector((state) => state.log.batches);
  const measured = useMeasures();
  const learn = 'Short answers, and what the words mean.';
  if (!history) return { learn };
  const { tank, netLitres, start } = history;
  const heads = rosterOf(history)
    .filter(isHere)
    .reduce((sum, cohort) => sum + (cohort.here ?? 1), 0);
  const going = batches.filter(({ body }) => body.endedAt === null).length;
  const { count, first } = entrySpan(history);
  const lives = heads === 0 ? 'No animal lives here yet' : `${countOf(heads, 'animal')} here`;
  const age = start === null ? '' : `, day ${daysBetween(start, now, tank.zone)}`;
  return {
    learn,
    water: waterSentence(history, bands, now).title,
    animals: `${lives}; ${going === 0 ? 'nothing in quarantine' : `${countOf(going, 'batch', 'batches')} in quarantine`}.`,
    maintenance: `${capitalise(todayWords(tasks))}.`,
    gear: `${tank.name}: ${measured(`${formatPlain(netLitres, 0)} L`)} of water${age}.`,
    records:
      first === null
        ? 'Nothing logged yet.'
        : `${countOf(count, 'entry', 'entries')} since ${shortDay(first, tank.zone)}.`,
  };
}
