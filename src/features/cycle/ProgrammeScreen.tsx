import { View } from 'react-native';
import { programmeSchedule, programmeStart } from '@/core/cycle/dosing/programme';
import { dayWords } from '@/core/time/words';
import { daysBetween } from '@/core/time/zone';
import { formatSignificant } from '@/core/units/format';
import { recordAct } from '@/store/record';
import { selectHistory } from '@/store/inView';
import { selectNow, selectTank } from '@/store/selectors';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { BackHead } from '@/frame/BackHead';
import { Field } from '@/ui/Field';
import { Button, ButtonRow } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import {
  formOfProgramme,
  programmeFormSchema,
  readProgramme,
  type ProgrammeForm,
} from './programmeForm';

/** A bottle's own programme, from its label, as dates for this tank; kept, it is due on Today. */
export function ProgrammeScreen() {
  const history = useAppSelector(selectHistory);
  const tank = useAppSelector(selectTank);
  const now = useAppSelector(selectNow);
  const dispatch = useAppDispatch();
  const [form, setForm] = useDraft<ProgrammeForm>(
    `programme/${history?.tankId ?? ''}`,
    programmeFormSchema,
    formOfProgramme(history?.tank),
  );
  if (!history || !tank) return null;
  const zone = history.tank.zone;
  const kept = tank.body.programme;
  const bottle = programmeStart(history);
  const result = readProgramme(form);
  const steps = result.ok
    ? programmeSchedule(result.programme, history.netLitres, bottle ?? now, zone)
    : [];
  const same = result.ok && JSON.stringify(result.programme) === JSON.stringify(kept);
  const set = (changes: Partial<ProgrammeForm>) => setForm({ ...form, ...changes });
  const error = (name: keyof ProgrammeForm) =>
    form[name] === '' || result.ok ? undefined : result.errors[name];
  const number = (name: keyof ProgrammeForm, title: string, unit: string) => (
    <Field
      style={{ flexGrow: 1, flexBasis: 140 }}
      label={title}
      unit={unit}
      kind="number"
      value={form[name]}
      error={error(name)}
      onChange={(value) => set({ [name]: value })}
    />
  );
  const keep = async () => {
    if (!result.ok) return;
    const { programme } = result;
    const { doneRule } = tank.body;
    await dispatch(
      recordAct(
        (act) =>
          act.revise(tank, {
            ...tank.body,
            programme,
            // The rule for done that waits for a programme waits for this one.
            ...(doneRule.rule === 'bottleProgramme'
              ? { doneRule: { ...doneRule, programmeDays: programme.days } }
              : {}),
          }),
        'Kept the programme',
      ),
    );
    setForm(null);
  };
  const drop = async () => {
    const { programme: _, ...rest } = tank.body;
    await dispatch(recordAct((act) => act.revise(tank, rest), 'Dropped the programme'));
    setForm(null);
  };
  const counted = bottle
    ? `Counted from the bottle of ${dayWords(bottle, zone, now)}.`
    : 'Counted from today until a bottle is logged.';
  return (
    <Screen head={<BackHead title="Bottle programme" aside={history.tank.name} />}>
      <Opening title={kept ? 'The programme is due on Today.' : 'The label, as dates.'}>
        {`${counted} Whatever a bottle promises, only a test at its end shows anything.`}
      </Opening>
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        {number('firstMl', 'First day, for 100 L', 'mL')}
        {number('laterMl', 'Later, for 100 L', 'mL')}
        {number('every', 'Later doses every', 'days')}
        {number('days', 'For', 'days')}
      </View>
      <ButtonRow>
        <Button
          kind="primary"
          label={same ? 'Kept' : 'Keep this programme'}
          disabled={!result.ok || same}
          onPress={() => void keep()}
        />
        {kept ? <Button label="Drop it" onPress={() => void drop()} /> : null}
      </ButtonRow>
      {steps.length === 0 ? (
        <Words as="soft">Enter what the label says, and its days stand here.</Words>
      ) : (
        <View>
          <SectionHead title="Schedule" />
          {steps.map((step) => (
            <Row
              key={`${step.day}-${step.kind}`}
              title={
                step.kind === 'bacteria'
                  ? `${formatSignificant(step.mL ?? 0, 3)} mL of bacteria`
                  : 'The programme ends: test both'
              }
              note={`Day ${step.day}`}
              end={
                <Words as="soft">
                  {daysBetween(now, step.at, zone) === 0 ? 'today' : dayWords(step.at, zone, now)}
                </Words>
              }
            />
          ))}
        </View>
      )}
      <Remark>
        Skimmer, carbon and ultraviolet light off for the days its label says: they take bacteria
        out again. Shake the bottle, and keep refrigerated kinds cold.
      </Remark>
    </Screen>
  );
}
