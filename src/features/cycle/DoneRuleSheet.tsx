import { useState } from 'react';
import { DONE_RULES } from '@/core/cycle/doneRules';
import type { DoneRuleChoice, DoneRuleId } from '@/core/records/schema/tank';
import { parseNumber } from '@/core/units/format';
import { recordAct } from '@/store/record';
import { selectTank } from '@/store/selectors';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { Button } from '@/ui/Press';
import { Choice, OptionList } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';

/** Chooses how this tank's cycle is judged, with what each way trades. */
export function DoneRuleSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const tank = useAppSelector(selectTank);
  if (!open || !tank) return null;
  return <Chooser key={tank.rev} onClose={onClose} />;
}

function Chooser({ onClose }: { onClose: () => void }) {
  const tank = useAppSelector(selectTank);
  const dispatch = useAppDispatch();
  const current = tank?.body.doneRule;
  const [doneRule, setDoneRule] = useState<DoneRuleId>(current?.rule ?? 'bothZeroHeld');
  const [zeroDays, setZeroDays] = useState(
    current?.rule === 'bothZeroHeld' ? String(current.daysAtZero) : '7',
  );
  const [hours, setHours] = useState(
    current?.rule === 'challenge' ? String(current.windowHours) : '24',
  );
  const [days, setDays, daysUsed] = useTyped(
    `doneRule/${tank?.id ?? ''}/days`,
    current?.rule === 'bottleProgramme' ? String(current.programmeDays) : '14',
  );
  if (!tank) return null;
  const programme = parseNumber(days);
  const daysWrong =
    programme === null || programme < 1 || programme > 90 || !Number.isInteger(programme);
  const choice = (): DoneRuleChoice => {
    switch (doneRule) {
      case 'bothZeroHeld':
        return { rule: doneRule, daysAtZero: zeroDays === '14' ? 14 : 7 };
      case 'challenge':
        return { rule: doneRule, windowHours: hours === '48' ? 48 : 24 };
      case 'bottleProgramme':
        return { rule: doneRule, programmeDays: programme ?? 14 };
      default:
        return { rule: doneRule };
    }
  };
  const save = async () => {
    if (doneRule === 'bottleProgramme' && daysWrong) return;
    daysUsed();
    await dispatch(
      recordAct(
        (act) => act.revise(tank, { ...tank.body, doneRule: choice() }),
        'Changed the rule for done',
      ),
    );
    onClose();
  };
  return (
    <Sheet title="When is it done?" open onClose={onClose}>
      <Words as="body">
        Keepers decide it in different ways. Whichever you choose, ammonia and nitrite have to be
        seen being used, and read zero by a fresh test.
      </Words>
      <OptionList
        label="Rule for done"
        value={doneRule}
        onChange={setDoneRule}
        options={DONE_RULES.map((s) => ({
          value: s.id,
          label: s.name,
          note: `${s.asks} ${s.trades}`,
        }))}
      />
      {doneRule === 'bothZeroHeld' ? (
        <Choice
          label="Days at zero"
          value={zeroDays}
          onChange={setZeroDays}
          options={[
            { value: '7', label: '7 days' },
            { value: '14', label: '14 days' },
          ]}
        />
      ) : null}
      {doneRule === 'challenge' ? (
        <Choice
          label="Both zero within"
          value={hours}
          onChange={setHours}
          options={[
            { value: '24', label: '24 h' },
            { value: '48', label: '48 h' },
          ]}
        />
      ) : null}
      {doneRule === 'bottleProgramme' ? (
        <Field
          label="Length of the programme"
          unit="days"
          kind="number"
          value={days}
          onChange={setDays}
          error={daysWrong ? 'Whole days, 1 to 90.' : undefined}
        />
      ) : null}
      <Button kind="primary" label="Judge it this way" onPress={() => void save()} />
    </Sheet>
  );
}
