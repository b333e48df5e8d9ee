import { useState } from 'react';
import { SCHOOLS } from '@/core/cycle/schools';
import type { SchoolChoice, SchoolId } from '@/core/records/schema/tank';
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
export function SchoolSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const tank = useAppSelector(selectTank);
  if (!open || !tank) return null;
  return <Chooser key={tank.rev} onClose={onClose} />;
}

function Chooser({ onClose }: { onClose: () => void }) {
  const tank = useAppSelector(selectTank);
  const dispatch = useAppDispatch();
  const current = tank?.body.school;
  const [school, setSchool] = useState<SchoolId>(current?.school ?? 'bothZeroHeld');
  const [hold, setHold] = useState(
    current?.school === 'bothZeroHeld' ? String(current.holdDays) : '7',
  );
  const [hours, setHours] = useState(
    current?.school === 'challenge' ? String(current.windowHours) : '24',
  );
  const [days, setDays, daysUsed] = useTyped(
    `school/${tank?.id ?? ''}/days`,
    current?.school === 'bottleProgramme' ? String(current.programmeDays) : '14',
  );
  if (!tank) return null;
  const programme = parseNumber(days);
  const daysWrong =
    programme === null || programme < 1 || programme > 90 || !Number.isInteger(programme);
  const choice = (): SchoolChoice => {
    switch (school) {
      case 'bothZeroHeld':
        return { school, holdDays: hold === '14' ? 14 : 7 };
      case 'challenge':
        return { school, windowHours: hours === '48' ? 48 : 24 };
      case 'bottleProgramme':
        return { school, programmeDays: programme ?? 14 };
      default:
        return { school };
    }
  };
  const save = async () => {
    if (school === 'bottleProgramme' && daysWrong) return;
    daysUsed();
    await dispatch(
      recordAct(
        (act) => act.revise(tank, { ...tank.body, school: choice() }),
        'Changed the school',
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
        label="School"
        value={school}
        onChange={setSchool}
        options={SCHOOLS.map((s) => ({
          value: s.id,
          label: s.name,
          note: `${s.asks} ${s.trades}`,
        }))}
      />
      {school === 'bothZeroHeld' ? (
        <Choice
          label="Held for"
          value={hold}
          onChange={setHold}
          options={[
            { value: '7', label: '7 days' },
            { value: '14', label: '14 days' },
          ]}
        />
      ) : null}
      {school === 'challenge' ? (
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
      {school === 'bottleProgramme' ? (
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
