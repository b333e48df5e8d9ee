import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { METHOD_WORDS, type Method } from '@/core/acclimation/method';
import { isCounted, type Newcomer } from '@/core/acclimation/run';
import { waterClassOf, type WaterClass } from '@/core/acclimation/waters';
import { CAUTIONS } from '@/core/cautions';
import { callIt } from '@/core/livestock/compatibility/types';
import { animalsCalled } from '@/core/records/kinds/animals';
import { unitFor } from '@/core/records/schema/settings';
import { countOf, listWords, parseNumber } from '@/core/units/format';
import { unitSymbol } from '@/core/units/units';
import { netVolume } from '@/core/water/volume';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { CautionRemark } from '@/frame/CautionRemark';
import { useAppDispatch, useAppSelector, useDraft, useTyped } from '@/store/hooks';
import { selectNow, selectSettings, selectTank, selectTanks } from '@/store/selectors';
import { Choice, Tick } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { AnimalPicker } from '../AnimalPicker';
import { CountField } from '../CountField';
import { useFinder } from '../useStock';
import {
  arrivalFields,
  emptyArrival,
  readArrival,
  tankFields,
  type ArrivalFields,
} from './arrivalForm';
import { beginAcclimation } from './beginAcclimation';
import { legsOf, waterOf } from './legs';
import { PlanPart, type PlanAction } from './PlanPart';

/** Of several the one that takes least. */
const TOUCHIEST: readonly WaterClass[] = ['star', 'shrimp', 'coral', 'fish'];

/** Who comes, what the bag measures, and the way in that this calls for. */
export function AcclimateScreen({ given }: { given: Readonly<Record<string, string>> }) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const find = useFinder();
  const settings = useAppSelector(selectSettings);
  const tanks = useAppSelector(selectTanks);
  const inView = useAppSelector(selectTank);
  const log = useAppSelector((state) => state.log);
  const now = useAppSelector(selectNow);
  const batch = log.batches.find(({ id }) => id === given.batch);
  const first = batch?.body.forTankId ?? given.tank ?? inView?.id ?? '';
  const [start] = useState<ArrivalFields>(() => ({
    ...emptyArrival(
      { tankId: first, tank: waterOf(log, first, now) },
      batch ? waterOf(log, batch.body.tankId, now) : {},
      settings,
    ),
    newcomers:
      given.species === undefined
        ? []
        : [{ species: given.species, count: Math.max(1, Math.round(Number(given.count)) || 1) }],
  }));
  const name = `acclimate/${batch?.id ?? 'new'}`;
  const [form, setForm] = useDraft(name, arrivalFields, start);
  const [text, setText] = useTyped('acclimate/sought');
  const [chosen, setChosen] = useState<Method | undefined>();
  const [more, setMore] = useState(false);
  const set = (changes: Partial<ArrivalFields>) => {
    setChosen(undefined);
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
  const classes = newcomers.map(({ group, species }) => waterClassOf(group, find(species)?.form));
  const animal = TOUCHIEST.find((one) => classes.includes(one)) ?? 'fish';
  const read = readArrival(form, animal, settings);
  const tank = tanks.find(({ id }) => id === form.tankId) ?? tanks[0];
  const others = tanks.filter(({ id }) => id !== tank?.id);
  const [single] = newcomers;
  const splits = !batch && newcomers.length === 1 && single !== undefined && single.count > 1;
  const elsewhere = others.map((one) => ({ tank: one, count: form.split[one.id] ?? 0 }));
  const here = splits ? single.count - elsewhere.reduce((sum, { count }) => sum + count, 0) : null;
  const legs =
    read.ok && tank
      ? legsOf(log, now, read.arrival, { tank, count: here, chosen }, splits ? elsewhere : [])
      : [];
  const plan = legs[0]?.plan;
  const begin = async () => {
    const dipMinutes = parseNumber(form.dip) ?? 0;
    const made = await dispatch(
      beginAcclimation(legs, newcomers, {
        ...(batch ? { batch: batch.id } : {}),
        ...(dipMinutes > 0 ? { dipMinutes } : {}),
        pods: newcomers.every(({ species }) => find(species)?.form === 'pod'),
      }),
    );
    setForm(null);
    if (made !== null) router.replace(to.acclimation(made));
  };
  const action = ((): PlanAction => {
    if (newcomers.length === 0) return { label: 'Say who comes first' };
    if (here !== null && here < 0) return { label: 'More go elsewhere than came' };
    const [, ...rest] = legs;
    const barred = rest.find((leg) => leg.barred);
    if (barred) return { label: `${barred.tank.body.name} lies too far from the bag` };
    if (!legs[0]?.barred) return { label: 'Begin', onPress: () => void begin() };
    return batch
      ? { label: 'Raise the quarantine water first' }
      : {
          label: 'Begin a batch there',
          onPress: () => router.push(to.quarantinePage('begin')),
        };
  })();
  const salinity = unitSymbol(unitFor(settings, 'salinity'));
  const temperature = unitSymbol(unitFor(settings, 'temperature'));
  const field = (
    name: Exclude<keyof ArrivalFields, 'tankId' | 'oneSystem' | 'newcomers' | 'split'>,
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
      head={<BackHead title="Acclimation" aside={tank?.body.name} />}
      aside={
        plan && tank ? (
          <PlanPart
            plan={plan}
            netLitres={netVolume(tank.body.volume).net}
            onChoose={setChosen}
            action={action}
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
          value={tank?.id ?? null}
          // What was typed of the bag stays; the water is that of the other tank.
          onChange={(tankId) =>
            set({ tankId, split: {}, ...tankFields(waterOf(log, tankId, now), settings) })
          }
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
          {field('bagTemperature', 'Temperature', temperature)}
          {field(
            'litres',
            'Water in it',
            unitSymbol(settings.volumeUnit),
            'With the animal: poured down to what covers it, the drip is slower.',
          )}
          <SectionHead title={tank?.body.name ?? 'The tank'} />
          {field('tankSalinity', 'Salinity', salinity)}
          {field('tankTemperature', 'Temperature', temperature)}
          {more ? (
            <>
              {field('hours', 'Hours in the closed bag', 'h', 'From the sender to you.')}
              {field('bagPh', 'pH of the bag', '')}
              {field(
                'bagAmmonia',
                'Ammonia in the bag',
                unitSymbol(unitFor(settings, 'ammonia')),
                'Where it was tested: above 0.02 mg/L of it free, nothing stays in the bag.',
              )}
              {field('tankPh', 'pH of the tank', '')}
              {field('room', 'Temperature of the room', temperature)}
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
      {newcomers.some(isCounted) ? (
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
