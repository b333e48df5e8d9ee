import { useRouter } from 'expo-router';
import { View } from 'react-native';
import * as z from 'zod';
import { nitrogenOf } from '@/core/livestock/food/bioload';
import { usualCm } from '@/core/livestock/body';
import { callIt } from '@/core/livestock/compatibility/types';
import { keptApartAmong, quarantineLitresOf } from '@/core/livestock/sharing';
import { arrivalEntry } from '@/core/livestock/add/arrival';
import { isHere, rosterOf } from '@/core/livestock/roster/roster';
import { cleaningOwed } from '@/core/quarantine/who';
import { protocolOf, protocolsFor } from '@/core/quarantine/protocols';
import { FILTERS_THERE, type Batch } from '@/core/records/schema/batch';
import { isoInZone } from '@/core/time/zone';
import { formatPlain } from '@/core/units/format';
import { netVolume } from '@/core/water/volume';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppDispatch, useAppSelector, useDraft, useTyped } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectTank, selectTanks } from '@/store/selectors';
import { selectHistoryOf } from '@/store/world';
import { Choice, Tick } from '@/ui/Choice';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { AnimalPicker } from '../AnimalPicker';
import { Stepper } from '../Stepper';
import { useFinder } from '../useStock';
import { InsteadRows } from '../InsteadRows';

/** What was chosen and said of a batch that has not begun, kept over a reload. */
const draftSchema = z.object({
  animals: z.array(z.object({ species: z.string(), count: z.int().min(1).max(30) })),
  tankId: z.string().nullable(),
  forId: z.string().nullable(),
  protocolId: z.string().nullable(),
  filter: z.enum(FILTERS_THERE),
  leftoversOut: z.boolean(),
});

