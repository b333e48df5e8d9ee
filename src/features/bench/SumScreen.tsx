import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { SUMS, type Sum } from '@/core/sums';
import { tankChoices, tankFigures } from '@/core/sums/fromTank';
import { selectHistory } from '@/store/inView';
import { selectSettings } from '@/store/selectors';
import { useAppSelector, useDraft } from '@/store/hooks';
import { BackHead } from '@/frame/BackHead';
import { UntoldRemark } from '@/frame/UntoldRemark';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { logThis } from './logThis';
import { figureWords, readSum, sumDraft, type ReadSum, type SumDraft } from './sumForm';

const styles = StyleSheet.create({
  fields: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  field: { flexGrow: 1, flexBasis: 160 },
  whole: { flexBasis: '100%' },
});

/** One sum by its address. */
export function SumScreen({ id }: { id: string }) {
  const sum = SUMS.find((one) => one.id === id);
  return sum ? (
    <OneSum key={id} sum={sum} />
  ) : (
    <Screen head={<BackHead title="Bench" />}>
      <Opening title="There is no such sum.">Go back, and pick one from the list.</Opening>
    </Screen>
  );
}

function OneSum({ sum }: { sum: Sum }) {
  const history = useAppSelector(selectHistory);
  const known = useMemo(() => (history ? tankFigures(history) : {}), [history]);
  const [draft, setDraft] = useDraft<SumDraft>(`bench/${sum.id}`, sumDraft, {});
  const choices = useMemo(() => (history ? tankChoices(history) : {}), [history]);
  const read = readSum(sum, draft, known, choices);
  const settings = useAppSelector(selectSettings);
  const router = useRouter();
  const chosen = Object.fromEntries(read.inputs.map(({ name, text }) => [name, text]));
  const log = history && read.answer ? logThis(sum, read.answer, chosen, settings) : null;
  const changed = Object.keys(draft).length > 0;
  return (
    <Screen head={<BackHead title={sum.title} aside={history?.tank.name ?? ''} />}>
      <Said read={read} asks={sum.asks} />
      {history && Object.values(sum.inputs).some((input) => input.tank === 'litres') ? (
        <UntoldRemark history={history} />
      ) : null}
      <View style={styles.fields}>
        {read.inputs.map(({ name, label, text, unit, choices, error, hint }) =>
          choices ? (
            <View key={name} style={styles.whole}>
              <Choice
                label={label}
                options={choices.map((value) => ({ value, label: value }))}
                value={text}
                onChange={(value) => setDraft({ ...draft, [name]: value })}
              />
            </View>
          ) : (
            <Field
              key={name}
              style={styles.field}
              kind="number"
              label={label}
              unit={unit}
              value={text}
              error={error}
              hint={hint}
              onChange={(value) => setDraft({ ...draft, [name]: value })}
            />
          ),
        )}
      </View>
      {changed ? (
        <LinkButton
          soft
          label="Begin with the tank’s own figures again"
          onPress={() => setDraft(null)}
        />
      ) : null}
      {log ? (
        <Button kind="primary" label={log.label} onPress={() => router.push(log.address)} />
      ) : null}
      {read.answer ? <Working answer={read.answer} /> : null}
    </Screen>
  );
}

/** The answer first; without one, what is wanted for it. */
function Said({ read: { answer, trouble }, asks }: { read: ReadSum; asks: string }) {
  if (answer) {
    return (
      <Opening title={`${figureWords(answer.answer, answer.unit)}.`}>{answer.sentence}</Opening>
    );
  }
  return (
    <>
      <Opening title={asks}>
        {trouble === null ? 'Fill in what is empty, and the answer stands here.' : ''}
      </Opening>
      {trouble === null ? null : (
        <Remark tone="caution" title="That cannot be">
          {trouble}
        </Remark>
      )}
    </>
  );
}

function Working({ answer }: { answer: NonNullable<ReadSum['answer']> }) {
  return (
    <>
      {answer.cautions && answer.cautions.length > 0 ? (
        <Remark tone="caution" title="Before you do it">
          {answer.cautions.join(' ')}
        </Remark>
      ) : null}
      {answer.also && answer.also.length > 0 ? (
        <View>
          <SectionHead title="With it" />
          {answer.also.map(({ label, value, unit }) => (
            <Row key={label} title={label} end={figureWords(value, unit)} />
          ))}
        </View>
      ) : null}
      <View style={{ gap: space.xs }}>
        <SectionHead title="Working" />
        {answer.working.map((line) => (
          <Words key={line} as="soft">
            {line}
          </Words>
        ))}
      </View>
    </>
  );
}
