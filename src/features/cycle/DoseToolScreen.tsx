import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import * as z from 'zod';
import { dateRangeInSentence } from '@/core/cycle/forecast/dates/rangeWords';
import { redoseAdvice } from '@/core/cycle/dosing/redose';
import type { ValueRange } from '@/core/cycle/forecast/types';
import { MOST_AMMONIA } from '@/core/cycle/dosing/amount';
import { riseWords } from '@/core/cycle/doseSize';
import type { TankHistory } from '@/core/history/tankHistory';
import { formatIn } from '@/core/parameters/convert';
import { CAUTIONS } from '@/core/cautions';
import { FOODS, FOODS_AS_FED } from '@/core/records/kinds/feed';
import type { Entry } from '@/core/records/kinds';
import { dayWords } from '@/core/time/words';
import { isoInZone } from '@/core/time/zone';
import { formatPlain, formatSignificant } from '@/core/units/format';
import { ended } from '@/core/runs/procedures/changes';
import { challengeOf } from '@/core/runs/procedures/challenge';
import { newActId, recordAct } from '@/store/record';
import { beginRun, createRun, liveRun } from '@/store/runs';
import { selectForecast, selectHistory } from '@/store/inView';
import { selectNow, selectSettings } from '@/store/selectors';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { BackHead } from '@/frame/BackHead';
import { NotEnteredRemark } from '@/frame/NotEnteredRemark';
import { CautionRemark } from '@/frame/CautionRemark';
import { StrengthFields } from '@/forms/StrengthFields';
import { strengthFormOf } from '@/forms/strengthForm';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { DropCounter } from './DropCounter';
import {
  doseEntryOf,
  doseToolSchema,
  EMPTY_DOSE_TOOL,
  isLiquid,
  readDoseTool,
  strengthWords,
  type DoseToolForm,
  type DoseToolResult,
} from './doseToolForm';

const BASES = [
  { value: 'ammonia NH4', label: 'NH4' },
  { value: 'ammonia NH3', label: 'NH3' },
  { value: 'ammonia N', label: 'N' },
] as const;

const FOOD_OPTIONS = FOODS.map((value) => ({ value, label: FOODS_AS_FED[value].name }));

/** Begins with what the last dose says of the bottle in hand. */
function startOf(history: TankHistory): DoseToolForm {
  const last = history.entries.dose.findLast((dose) => dose.entry.strength)?.entry;
  const strength = last?.strength;
  if (!last || !strength) return EMPTY_DOSE_TOOL;
  const form: DoseToolForm = {
    ...EMPTY_DOSE_TOOL,
    what: last.substance === 'householdAmmonia' ? 'householdAmmonia' : 'ammoniumChloride',
    strengthBy: strength.by,
  };
  if (last.amount.by === 'drops') form.dropsPerMl = formatPlain(1 / last.amount.dropMl, 1);
  return { ...form, ...strengthFormOf(strength) };
}

/** "80–115 %". */
function percentRange({ p10, p90 }: ValueRange): string {
  return `${formatPlain(p10 * 100, 0)}–${formatPlain(p90 * 100, 0)} %`;
}

/** When to dose, how much of the bottle in hand, and a counter for its drops. */
export function DoseToolScreen() {
  const history = useAppSelector(selectHistory);
  return history ? <DoseTool key={history.tankId} history={history} /> : null;
}

