import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { METHOD_WORDS, type Method } from '@/core/acclimation/method';
import { acclimationPlan, COUNTABLE, type AcclimationPlan } from '@/core/acclimation/plan';
import { givenOf, type Newcomer } from '@/core/acclimation/run';
import { toppedWithFresh } from '@/core/acclimation/live';
import type { Water, WaterClass } from '@/core/acclimation/waters';
import { tankHistory } from '@/core/history/derive';
import type { Log } from '@/core/records/log';
import { CAUTIONS } from '@/core/cautions';
import { latestReading } from '@/core/history/tankHistory';
import { callIt } from '@/core/livestock/compatibility/types';
import { formatIn } from '@/core/parameters/convert';
import { animalsCalled } from '@/core/records/kinds/animals';
import { unitFor } from '@/core/records/schema/settings';
import { countOf, formatPlain, listWords, parseNumber } from '@/core/units/format';
import { unitSymbol } from '@/core/units/units';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { CautionRemark } from '@/frame/CautionRemark';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { newRun } from '@/store/runs';
import { selectSettings, selectTank, selectTanks } from '@/store/selectors';
import { selectHistoryOf } from '@/store/world';
import { Choice, Tick } from '@/ui/Choice';
import { DripCurve } from '@/ui/drip/DripCurve';
import { Field } from '@/ui/Field';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { AnimalPicker } from '../AnimalPicker';
import { CountField } from '../CountField';
import { useFinder } from '../useStock';
import { arrivalFields, readArrival, tankFields, type ArrivalFields } from './arrivalForm';

const CLASS_OF: Record<Newcomer['group'], WaterClass> = {
  fish: 'fish',
  coral: 'coral',
  invertebrate: 'shrimp',
};
/** Of several the one that bears least. */
const TOUCHIEST: readonly WaterClass[] = ['shrimp', 'coral', 'fish'];

/** What a tank measured last, as far as it was. */
function waterOf(log: Log, tankId: string, at: number): Partial<Water> {
  const history = tankHistory(log, tankId, at);
  const [salinity, temperature] = [
    latestReading(history, 'salinity')?.best,
    latestReading(history, 'temperature')?.best,
  ];
  return {
    ...(salinity === undefined ? {} : { salinity }),
    ...(temperature === undefined ? {} : { temperature }),
  };
}

