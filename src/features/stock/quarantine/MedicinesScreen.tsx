import { useState } from 'react';
import { View } from 'react-native';
import { CAUTIONS } from '@/core/cautions';
import {
  concentration,
  givenAs,
  givenUnit,
  medicineConflicts,
  redose,
} from '@/core/quarantine/medicine/medicine';
import { medicineEffect } from '@/core/records/kinds/medication';
import type { Agent } from '@/core/records/kinds/treatment';
import { medicineEvents, medicineHome } from '@/core/quarantine/medicine/treated';
import type { RevisionOf } from '@/core/records/schema/revision';
import { isoInZone } from '@/core/time/zone';
import { formatPlain, parseNumber } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { CautionRemark } from '@/frame/CautionRemark';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectNow, selectTank, selectTanks } from '@/store/selectors';
import { selectHistoryOf } from '@/store/world';
import { Choice, Tick } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { InsteadRows } from '../InsteadRows';
import { MedicineForm } from './forms';

type Head = RevisionOf<'medicine'>;

/** What each kind of medicine is called as a treatment of the tank. */
const AGENT: Record<Exclude<Head['body']['kind'], 'binder'>, Agent> = {
  copper: 'copper',
  antibiotic: 'antibiotic',
  formaldehyde: 'formaldehyde',
  methyleneBlue: 'methyleneBlue',
  peroxide: 'peroxide',
  other: 'otherMedicine',
};

/** What labels say, what is in which tank, and what must never meet. */
export function MedicinesScreen({ given }: { given: Readonly<Record<string, string>> }) {
  const medicines = useAppSelector((state) => state.log.medicines);
  const tanks = useAppSelector(selectTanks);
  const inView = useAppSelector(selectTank);
  const [tankId, setTankId] = useState(
    given.tank ?? tanks.find(({ body }) => body.kind === 'quarantine')?.id ?? inView?.id ?? '',
  );
  const [open, setOpen] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const history = useAppSelector((state) => selectHistoryOf(state, tankId));
  const chosen = medicines.find(({ id }) => id === open);
  const levelOf = ({ id, body }: Head) =>
    history && medicineEvents(history, id).length > 0
      ? concentration(body, history.netLitres, medicineEvents(history, id))
      : 0;
  return (
    <Screen
      head={<BackHead title="Quarantine" aside="medicines" />}
      aside={
        adding ? (
          <MedicineForm onDone={() => setAdding(false)} />
        ) : chosen && history ? (
          <Give key={chosen.id + tankId} head={chosen} tankId={tankId} />
        ) : undefined
      }
    >
      <Opening
        title={
          medicines.length === 0
            ? 'No label on record.'
            : medicines.length === 1
              ? 'One label on record.'
              : `${medicines.length} labels on record.`
        }
      >
        Amounts come from the label and a veterinarian, never from here. What is copied from a label
        is used to watch dilution, tests and what must never meet.
      </Opening>
      <Choice
        label="In which tank"
        value={tankId}
        onChange={setTankId}
        options={tanks.map(({ id, body }) => ({ value: id, label: body.name }))}
      />
      <View>
        {medicines.map((head) => {
          const level = levelOf(head);
          const { name, unit, target } = head.body;
          const there =
            level === 0
              ? 'not in this tank'
              : level === null
                ? 'in this tank; how much, only a test tells'
                : `about ${formatPlain(level, 3)} ${unit ?? ''} in this tank`;
          return (
            <Row
              key={head.id}
              title={name}
              note={`${there}${target ? `; the label asks ${formatPlain(target.low, 3)} to ${formatPlain(target.high, 3)} ${unit ?? ''}` : ''}`}
              current={head.id === open}
              onPress={() => {
                setAdding(false);
                setOpen(head.id);
              }}
            />
          );
        })}
      </View>
      <Button label="Copy a label" onPress={() => setAdding(true)} />
      <CautionRemark caution={CAUTIONS.medicine} />
    </Screen>
  );
}

/** Beyond this nobody gives or reads anything; it was mistyped. */
const MOST_TYPED = 100_000;

/** A number that was typed and can be; null otherwise. */
function within(text: string, can: (value: number) => boolean): number | null {
  const value = parseNumber(text);
  return value !== null && can(value) && value <= MOST_TYPED ? value : null;
}

