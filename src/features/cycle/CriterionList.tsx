import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Check from 'lucide-react-native/icons/check';
import Circle from 'lucide-react-native/icons/circle';
import Dashed from 'lucide-react-native/icons/circle-dashed';
import { doneRuleName } from '@/core/cycle/doneRules';
import type { Criterion, CriterionId, CriterionState, Verdict } from '@/core/cycle/verdict/types';
import { headOf, isType } from '@/core/records/log';
import { wordsContext } from '@/core/history/tankHistory';
import { entryLine, entryTitle } from '@/core/records/kinds';
import { to } from '@/frame/addresses';
import { selectHistory } from '@/store/inView';
import { momentWords } from '@/core/time/words';
import { instant } from '@/core/time/zone';
import { capitalise, listWords } from '@/core/units/format';
import { ReadMore } from '@/frame/ReadMore';
import { selectLog, selectNow, selectTank } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { Button } from '@/ui/Press';
import { ToneMark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { Tap } from '@/ui/press/Tap';
import { CRITERION_PAGES } from './criterionPages';

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    gap: space.m,
    paddingVertical: space.m,
    borderBottomWidth: 1,
    borderColor: color.rule,
    alignItems: 'flex-start',
  },
  mark: { width: 24, alignItems: 'center', paddingTop: 1 },
});

const STATE_WORD: Record<CriterionState, string> = {
  met: 'met',
  'not yet': 'not yet',
  'cannot tell': 'cannot tell',
};

function StateMark({ criterion }: { criterion: Criterion }) {
  if (criterion.state === 'met') return <Check size={21} color={color.kelp} strokeWidth={2.6} />;
  if (criterion.state === 'cannot tell')
    return <Dashed size={20} color={color.ink} strokeWidth={2} />;
  if (criterion.id === 'alkalinity') return <ToneMark tone="caution" size={20} />;
  return <Circle size={20} color={color.ink} strokeWidth={2.2} />;
}

/** What only has to be in order; while it is, one row stands for all of it. */
const IN_ORDER: readonly CriterionId[] = [
  'dosesAccounted',
  'accounted',
  'alkalinity',
  'salinity',
  'temperature',
];
/** What each is called in that row; what is missing of what went in goes along with the doses. */
const IN_ORDER_WORDS: Partial<Record<CriterionId, string>> = {
  dosesAccounted: 'doses',
  alkalinity: 'alkalinity',
  salinity: 'salinity',
  temperature: 'temperature',
};

function CriterionRow({ criterion, onOpen }: { criterion: Criterion; onOpen: () => void }) {
  return (
    <Tap
      role="button"
      aria-label={`${criterion.title}: ${STATE_WORD[criterion.state]}. ${criterion.because}`}
      onPress={onOpen}
      style={styles.row}
    >
      <View style={styles.mark}>
        <StateMark criterion={criterion} />
      </View>
      <View style={{ flex: 1 }}>
        <Words as="strong">{criterion.title}</Words>
        <Words as="soft">
          {criterion.state === 'cannot tell'
            ? `Cannot tell. ${criterion.because}`
            : criterion.because}
        </Words>
      </View>
    </Tap>
  );
}

/** Rows of criteria, of which a tap shows what each rests on. */
function CriterionRows({
  criteria,
  verdict,
}: {
  criteria: readonly Criterion[];
  verdict: Verdict;
}) {
  const [opened, setOpened] = useState<Criterion | null>(null);
  return (
    <>
      {criteria.map((criterion) => (
        <CriterionRow
          key={criterion.id}
          criterion={criterion}
          onOpen={() => setOpened(criterion)}
        />
      ))}
      {opened ? (
        <CriterionSheet criterion={opened} verdict={verdict} onClose={() => setOpened(null)} />
      ) : null}
    </>
  );
}