/** Beginning a batch: who, where, for which tank, by which protocol; and what speaks against it. */
export function BeginScreen({ given }: { given: Readonly<Record<string, string>> }) {
  const router = useRouter();
  const measured = useMeasures();
  const dispatch = useAppDispatch();
  const find = useFinder();
  const tanks = useAppSelector(selectTanks);
  const inView = useAppSelector(selectTank);
  const log = useAppSelector((state) => state.log);
  const quarantine = tanks.filter(({ body }) => body.kind === 'quarantine');
  const homes = tanks.filter(({ body }) => body.kind !== 'quarantine');
  const free = quarantine.find(
    ({ id }) => !log.batches.some(({ body }) => body.tankId === id && body.endedAt === null),
  );
  const started =
    given.species === undefined
      ? []
      : [{ species: given.species, count: Math.max(1, Math.round(Number(given.count)) || 1) }];
  const [draft, setDraft] = useDraft('quarantine/begin', draftSchema, {
    animals: started,
    tankId: given.tank ?? null,
    forId: null,
    protocolId: null,
    filter: 'uncycled',
    leftoversOut: false,
  });
  const set = (changes: Partial<typeof draft>) => setDraft({ ...draft, ...changes });
  const { animals: chosen, protocolId, filter, leftoversOut } = draft;
  const tankId = draft.tankId ?? free?.id ?? quarantine[0]?.id ?? '';
  const known = (id: string | null | undefined) => homes.find((home) => home.id === id)?.id;
  const forId = known(draft.forId) ?? known(inView?.id) ?? homes[0]?.id ?? '';
  const [text, setText] = useTyped('quarantine/begin/sought');
  const history = useAppSelector((state) => selectHistoryOf(state, tankId));
  const animals = chosen.flatMap(({ species, count }) => {
    const animal = find(species);
    return animal ? [{ animal, count, cm: usualCm(animal) }] : [];
  });
  const group = animals[0]?.animal.group ?? 'fish';
  const anemone = animals[0]?.animal.form === 'anemone';
  const kind = anemone ? 'anemone' : group;
  const own = log.protocols.map(({ body }) => body);
  const options = protocolsFor(kind, own);
  const home = homes.find(({ id }) => id === forId);
  const usual = home?.body.stocking?.protocol;
  const protocol = protocolOf(
    options.find(({ id }) => id === (protocolId ?? usual))?.id ?? options[0]?.id ?? 'observe',
    own,
  );
  if (quarantine.length === 0) {
    return (
      <Screen head={<BackHead title="Quarantine" />}>
        <Opening title="No quarantine tank yet.">
          {measured(
            'A bare tank or a food-safe tub of 40 to 150 L. Add it as a quarantine tank, then begin.',
          )}
        </Opening>
        <Button kind="primary" label="Add a tank" onPress={() => router.push('/tanks/new')} />
      </Screen>
    );
  }
  const tank = quarantine.find(({ id }) => id === tankId) ?? quarantine[0];
  const batches = log.batches.map(({ body }) => body);
  const running = log.batches.find(({ body }) => body.tankId === tank?.id && body.endedAt === null);
  const dirty =
    tank !== undefined && cleaningOwed(batches, tank.id, history?.entries.cleaning ?? []) !== null;
  const litres = tank ? netVolume(tank.body.volume).net : 0;
  const residents = history ? rosterOf(history).filter(isHere) : [];
  const chosenOnes = animals.map(({ animal, count, cm: sizeCm }) => ({ animal, count, sizeCm }));
  const wanted = quarantineLitresOf(chosenOnes);
  const findings = keptApartAmong([
    ...chosenOnes,
    ...residents.flatMap((cohort) => {
      const animal = find(cohort.species ?? '');
      return animal ? [{ animal, count: cohort.here ?? 1 }] : [];
    }),
  ]);
  const nitrogen = animals.reduce((sum, { animal, count }) => sum + nitrogenOf(animal) * count, 0);
  const begin = async () => {
    if (!tank) return;
    let made = '';
    await dispatch(
      recordAct(
        (act) => {
          const at = isoInZone(act.now, tank.body.zone);
          const place = { tankId: tank.id, zone: tank.body.zone };
          const cohorts = animals.map(({ animal, count }) => {
            const cohort = act.create('entry', arrivalEntry(animal, count, place, act.now));
            return { what: callIt(animal), species: animal.id, count, cohort };
          });
          if (running) {
            act.revise(running, {
              ...running.body,
              animals: [...running.body.animals, ...cohorts],
            });
            made = running.id;
            return;
          }
          const batch: Batch = {
            tankId: tank.id,
            forTankId: forId,
            protocol: protocol.id,
            begunAt: at,
            restartedAt: null,
            animals: cohorts,
            filter,
            ...(leftoversOut ? { leftoversOut: true } : {}),
            endedAt: null,
          };
          made = act.create('batch', batch);
        },
        running ? 'Joined; the days begin anew' : 'Batch begun',
      ),
    );
    setDraft(null);
    if (made !== '') router.replace(to.batch(made));
  };
  const change = (place: number, count: number) =>
    set({ animals: chosen.map((one, i) => (i === place ? { ...one, count } : one)) });
  return (
    <Screen
      head={<BackHead title="Quarantine" aside="begin a batch" />}
      aside={
        <>
          <SectionHead title="By which protocol" />
          <Choice
            label="Protocol"
            bare
            value={protocol.id}
            onChange={(id) => set({ protocolId: id })}
            options={options.map(({ id, name }) => ({ value: id, label: name }))}
          />
          {protocol.days === 0 ? (
            <Remark tone="caution" title="No quarantine">
              {protocol.trades}
            </Remark>
          ) : (
            <Words as="soft">{`${protocol.days} clear days. ${protocol.trades} ${protocol.restarts}`}</Words>
          )}
          {running ? null : (
            <>
              <Choice
                label="What clears ammonia"
                value={filter}
                onChange={(next) => set({ filter: next })}
                options={[
                  { value: 'uncycled', label: 'Nothing' },
                  { value: 'seeded', label: 'A seeded sponge' },
                  { value: 'cycled', label: 'A cycled filter' },
                ]}
              />
              <Words as="soft">
                {
                  {
                    uncycled: 'Any medicine is possible; ammonia is kept down by changes of water.',
                    seeded:
                      'Ammonia is kept down without hundreds of litres; the sponge is thrown away after.',
                    cycled:
                      'Easiest on ammonia; antibiotics kill it, and rock and media take copper up.',
                  }[filter]
                }
              </Words>
              <Tick
                label="Leftovers are out within the hour"
                note="New fish often refuse food: less of it then turns to ammonia."
                value={leftoversOut}
                onChange={(out) => set({ leftoversOut: out })}
              />
            </>
          )}
        </>
      }
    >
      <Opening title={running ? 'A batch is in there.' : 'Who comes in?'}>
        {running
          ? 'What joins it begins the days anew for all of it. Another tank, or its end, costs less.'
          : 'Those that come together go through together: what one of them has, all have had.'}
      </Opening>
      {quarantine.length > 1 ? (
        <Choice
          label="Into"
          value={tank?.id ?? null}
          onChange={(id) => set({ tankId: id })}
          options={quarantine.map(({ id, body }) => ({ value: id, label: body.name }))}
        />
      ) : null}
      {homes.length > 1 && !running ? (
        <Choice
          label="For"
          value={forId}
          onChange={(id) => set({ forId: id })}
          options={homes.map(({ id, body }) => ({ value: id, label: body.name }))}
        />
      ) : null}
      {animals.map(({ animal, count }, place) => (
        <View key={animal.id}>
          <Row
            title={callIt(animal)}
            end={
              <Button
                label="Take off"
                onPress={() => set({ animals: chosen.filter((_, i) => i !== place) })}
              />
            }
          />
          <Stepper
            label={`How many, ${callIt(animal).toLowerCase()}`}
            value={count}
            onChange={(next) => change(place, next)}
          />
        </View>
      ))}
      <AnimalPicker
        label={animals.length === 0 ? 'Which animal' : 'Another'}
        value={text}
        picked={false}
        onChange={setText}
        onPick={(animal) => {
          setText('');
          if (chosen.some(({ species }) => species === animal.id)) return;
          set({ animals: [...chosen, { species: animal.id, count: 1 }] });
        }}
      />
      {dirty ? (
        <Remark tone="caution" title="Not cleaned since the last batch">
          The sponge thrown away, tank and tools disinfected, rinsed and dried: logged first.
        </Remark>
      ) : null}
      {litres > 0 && litres < wanted ? (
        <Remark tone="caution" title="Too small for them">
          {measured(
            `They want about ${formatPlain(Math.ceil(wanted / 5) * 5)} L by their mass and temper; this one holds ${formatPlain(litres, 0)} L.`,
          )}
        </Remark>
      ) : null}
      {findings.map(({ because, mend, instead }) => (
        <View key={because} style={{ gap: 8 }}>
          <Remark tone="caution" title={measured(because)}>
            {measured(mend)}
          </Remark>
          {instead ? <InsteadRows rows={[instead]} /> : null}
        </View>
      ))}
      {nitrogen > 0 ? (
        <Words as="soft">{`By their bodies they make about ${formatPlain(nitrogen, 1)} mg of ammonia nitrogen a day.`}</Words>
      ) : null}
      <Button
        kind="primary"
        disabled={animals.length === 0 || dirty || findings.length > 0 || forId === ''}
        label={running ? 'Join, and begin the days anew' : 'They are in: begin'}
        onPress={() => void begin()}
      />
    </Screen>
  );
}
