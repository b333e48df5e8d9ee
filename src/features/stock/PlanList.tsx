import { useAppSelector } from '@/store/hooks';
import { selectNow } from '@/store/selectors';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { animalsCalled } from '@/core/records/kinds/animals';
import type { PlanMove } from '@/core/livestock/planner/search/moves';
import { spreadWords } from '@/core/livestock/planner/spread';
import type { Plan } from '@/core/livestock/planner/types';
import { dayWords, shortDay } from '@/core/time/words';
import { to } from '@/frame/addresses';
import { useMeasures } from '@/frame/useMeasures';
import { Bare } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'flex-start',
    gap: space.m,
    paddingVertical: space.m,
    borderBottomWidth: 1,
    borderColor: color.rule,
    width: '100%',
  },
  day: { width: 74, flexShrink: 0 },
  what: { flex: 1, minWidth: 0, gap: 1 },
});

/** The plan as dated rows, each with what binds its day; what is refused stands at its end. */
export function PlanList({ plan, zone }: { plan: Plan; zone: string }) {
  const now = useAppSelector(selectNow);
  const measured = useMeasures();
  const router = useRouter();
  return (
    <View>
      {plan.items.map((item) => {
        const spread = spreadWords(item, zone);
        const name = animalsCalled(item.name, item.count);
        return (
          <Bare
            key={item.wishId}
            label={`${name}, ${dayWords(item.addOn.p50, zone, now)}${spread ? `, ${spread}` : ''}: ${measured(item.because)}`}
            onPress={() => router.push(to.stockPage('wishes', { wish: item.wishId }))}
            style={styles.row}
          >
            <View style={styles.day}>
              <Words as="strong">{shortDay(item.addOn.p50, zone)}</Words>
              {spread ? <Words as="soft">{spread}</Words> : null}
            </View>
            <View style={styles.what}>
              <Words as="strong">{name}</Words>
              <Words as="soft">{measured(item.because)}</Words>
              {item.rehomeBy === null ? null : (
                <Words as="soft">{`Outgrows this tank: a home for it by ${dayWords(item.rehomeBy, zone, now)}.`}</Words>
              )}
            </View>
          </Bare>
        );
      })}
      {plan.refused.map((refusal) => (
        <Bare
          key={refusal.wishId}
          label={`${refusal.name}, not planned: ${measured(refusal.because)}`}
          onPress={() => router.push(to.stockPage('wishes', { wish: refusal.wishId }))}
          style={styles.row}
        >
          <View style={styles.day}>
            <Words as="strong">—</Words>
          </View>
          <View style={styles.what}>
            <Words as="strong">{refusal.name}</Words>
            <Words as="soft">{measured(refusal.because)}</Words>
          </View>
        </Bare>
      ))}
      <View style={{ gap: space.s, paddingTop: space.m }}>
        {plan.remarks.map((remark) => (
          <Remark key={remark} tone="caution">
            {remark}
          </Remark>
        ))}
      </View>
    </View>
  );
}

/** What the newest change moved, and why. */
export function Moves({ moves, zone }: { moves: readonly PlanMove[]; zone: string }) {
  const day = (at: number | null) => (at === null ? 'not planned' : shortDay(at, zone));
  return (
    <Remark title="What moved">
      <View>
        {moves.slice(0, 6).map(({ wishId, name, from, to: now, because }) => (
          <Words key={wishId} as="body">
            {`**${name}**: ${from === null ? '' : `${day(from)} → `}${day(now)}. ${because.replace(/\.$/, '')}.`}
          </Words>
        ))}
      </View>
    </Remark>
  );
}

/** The plan could not be worked out: what the keeper can do. */
export function PlanFailed() {
  return (
    <Remark tone="watch" title="No plan">
      What works it out could not run. Your wishes are kept; reload, and it is made again.
    </Remark>
  );
}