/** What decides that the cycle is done, with its state; what is merely in order shares a row. */
export function CriterionList({ verdict }: { verdict: Verdict }) {
  const [unfolded, setUnfolded] = useState(false);
  const decides = verdict.criteria.filter((c) => c.role === 'cycle');
  const inOrder = decides.filter((c) => IN_ORDER.includes(c.id) && c.state === 'met');
  const folded = inOrder.length > 1 && !unfolded;
  return (
    <View>
      <CriterionRows
        criteria={folded ? decides.filter((c) => !inOrder.includes(c)) : decides}
        verdict={verdict}
      />
      {folded ? (
        <Tap
          role="button"
          aria-expanded={false}
          onPress={() => setUnfolded(true)}
          style={styles.row}
        >
          <View style={styles.mark}>
            <Check size={21} color={color.kelp} strokeWidth={2.6} />
          </View>
          <View style={{ flex: 1 }}>
            <Words as="strong">
              {capitalise(listWords(inOrder.flatMap((c) => IN_ORDER_WORDS[c.id] ?? [])))}
            </Words>
            <Words as="soft">In order. Show each</Words>
          </View>
        </Tap>
      ) : null}
    </View>
  );
}

/** What stands before the first fish, and what is seen beside the verdict and decides nothing. */
export function GateList({ verdict }: { verdict: Verdict }) {
  const of = (role: Criterion['role']) => verdict.criteria.filter((c) => c.role === role);
  const supports = of('supports');
  return (
    <View>
      <SectionHead title="Before the first fish" />
      <CriterionRows criteria={of('gate')} verdict={verdict} />
      {supports.length > 0 ? (
        <>
          <SectionHead title="Seen beside it" end="decides nothing" />
          <CriterionRows criteria={supports} verdict={verdict} />
        </>
      ) : null}
    </View>
  );
}

function CriterionSheet({
  criterion,
  verdict,
  onClose,
}: {
  criterion: Criterion;
  verdict: Verdict;
  onClose: () => void;
}) {
  const log = useAppSelector(selectLog);
  const now = useAppSelector(selectNow);
  const history = useAppSelector(selectHistory);
  const tank = useAppSelector(selectTank);
  const router = useRouter();
  const zone = tank?.body.zone ?? 'UTC';
  const words = history ? wordsContext(history) : { netLitres: null, zone, kitOf: () => undefined };
  const entries = [...new Set(criterion.deciding)].flatMap((id) => {
    const head = headOf(log, id);
    return head && isType(head, 'entry') ? [head] : [];
  });
  const go = (path: string) => {
    onClose();
    router.push(path);
  };
  return (
    <Sheet title={criterion.title} open onClose={onClose}>
      <Words as="lead">{`**${STATE_WORD[criterion.state].replace(/^./, (c) => c.toUpperCase())}.** ${criterion.because}`}</Words>
      {criterion.settle ? (
        <Words as="body">{`What would settle it: ${criterion.settle}`}</Words>
      ) : null}
      {criterion.how ? <Words as="body">{criterion.how}</Words> : null}
      <ReadMore page={CRITERION_PAGES[criterion.id]} before={onClose} />
      <Words as="soft">{`Asked by: ${criterion.role === 'gate' ? 'every rule for done, before fish' : doneRuleName(verdict.doneRule)}.`}</Words>
      {entries.length > 0 ? (
        <View>
          <SectionHead title="It rests on" />
          {entries.slice(-12).map(({ id, body }) => (
            <Row
              key={id}
              title={[entryTitle(body), entryLine(body, words)].filter(Boolean).join(', ')}
              note={momentWords(instant(body.at), zone, now)}
              onPress={() => go(to.entry(id))}
            />
          ))}
        </View>
      ) : null}
      {criterion.role === 'gate' ? (
        <Button label="Open the tank’s record" onPress={() => go(to.tank(verdict.tankId))} />
      ) : criterion.state !== 'met' ? (
        <Button label="Log a test" onPress={() => go(to.log('test'))} />
      ) : null}
    </Sheet>
  );
}