function DoseTool({ history }: { history: TankHistory }) {
  const forecast = useAppSelector(selectForecast);
  const settings = useAppSelector(selectSettings);
  const now = useAppSelector(selectNow);
  const dispatch = useAppDispatch();
  const router = useRouter();
  const [start] = useState(() => startOf(history));
  const name = `doseTool/${history.tankId}`;
  const [form, setForm] = useDraft<DoseToolForm>(name, doseToolSchema, start);
  const [count, setCount] = useDraft<number>(`${name}/count`, z.int().min(0), 0);
  const busy = useRef(false);
  const [actId] = useState(() => dispatch(newActId()));
  // The bottle of the last dose is most likely the one in hand, and its label need not be seen.
  const [unfolded, setUnfolded] = useState(() => start === EMPTY_DOSE_TOOL);
  const set = (changes: Partial<DoseToolForm>) => setForm({ ...form, ...changes });
  const advice = redoseAdvice(history, forecast, now);
  const there = MOST_AMMONIA - advice.most;
  const result = readDoseTool(form, history.netLitres, there);
  const counting = useAppSelector((state) => liveRun(state, history.tankId, 'drops'));
  const onCount = (next: number) => {
    setCount(next);
    // A count that is interrupted is found again from anywhere.
    if (next > 0 && !counting && result.ok && result.drops !== null) {
      const given = { target: Math.round(result.drops) };
      void dispatch(beginRun('drops', history.tankId, given));
    }
  };
  const log = async () => {
    if (!result.ok || busy.current) return;
    const counted = result.drops === null ? null : count;
    const entry = doseEntryOf(form, result, counted);
    if (!entry) return;
    busy.current = true;
    const saved = await dispatch(
      recordAct(
        (act) => {
          const at = isoInZone(act.now, history.tank.zone);
          act.create('entry', { ...entry, tankId: history.tankId, at } as Entry);
          if (counting) act.revise(counting, ended(counting.body, at, 'done'));
          const challenge = challengeOf(history, entry, at);
          if (challenge) createRun(act, challenge);
        },
        { words: 'Saved the dose', actId, empties: [`${name}/count`] },
      ),
    );
    busy.current = false;
    if (saved.issues.length === 0) router.replace('/cycle');
  };
  const folded = !unfolded && result.ok;
  const title = advice.rise > 0 ? 'Dose today.' : 'Do not dose now.';
  const { zone } = history.tank;
  const when = advice.when
    ? advice.when.p10 === advice.when.p90 && advice.when.p50 !== null
      ? ` Dose again ${dayWords(advice.when.p50, zone, now)}.`
      : ` By the forecast it is time ${dateRangeInSentence(advice.when, zone, now)}.`
    : '';
  const amount =
    advice.rise > 0
      ? `Up to **${riseWords(history, advice.rise)}** (${formatPlain(advice.rise, 1)} ppm N). `
      : '';
  return (
    <Screen head={<BackHead title="Dose" aside={history.tank.name} />}>
      <Opening title={title}>{`${amount}${advice.because}${when}`}</Opening>
      <NotEnteredRemark history={history} />
      <SectionHead title="How much" />
      <Choice
        label="With"
        options={[
          { value: 'ammoniumChloride', label: 'Ammonium chloride' },
          { value: 'householdAmmonia', label: 'Household ammonia' },
          { value: 'prawn', label: 'Prawn' },
          { value: 'food', label: 'Food' },
        ]}
        value={form.what}
        onChange={(what) => set({ what })}
      />
      {form.what === 'food' ? (
        <Choice
          label="Food"
          options={FOOD_OPTIONS}
          value={form.food}
          onChange={(food) => set({ food })}
        />
      ) : null}
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        <Field
          style={{ flexGrow: 1, flexBasis: 120 }}
          label="Raise ammonia by"
          unit="ppm"
          kind="number"
          value={form.rise}
          error={result.ok ? undefined : result.errors.rise}
          onChange={(rise) => set({ rise })}
        />
        <View style={{ flexGrow: 1, flexBasis: 180 }}>
          <Choice
            label="ppm of"
            options={BASES}
            value={form.basis}
            onChange={(basis) => set({ basis })}
          />
        </View>
      </View>
      {!isLiquid(form) ? null : folded ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Words as="soft">{strengthWords(form)}</Words>
          <LinkButton soft label="Another bottle" onPress={() => setUnfolded(true)} />
        </View>
      ) : (
        <Strength form={form} set={set} result={result} />
      )}
      {isLiquid(form) && forecast?.doseStrength ? (
        <Words as="soft">
          {`By your readings the doses so far were ${percentRange(forecast.doseStrength)} of what their label and the net water say.`}
        </Words>
      ) : null}
      <Answer
        result={result}
        form={form}
        there={there}
        volume={formatIn(history.netLitres, settings.volumeUnit, 0)}
      />
      {form.what === 'householdAmmonia' ? <CautionRemark caution={CAUTIONS.strongAmmonia} /> : null}
      {result.ok && result.drops !== null ? (
        <>
          <SectionHead title="Count the drops" />
          <DropCounter
            name={name}
            target={Math.round(result.drops)}
            count={count}
            onCount={onCount}
          />
        </>
      ) : null}
      {result.ok ? (
        <Button
          kind="primary"
          disabled={result.tooMuch}
          label={
            result.drops !== null && count > 0
              ? `Log ${count} drops`
              : result.grams !== null
                ? `Log ${formatSignificant(result.grams, 3)} g`
                : `Log ${formatSignificant(result.mL ?? 0, 3)} mL`
          }
          onPress={() => void log()}
        />
      ) : null}
    </Screen>
  );
}

