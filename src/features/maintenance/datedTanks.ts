import type { DatedTank } from '@/core/maintenance/calendar/calendarEvents';
import { selectTanks } from '@/store/selectors';
import type { RootState } from '@/store/state';
import { selectHistoryOf, selectMilestonesOf, selectTasksOf } from '@/store/world';

/** Every tank that stands with all that has a date at it, as it is known now. */
export function datedTanks(state: RootState): DatedTank[] {
  return selectTanks(state).flatMap(({ id }) => {
    const history = selectHistoryOf(state, id);
    if (!history || history.standing.closedAt !== null) return [];
    return [
      {
        history,
        tasks: selectTasksOf(state, id),
        asks: state.computed.asks[id]?.value?.asks ?? [],
        milestones: selectMilestonesOf(state, id),
      },
    ];
  });
}