/** Who comes, what the bag measures, and the way in that this calls for. */
export function AcclimateScreen({ given }: { given: Readonly<Record<string, string>> }) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const find = useFinder();
  const settings = useAppSelector(selectSettings);
  const tanks = useAppSelector(selectTanks);
  const inView = useAppSelector(selectTank);
  const batch = useAppSelector((state) => state.log.batches.find(({ id }) => id === given.batch));
  const [tankId, setTankId] = useState(batch?.body.forTankId ?? given.tank ?? inView?.id ?? '');
  const history = useAppSelector((state) => selectHistoryOf(state, tankId));
  const source = useAppSelector((state) => selectHistoryOf(state, batch?.body.tankId ?? null));
  const measured = (of: typeof history) => ({
    salinity: of ? latestReading(of, 'salinity')?.best : undefined,
    temperature: of ? latestReading(of, 'temperature')?.best : undefined,
    ph: of ? latestReading(of, 'ph')?.best : undefined,
  });
  const fromBatch = tankFields(measured(source), settings);
  const start: ArrivalFields = {
    bagSalinity: batch ? fromBatch.tankSalinity : '',
    bagTemperature: batch ? fromBatch.tankTemperature : '',
    bagPh: '',
    ...tankFields(measured(history), settings),
    litres: '',
    hours: '',
    room: '',
    dip: '',
    oneSystem: false,
    split: {},
    newcomers:
      given.species === undefined
        ? []
        : [{ species: given.species, count: Math.max(1, Math.round(Number(given.count)) || 1) }],
  };
  const [form, setForm] = useDraft(`acclimate/${batch?.id ?? tankId}`, arrivalFields, start);
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<Method | null>(null);
  const [more, setMore] = useState(false);
  const set = (changes: Partial<ArrivalFields>) => {
    setChosen(null);
    setForm({ ...form, ...changes });
  };
  const newcomers: Newcomer[] = batch
    ? batch.body.animals.map(({ what, species = '', count }) => ({
        species,
        what,
        group: find(species)?.group ?? 'fish',
        count,
      }))
    : form.newcomers.flatMap(({ species, count }) => {
        const animal = find(species);
        return animal ? [{ species, what: callIt(animal), group: animal.group, count }] : [];
      });
  const classes = newcomers.map(({ group }) => CLASS_OF[group]);
  const animal = TOUCHIEST.find((one) => classes.includes(one)) ?? 'fish';
  const read = readArrival(form, animal, settings);
  const plan = read.ok ? acclimationPlan(read.arrival, chosen ?? undefined) : null;
  const tank = tanks.find(({ id }) => id === tankId);
  const others = tanks.filter(({ id }) => id !== tankId);
  const elsewhere = others.reduce((sum, { id }) => sum + (form.split[id] ?? 0), 0);
  const [single] = newcomers;
  const splits = !batch && newcomers.length === 1 && single !== undefined && single.count > 1;
  const here = splits ? single.count - elsewhere : null;
  const begin = async () => {
    if (!read.ok || !plan || !tank) return;
    const { arrival } = read;
    const dipMinutes = parseNumber(form.dip) ?? 0;
    let made = '';
    await dispatch(
      recordAct((act) => {
        const at = new Date(act.now).toISOString();
        const create = (tankOf: string, what: ReturnType<typeof givenOf>) =>
          act.create('run', newRun('acclimate', tankOf, at, what));
        const extra = {
          ...(batch ? { batch: batch.id } : {}),
          ...(dipMinutes > 0 ? { dipMinutes } : {}),
        };
        const first = here === null ? newcomers : newcomers.map((one) => ({ ...one, count: here }));
        if (here === null || here > 0) {
          made = create(tank.id, givenOf(arrival, plan, { newcomers: first, ...extra }));
        }
        for (const other of splits ? others : []) {
          const count = form.split[other.id] ?? 0;
          if (count === 0) continue;
          // Each tank by its own water, where that was measured.
          const water = waterOf(act.log, other.id, act.now);
          const toOther = { ...arrival, tank: { ...arrival.tank, ...water } };
          const run = create(
            other.id,
            givenOf(toOther, acclimationPlan(toOther), {
              newcomers: newcomers.map((one) => ({ ...one, count })),
              ...extra,
            }),
          );
          made = made === '' ? run : made;
        }
      }),
    );
    setForm(null);
    router.replace(to.acclimation(made));
  };
  const salinity = unitSymbol(unitFor(settings, 'salinity'));
  const warmth = unitSymbol(unitFor(settings, 'temperature'));
  const field = (
    name: Exclude<keyof ArrivalFields, 'oneSystem' | 'newcomers' | 'split'>,
    label: string,
    unit: string,
    hint?: string,
  ) => (
    <Field
      label={label}
      kind="number"
      unit={unit}
      value={form[name]}
      hint={hint}
      onChange={(value) => set({ [name]: value })}
    />
  );
  const who = listWords(newcomers.map(({ what, count }) => animalsCalled(what, count)));
  return (
    <Screen
      head={<BackHead title="Acclimate" aside={tank?.body.name} />}
      aside={
        plan && history ? (
          <PlanPart
            plan={plan}
            settings={settings}
            netLitres={history.netLitres}
            tankSalinity={read.ok ? read.arrival.tank.salinity : 35}
            onChoose={setChosen}
            onBegin={() => void begin()}
            nobody={newcomers.length === 0}
            onQuarantine={
              plan.method === 'matchQuarantine' && tank?.body.kind !== 'quarantine'
                ? () => router.push(to.quarantinePage('begin'))
                : null
            }
          />
        ) : undefined
      }
    >
      <Opening
        title={
          plan ? `${METHOD_WORDS[plan.method]}.` : who === '' ? 'Who comes?' : 'Measure the bag.'
        }
      >
        {plan
          ? plan.because
          : who === ''
            ? 'Then the bag is measured, and the way in follows from the two waters and the animal.'
            : !read.ok && read.missing
              ? read.why
              : ''}
      </Opening>
      {tanks.length > 1 && !batch ? (
        <Choice
          label="Into"
          value={tankId}
          onChange={setTankId}
          options={tanks.map(({ id, body }) => ({ value: id, label: body.name }))}
        />
      ) : null}
      {batch ? (
        <Row title={who} note="From quarantine, all of the batch" />
      ) : (
        <>
          {newcomers.map(({ species, what, count }, place) => (
            <View key={species}>
              <Row
                title={what}
                end={
                  <Button
                    label="Take off"
                    onPress={() => set({ newcomers: form.newcomers.filter((_, i) => i !== place) })}
                  />
                }
              />
              <CountField
                label={`How many, ${what.toLowerCase()}`}
                value={count}
                most={500}
                onChange={(next) =>
                  set({
                    newcomers: form.newcomers.map((one, i) =>
                      i === place ? { ...one, count: next } : one,
                    ),
                  })
                }
              />
            </View>
          ))}
          <AnimalPicker
            label={newcomers.length === 0 ? 'Which animal' : 'Another in the same bag'}
            value={text}
            picked={false}
            onChange={setText}
            onPick={(picked) => {
              setText('');
              if (form.newcomers.some(({ species }) => species === picked.id)) return;
              set({ newcomers: [...form.newcomers, { species: picked.id, count: 1 }] });
            }}
          />
        </>
      )}
      {splits && others.length > 0 ? (
        <View>
          <SectionHead
            title="Over how many tanks"
            end={`${here ?? 0} into ${tank?.body.name ?? 'this one'}`}
          />
          {others.map(({ id, body }) => (
            <CountField
              key={id}
              label={`Into ${body.name}`}
              value={form.split[id] ?? 0}
              least={0}
              most={(form.split[id] ?? 0) + Math.max(0, here ?? 0)}
              onChange={(count) => set({ split: { ...form.split, [id]: count } })}
            />
          ))}
        </View>
      ) : null}
      <Tick
        label="Both waters are of one system"
        note="From a tank that shares its sump with this one: there is nothing to match."
        value={form.oneSystem}
        onChange={(oneSystem) => set({ oneSystem })}
      />
      {form.oneSystem ? null : (
        <>
          <SectionHead title={batch ? 'The water they are in' : 'The bag'} />
          {field('bagSalinity', 'Salinity', salinity)}
          {field('bagTemperature', 'Temperature', warmth)}
          {field(
            'litres',
            'Water in it',
            unitSymbol(settings.volumeUnit),
            'With the animal: poured down to what covers it, the drip is slower.',
          )}
          <SectionHead title={tank?.body.name ?? 'The tank'} />
          {field('tankSalinity', 'Salinity', salinity)}
          {field('tankTemperature', 'Temperature', warmth)}
          {more ? (
            <>
              {field('hours', 'Hours in the closed bag', 'h', 'From the sender to you.')}
              {field('bagPh', 'pH of the bag', '')}
              {field('tankPh', 'pH of the tank', '')}
              {field('room', 'Temperature of the room', warmth)}
            </>
          ) : (
            <LinkButton soft label="Shipped, pH, the room" onPress={() => setMore(true)} />
          )}
        </>
      )}
      {!read.ok && !read.missing ? (
        <Remark tone="watch" title="That cannot be">
          {read.why}
        </Remark>
      ) : null}
      {classes.includes('coral') ? (
        <>
          {field('dip', 'Minutes of the dip, by its label', 'min', 'Empty for none.')}
          <CautionRemark caution={CAUTIONS.palytoxin} />
          <Words as="soft">
            Corals: looked over, dipped by the label, rinsed, looked over again, before they meet
            anything of the tank. Their place and their light stand under Stock, Corals.
          </Words>
        </>
      ) : null}
      {newcomers.some(({ group, count }) => group === 'invertebrate' && count >= 5) ? (
        <Words as="soft">
          {`${countOf(
            newcomers.reduce((sum, { count }) => sum + count, 0),
            'animal',
          )}: each shell is looked over while it is counted through, once the run has begun.`}
        </Words>
      ) : null}
    </Screen>
  );
}