function Answer({
  result,
  form,
  there,
  volume,
}: {
  result: DoseToolResult;
  form: DoseToolForm;
  there: number;
  volume: string;
}) {
  if (!result.ok) {
    return (
      <Words as="soft">
        Fill in what the label says, and the amount for this tank stands here.
      </Words>
    );
  }
  const parts = [
    result.drops === null ? '' : `${Math.round(result.drops)} drops`,
    result.mL === null ? '' : `${formatSignificant(result.mL, 3)} mL`,
    result.grams === null ? '' : `${formatSignificant(result.grams, 3)} g`,
  ].filter(Boolean);
  const words = `**${parts.join(' or ')}** for ${volume}: ${formatSignificant(result.rise, 2)} ppm N.`;
  if (result.tooMuch) {
    return (
      <Remark tone="caution" title="More than the filter bacteria can use">
        <Words as="body">
          {`${words} With up to ${formatPlain(there, 1)} ppm already there that is beyond 4, where filter bacteria are held back. Ask for less, or wait.`}
        </Words>
      </Remark>
    );
  }
  return (
    <Remark>
      <Words as="lead">{words}</Words>
      <Words as="soft">
        {isLiquid(form)
          ? 'Net water, not the label of the tank. Mix it in where water moves and test an hour later.'
          : form.what === 'prawn'
            ? 'Once all of it has rotted, over a week or so; in a bag, and out after about three days, it gives half of that. What it gives varies by half.'
            : 'Once all of it has rotted, over a week or so. Ghost feeding is a tenth of it a day. What it gives varies by half.'}
      </Words>
    </Remark>
  );
}

function Strength({
  form,
  set,
  result,
}: {
  form: DoseToolForm;
  set: (changes: Partial<DoseToolForm>) => void;
  result: DoseToolResult;
}) {
  // A field that is still empty is not wrong yet.
  const errors = Object.fromEntries(
    Object.entries(result.ok ? {} : result.errors).filter(
      ([name]) => form[name as keyof DoseToolForm] !== '',
    ),
  );
  const { strengthBy } = form;
  return (
    <>
      <Choice
        label="Strength"
        options={[
          { value: 'label', label: 'As on the label' },
          { value: 'percent', label: 'Percent' },
          { value: 'pure', label: 'Dry salt' },
        ]}
        value={strengthBy}
        onChange={(by) => set({ strengthBy: by })}
      />
      {strengthBy === 'pure' ? null : (
        <>
          <StrengthFields by={strengthBy} form={form} set={set} errors={errors} />
          <Field
            label="Drops in one mL"
            kind="number"
            value={form.dropsPerMl}
            error={errors.dropsPerMl}
            hint="Count them once for this bottle"
            onChange={(dropsPerMl) => set({ dropsPerMl })}
          />
        </>
      )}
    </>
  );
}
