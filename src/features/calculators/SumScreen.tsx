import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { SUMS, type Sketch as SketchOf, type Sum, type SumUnit } from '@/core/sums';
import { unreachable } from '@/core/unreachable';
import { formatExact } from '@/core/units/format';
import type { Settings } from '@/core/records/schema/settings';
import { tankChoices, tankFigures } from '@/core/sums/fromTank';
import { selectHistory } from '@/store/inView';
import { selectSettings } from '@/store/selectors';
import { useAppSelector, useDraft } from '@/store/hooks';
import { BackHead } from '@/frame/BackHead';
import { NotEnteredRemark } from '@/frame/NotEnteredRemark';
import { Choice } from '@/ui/Choice';
import { Sketch } from '@/ui/Drawing';
import { Field } from '@/ui/Field';
import { Bare, Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { ConverterScreen, UNITS } from './ConverterScreen';
import { logThis } from './logThis';
import { figureWords, inUnit, readSum, sumDraft, type ReadSum, type SumDraft } from './sumForm';
import { between, unitAfter, unitsOf, usualUnit } from './sumUnits';

const styles = StyleSheet.create({
  fields: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  field: { flexGrow: 1, flexBasis: 160 },
  whole: { flexBasis: '100%' },
  unit: { paddingHorizontal: space.m },
  unitText: { textDecorationLine: 'underline' },
});

/** One sum by its address. */
export function SumScreen({ id, given = {} }: { id: string; given?: Given }) {
  const sum = SUMS.find((one) => one.id === id);
  if (id === UNITS.id) return <ConverterScreen />;
  return sum ? (
    <OneSum key={id} sum={sum} given={given} />
  ) : (
    <Screen head={<BackHead title="Calculators" />}>
      <Opening title="There is no such sum.">Go back, and pick one from the list.</Opening>
    </Screen>
  );
}

type Given = Readonly<Record<string, string>>;

/** Figures that came with the address, as they would be typed; what the sum does not ask is left out. */
function typedFrom(given: Given, sum: Sum, settings: Settings): SumDraft {
  return Object.fromEntries(
    Object.entries(given).flatMap(([name, text]) => {
      const input = Object.hasOwn(sum.inputs, name) ? sum.inputs[name] : undefined;
      const value = Number(text);
      if (!input || !('unit' in input) || text === '' || !Number.isFinite(value)) return [];
      const shown = usualUnit(input.unit, settings);
      return [[name, formatExact(between(value, input.unit, shown))]];
    }),
  );
}

function OneSum({ sum, given }: { sum: Sum; given: Given }) {
  const router = useRouter();
  const history = useAppSelector(selectHistory);
  const known = useMemo(() => (history ? tankFigures(history) : {}), [history]);
  const [draft, setDraft] = useDraft<SumDraft>(`calculators/${sum.id}`, sumDraft, {});
  const choices = useMemo(() => (history ? tankChoices(history) : {}), [history]);
  const settings = useAppSelector(selectSettings);
  // Once, as it is opened: what is typed from then on stays.
  const [begun] = useState(() => typedFrom(given, sum, settings));
  useEffect(() => {
    if (Object.keys(begun).length === 0) return;
    setDraft({ ...draft, ...begun });
    // They leave the address: on a reload what was typed since would give way to them.
    router.setParams(Object.fromEntries(Object.keys(given).map((name) => [name, undefined])));
    // oxlint-disable-next-line react/exhaustive-deps -- the draft as it was found
  }, [begun]);
  const read = readSum(sum, draft, known, choices, settings);
  const chosen = Object.fromEntries(read.inputs.map(({ name, text }) => [name, text]));
  const log =
    history && read.answer ? logThis(sum, read.answer, chosen, settings, read.given) : null;
  const changed = Object.keys(draft).length > 0;
  return (
    <Screen head={<BackHead title={sum.title} aside={history?.tank.name ?? ''} />}>
      <Said read={read} asks={sum.asks} settings={settings} />
      {history && Object.values(sum.inputs).some((input) => input.tank === 'litres') ? (
        <NotEnteredRemark history={history} />
      ) : null}
      {read.answer?.sketch ? <Drawn sketch={read.answer.sketch} settings={settings} /> : null}
      <View style={styles.fields}>
        {read.inputs.map((input) => {
          const { name, label, text, unit, choices, error, hint, worksIn, shownIn } = input;
          const others = unitsOf(worksIn).length > 0;
          return choices ? (
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
              unit={others ? undefined : unit}
              end={
                others ? (
                  <Bare
                    label={`${label} in ${unit}: another unit`}
                    style={styles.unit}
                    onPress={() => setDraft(inUnit(draft, input, unitAfter(worksIn, shownIn)))}
                  >
                    <Words as="soft" style={styles.unitText}>
                      {unit}
                    </Words>
                  </Bare>
                ) : undefined
              }
              value={text}
              error={error}
              hint={hint}
              onChange={(value) => setDraft({ ...draft, [name]: value })}
            />
          );
        })}
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
      {read.answer ? <Working answer={read.answer} settings={settings} /> : null}
    </Screen>
  );
}

/** A number of a sum in the keeper's own unit. */
function keeperWords(value: number, unit: SumUnit, settings: Settings): string {
  // Salinities stay in ppt: a sum that turns one scale into another would else say one thing twice.
  const shown = unit === 'ppt' ? unit : usualUnit(unit, settings);
  return figureWords(between(value, unit, shown), shown);
}

/** The answer first; without one, what is wanted for it. */
function Said({
  read: { answer, trouble },
  asks,
  settings,
}: {
  read: ReadSum;
  asks: string;
  settings: Settings;
}) {
  if (answer) {
    return (
      <Opening title={`${keeperWords(answer.answer, answer.unit, settings)}.`}>
        {answer.sentence}
      </Opening>
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

/** The picture of an answer, and the same in words for who does not see it. */
function Drawn({ sketch, settings }: { sketch: SketchOf; settings: Settings }) {
  const words = (value: number) =>
    sketch.kind === 'levels' ? '' : keeperWords(value, sketch.unit, settings);
  return <Sketch shape={sketch} words={words} summary={summaryOf(sketch, words)} />;
}

function summaryOf(sketch: SketchOf, words: (value: number) => string): string {
  switch (sketch.kind) {
    case 'line':
      return `On one line: ${sketch.marks.map(({ at, label }) => `${label} ${words(at)}`).join(', ')}.`;
    case 'levels':
      return `Levels: ${sketch.levels.map(({ label, share }) => `${label} at ${Math.round(share * 100)} % of the height`).join(', ')}.`;
    case 'curve': {
      const [first, last] = [sketch.points[0], sketch.points.at(-1)];
      return `From ${words(first?.[1] ?? 0)} to ${words(last?.[1] ?? 0)} over ${Math.round(last?.[0] ?? 0)} ${sketch.over}.`;
    }
    default:
      return unreachable(sketch);
  }
}

function Working({
  answer,
  settings,
}: {
  answer: NonNullable<ReadSum['answer']>;
  settings: Settings;
}) {
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
            <Row key={label} title={label} end={keeperWords(value, unit, settings)} />
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