function PlanPart({
  plan,
  settings,
  netLitres,
  tankSalinity,
  onChoose,
  onBegin,
  nobody,
  onQuarantine,
}: {
  plan: AcclimationPlan;
  settings: ReturnType<typeof selectSettings>;
  netLitres: number;
  tankSalinity: number;
  onChoose: (method: Method) => void;
  onBegin: () => void;
  nobody: boolean;
  /** Where the way in leads through quarantine: there. */
  onQuarantine: (() => void) | null;
}) {
  const { method, minutes, drip, course, litresDrawn, pourOffs, dropsPerSecond } = plan;
  const volume = (litres: number) => formatIn(litres, settings.volumeUnit, 1);
  const ppt = (value: number) => formatIn(value, unitFor(settings, 'salinity'));
  const first = course[0];
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title={METHOD_WORDS[method]} end={minutes > 0 ? `${minutes} minutes` : ''} />
      {drip && first ? (
        <>
          <Words as="body">
            {dropsPerSecond <= COUNTABLE
              ? `**${formatPlain(dropsPerSecond, 1)} drops a second**, ${formatPlain(plan.mlPerMinute, 0)} mL a minute.`
              : `A thin stream, **${formatPlain(plan.mlPerMinute, 0)} mL a minute**: a cup filled for a minute tells. Less water in the bucket drips slower.`}
          </Words>
          <Words as="body">
            {`${volume(litresDrawn)} of the tank go into it${pourOffs.length > 0 ? `; poured off ${countOf(pourOffs.length, 'time')}, first after ${formatPlain(pourOffs[0]?.minute ?? 0, 0)} minutes` : ''}. As much salt water goes back before the top-off unit is on.`}
          </Words>
          <DripCurve
            points={course}
            tank={drip.tank.salinity}
            now={null}
            tankLabel={`tank ${ppt(drip.tank.salinity)}`}
            bagLabel={`bag ${ppt(drip.bag.salinity)}`}
            nowLabel=""
            summary={`From ${ppt(drip.bag.salinity)} to ${ppt(course.at(-1)?.salinity ?? 0)} in ${minutes} minutes; the tank is at ${ppt(drip.tank.salinity)}.`}
          />
          {litresDrawn > netLitres * 0.02 ? (
            <Remark tone="caution" title="It thins a tank of this size">
              {`Topped with fresh water it would fall to ${ppt(toppedWithFresh(tankSalinity, netLitres, litresDrawn))}: the unit stays off until salt water has gone back.`}
            </Remark>
          ) : null}
        </>
      ) : null}
      {plan.ammoniaFactor !== null && plan.ammoniaFactor > 1.5 ? (
        <Remark tone="caution" title={`Free ammonia × ${formatPlain(plan.ammoniaFactor, 0)}`}>
          When the bag is opened and its pH rises to the tank's: what was harmless in it burns
          gills.
        </Remark>
      ) : null}
      {plan.alternatives.map(({ method: other, because }) => (
        <Row
          key={other}
          title={`Or: ${METHOD_WORDS[other].toLowerCase()}`}
          note={because}
          onPress={() => onChoose(other)}
        />
      ))}
      <Button
        kind="primary"
        disabled={nobody}
        label={nobody ? 'Say who comes first' : onQuarantine ? 'Begin a batch there' : 'Begin'}
        onPress={onQuarantine ?? onBegin}
      />
    </View>
  );
}