/** One medicine in one tank: what stands against it, and what was given, measured, taken out. */
function Give({ head, tankId }: { head: Head; tankId: string }) {
  const dispatch = useAppDispatch();
  const history = useAppSelector((state) => selectHistoryOf(state, tankId));
  const medicines = useAppSelector((state) => state.log.medicines);
  const batches = useAppSelector((state) => state.log.batches);
  const now = useAppSelector(selectNow);
  const [air, setAir] = useState(false);
  const [mL, setMl] = useTyped(`medicine/${head.id}/${tankId}/mL`);
  const [value, setValue] = useTyped(`medicine/${head.id}/${tankId}/read`);
  const [change, setChange] = useTyped(`medicine/${head.id}/${tankId}/change`);
  const [editing, setEditing] = useState(false);
  if (!history) return null;
  const { body } = head;
  const filter = batches.find(
    (batch) => batch.body.tankId === tankId && batch.body.endedAt === null,
  )?.body.filter;
  const conflicts = medicineConflicts(body, medicineHome(history, medicines, filter, air, now));
  const blocked = conflicts.some(({ severity }) => severity === 'blocked');
  const events = medicineEvents(history, head.id);
  const level = events.length === 0 ? 0 : concentration(body, history.netLitres, events);
  const amount = within(mL, (given) => given > 0);
  const read = within(value, (found) => found >= 0);
  const litres = parseNumber(change);
  const log = (act: 'given' | 'carbonIn' | 'measured', more: object, words: string) => {
    void dispatch(
      recordAct((write) => {
        const at = isoInZone(write.now, history.tank.zone);
        const medication = { medicineId: head.id, what: body.name, act, ...more };
        write.create('entry', { kind: 'medication', tankId, at, ...medication });
        if (act !== 'given') return;
        // A binder holds ammonia that tests then miss, and what harms bacteria harms the cycle.
        if (body.kind === 'binder' && amount !== null) {
          write.create('entry', {
            kind: 'dose',
            tankId,
            at,
            substance: 'ammoniaBinder',
            amount: { by: 'mL', mL: amount },
            strength: null,
            about: false,
            product: body.name,
          });
        }
        // Copper is looked for among treatments, whatever its label says of the filter.
        if (body.kind === 'binder') return;
        if (!medicineEffect(body).filterBacteria && body.kind !== 'copper') return;
        const agent = AGENT[body.kind];
        write.create('entry', { kind: 'treatment', tankId, at, agent, product: body.name });
      }, words),
    );
    setMl('');
    setValue('');
  };
  const outside =
    level !== null && level > 0 && body.target
      ? level < body.target.low
        ? 'under'
        : level > body.target.high
          ? 'over'
          : null
      : null;
  if (editing) return <MedicineForm head={head} onDone={() => setEditing(false)} />;
  return (
    <View style={{ gap: 12 }}>
      <SectionHead
        title={`${body.name} in ${history.tank.name}`}
        end={<LinkButton soft label="Its label" onPress={() => setEditing(true)} />}
      />
      {conflicts.map((conflict) =>
        conflict.severity === 'blocked' ? (
          <View key={conflict.because} style={{ gap: 8 }}>
            <Remark tone="danger" title="Not together">
              {conflict.because}
            </Remark>
            <InsteadRows rows={[conflict.instead]} />
          </View>
        ) : (
          <Remark key={conflict.because} tone="caution" title="With care">
            {conflict.because}
          </Remark>
        ),
      )}
      {body.lowersOxygen ? <Tick label="Strong air is on" value={air} onChange={setAir} /> : null}
      {outside ? (
        <Remark tone="caution" title={`By the sums it is ${outside} the label's range`}>
          Test it before anything is added or changed: sums know nothing of what breaks down.
        </Remark>
      ) : null}
      <Field
        label="Given, by its label"
        kind="number"
        unit={givenUnit(body.form)}
        value={mL}
        onChange={setMl}
        error={
          mL.trim() !== '' && amount === null
            ? `Between 0 and ${MOST_TYPED}, above zero.`
            : undefined
        }
      />
      <Button
        kind="primary"
        label="Log it as given"
        disabled={blocked || amount === null}
        onPress={() => {
          if (amount !== null) log('given', givenAs(body.form, amount), `${body.name} given`);
        }}
      />
      <Field
        label={`A test read${body.unit ? `, ${body.unit}` : ''}`}
        kind="number"
        value={value}
        error={value.trim() !== '' && read === null ? `Between 0 and ${MOST_TYPED}.` : undefined}
        onChange={setValue}
      />
      <ButtonRow>
        <Button
          label="Log the test"
          disabled={read === null}
          onPress={() => log('measured', { value: read }, `${body.name} measured`)}
        />
        <Button
          label="Carbon is in"
          onPress={() => log('carbonIn', {}, `${body.name}: being taken out`)}
        />
      </ButtonRow>
      {body.strength === undefined ? (
        <Words as="soft">
          With the strength on its label, dilution and what a change takes would be worked out.
        </Words>
      ) : level !== null && level > 0 ? (
        <>
          <Field
            label="Before a change of"
            unit="L"
            kind="number"
            value={change}
            onChange={setChange}
          />
          {litres !== null && litres > 0 ? (
            <Words as="body">
              {`New water of ${formatPlain(litres, 1)} L takes ${formatPlain(redose(body, level, litres), 2)} ${givenUnit(body.form)} to stand where the tank does; without, it falls to ${formatPlain(level * (1 - Math.min(1, litres / history.netLitres)), 3)} ${body.unit ?? ''}.`}
            </Words>
          ) : null}
        </>
      ) : null}
    </View>
  );
}
