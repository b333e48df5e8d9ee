import { View } from 'react-native';
import * as z from 'zod';
import { programmeSchedule } from '@/core/cycle/dosing/programme';
import { dayWords } from '@/core/time/words';
import { daysBetween } from '@/core/time/zone';
import { formatSignificant } from '@/core/units/format';
import { selectHistory, selectNow } from '@/store/selectors';
import { useAppSelector, useDraft } from '@/store/hooks';
import { BackHead } from '@/shared/BackHead';
import { FormReader } from '@/shared/formText';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';

const schema = z.object({
  firstMl: z.string(),
  laterMl: z.string(),
  every: z.string(),
  days: z.string(),
});
type Form = z.infer<typeof schema>;

/** A bottle's own programme, from its label, as dates for this tank. */
export function ProgrammeScreen() {
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const { school } = history?.tank ?? {};
  const start: Form = {
    firstMl: '',
    laterMl: '',
    every: '1',
    days: school?.school === 'bottleProgramme' ? String(school.programmeDays) : '14',
  };
  const [form, setForm] = useDraft<Form>(`programme/${history?.tankId ?? ''}`, schema, start);
  if (!history) return null;
  const zone = history.tank.zone;
  const bottle = history.doses.find((dose) => dose.entry.substance === 'bacteria');
  const from = bottle?.at ?? now;
  const read = new FormReader(form);
  const label = {
    firstMl: read.number('firstMl', { aboveZero: true }),
    laterMl: read.number('laterMl', { min: 0 }),
    every: read.number('every', { min: 1, max: 30 }),
    days: read.number('days', { min: 1, max: 90 }),
  };
  const whole = Number.isInteger(label.every) && Number.isInteger(label.days);
  const steps = read.ok && whole ? programmeSchedule(label, history.netLitres, from, zone) : [];
  const set = (changes: Partial<Form>) => setForm({ ...form, ...changes });
  const error = (name: keyof Form) => (form[name] === '' ? undefined : read.errors[name]);
  const number = (name: keyof Form, title: string, unit: string) => (
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
  return (
    <Screen head={<BackHead title="Bottle programme" aside={history.tank.name} />}>
      <Opening title="The label, as dates.">
        {bottle
          ? `Counted from the bottle of ${dayWords(bottle.at, zone, now)}. Whatever a bottle promises, only a test at its end shows anything.`
          : 'Counted from today until a bottle is logged. Whatever a bottle promises, only a test at its end shows anything.'}
      </Opening>
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        {number('firstMl', 'First day, for 100 L', 'mL')}
        {number('laterMl', 'Later, for 100 L', 'mL')}
        {number('every', 'Later doses every', 'days')}
        {number('days', 'For', 'days')}
      </View>
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
                  : step.kind === 'test'
                    ? 'Test ammonia and nitrite'
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
