import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import * as z from 'zod';
import type { AddAnswer } from '@/core/livestock/add/add';
import { answerLines, answerTitle } from '@/core/livestock/add/addWords';
import { bodyGrams, usualCm } from '@/core/livestock/body';
import type { CatalogueAnimal } from '@/core/livestock/catalogue';
import { linearFromCanonical } from '@/core/units/units';
import { formatExact } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { ReadMore } from '@/frame/ReadMore';
import { useMeasures } from '@/frame/useMeasures';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { selectForecast } from '@/store/inView';
import { recordAct } from '@/store/record';
import { selectNow, selectSettings, selectTank } from '@/store/selectors';
import { loadStocking } from '@/store/plans';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { AnimalPicker } from './AnimalPicker';
import { callIt } from '@/core/livestock/compatibility/types';
import { InsteadRows } from './InsteadRows';
import { Stepper } from './Stepper';
import { useFinder } from './useStock';
import { REFUSAL_PAGES } from './refusalPages';

/** Quiet after the last key or tap before the question is put. */
const QUIET_MS = 200;

type Asked = { answer: AddAnswer | null; failed: boolean };

/** Puts the question whenever it changed, and holds the newest answer. */
function useAnswer(tankId: string | undefined, animal: CatalogueAnimal | undefined, count: number) {
  const dispatch = useAppDispatch();
  const log = useAppSelector((state) => state.log);
  // A tank in its cycle is answered by its forecast, which may come after the question.
  const forecast = useAppSelector(selectForecast);
  const [asked, setAsked] = useState<Asked>({ answer: null, failed: false });
  const species = animal?.id;
  useEffect(() => {
    if (tankId === undefined || species === undefined) return undefined;
    let current = true;
    const timer = setTimeout(() => {
      loadStocking()
        .then(({ askAdd }) => dispatch(askAdd(tankId, { species, count })))
        .then((answer) => {
          if (current && answer) setAsked({ answer, failed: false });
        })
        .catch(() => {
          if (current) setAsked({ answer: null, failed: true });
        });
    }, QUIET_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [dispatch, tankId, species, count, log, forecast]);
  const { answer } = asked;
  const fits = answer !== null && answer.species === species && answer.count === count;
  return { ...asked, answer: fits ? answer : null };
}

const MOST_ASKED = 30;
/** What is asked, kept over a reload. */
const askedSchema = z.object({
  text: z.string(),
  species: z.string().nullable(),
  count: z.int().min(1).max(MOST_ASKED),
});

/** The question in the shop: can so many of this be added today? */
export function AddScreen({ given }: { given: Readonly<Record<string, string>> }) {
  const find = useFinder();
  const router = useRouter();
  const tank = useAppSelector(selectTank);
  const begun = given.species === undefined ? undefined : find(given.species);
  const [{ text, species, count }, setAsked] = useDraft(`shop/${begun?.id ?? ''}`, askedSchema, {
    text: begun?.names[0] ?? '',
    species: begun?.id ?? null,
    count: Math.min(MOST_ASKED, Math.max(1, Math.round(Number(given.count)) || 1)),
  });
  const animal = species === null ? undefined : find(species);
  const { answer, failed } = useAnswer(tank?.id, animal, count);
  if (!tank) return null;
  const { zone } = tank.body;
  return (
    <Screen head={<BackHead title="Stock" aside={tank.body.name} />}>
      <AnimalPicker
        label="Can I add … today?"
        value={text}
        picked={animal !== undefined}
        onChange={(next) => {
          setAsked({ text: next, species: null, count: 1 });
        }}
        onPick={(next) => {
          setAsked({ text: next.names[0] ?? next.scientific, species: next.id, count: 1 });
        }}
      />
      {animal ? (
        <Stepper
          label="How many"
          value={count}
          onChange={(many) => setAsked({ text, species: animal.id, count: many })}
        />
      ) : null}
      {animal && !answer && !failed ? (
        <Words as="lead" live>
          Asking your readings…
        </Words>
      ) : null}
      {failed ? (
        <Remark tone="watch" title="No answer">
          What works it out could not run. Nothing is lost; reload, and ask again.
        </Remark>
      ) : null}
      {animal && answer ? (
        <Answer answer={answer} animal={animal} zone={zone} tankId={tank.id} />
      ) : null}
      {animal ? null : (
        <>
          <Words as="soft">
            Type a name or a part of it. The answer goes by who lives here, your pace, and what your
            readings say the filter carries; it needs no network.
          </Words>
          <LinkButton
            soft
            label="Somebody came whom the catalogue has not"
            onPress={() => router.push(to.log('animals'))}
          />
        </>
      )}
    </Screen>
  );
}

function Answer({
  answer,
  animal,
  zone,
  tankId,
}: {
  answer: AddAnswer;
  animal: CatalogueAnimal;
  zone: string;
  tankId: string;
}) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { lengthUnit } = useAppSelector(selectSettings);
  const wishes = useAppSelector((state) => state.log.wishes);
  const { barriers, cares, remarks, count } = answer;
  const measured = useMeasures();
  const now = useAppSelector(selectNow);
  const lines = answerLines(answer, zone, now).map(measured);
  const wished = wishes.some(({ body }) => body.tankId === tankId && body.species === animal.id);
  const wish = async () => {
    const order = Math.max(0, ...wishes.map(({ body }) => body.order)) + 1;
    await dispatch(
      recordAct(
        (act) => act.create('wish', { tankId, species: animal.id, count, order }),
        'Wished for',
      ),
    );
    router.push(to.stockPage('wishes'));
  };
  const find = useFinder();
  const likes = answer.likeIt.flatMap((id) => find(id) ?? []);
  const cm = usualCm(animal);
  const log = () =>
    router.push(
      to.log('animals', {
        move: 'in',
        group: animal.group,
        what: answer.name,
        species: animal.id,
        count: String(count),
        ...(cm > 0
          ? {
              size: formatExact(Math.round(linearFromCanonical(cm, lengthUnit) * 10) / 10),
              grams: formatExact(
                Math.max(0.1, Math.round(bodyGrams(animal, cm) * count * 10) / 10),
              ),
            }
          : {}),
      }),
    );
  return (
    <>
      <View aria-live="polite">
        <Opening title={answerTitle(answer, zone, now)}>{measured(answer.because)}</Opening>
      </View>
      {lines.map((line) => (
        <Words key={line} as="body">
          {line}
        </Words>
      ))}
      {remarks.map((remark) => (
        <Remark key={remark} tone="watch">
          {remark}
        </Remark>
      ))}
      {answer.rule === 'fits' ? null : <ReadMore page={REFUSAL_PAGES[answer.rule]} />}
      {answer.instead.length > 0 ? (
        <View style={{ gap: 8 }}>
          <SectionHead title="Instead" />
          <InsteadRows rows={answer.instead} />
          {likes.length > 0 ? (
            <>
              <Words as="soft">Others that nothing here stands against:</Words>
              <ButtonRow>
                {likes.map((other) => (
                  <Button
                    key={other.id}
                    label={callIt(other)}
                    onPress={() => router.push(to.stockPage('add', { species: other.id }))}
                  />
                ))}
              </ButtonRow>
            </>
          ) : null}
        </View>
      ) : null}
      {barriers.length > 0 ? (
        <View>
          <SectionHead title="What stands against it" />
          {barriers.map(({ rule, because, mend }) => (
            <Row key={rule + because} title={measured(because)} note={measured(mend)} />
          ))}
        </View>
      ) : null}
      {cares.length > 0 ? (
        <View>
          <SectionHead title="To be seen to" />
          {cares.map(({ because, mend }) => (
            <Row key={because} title={measured(because)} note={measured(mend)} />
          ))}
        </View>
      ) : null}
      <ButtonRow>
        {answer.answer === 'yes' ? (
          <Button label="Log it as added" kind="primary" onPress={log} />
        ) : (
          <Button label="It is in already: log it" onPress={log} />
        )}
        {wished ? null : <Button label="Wish for it" onPress={() => void wish()} />}
        <Button label="What it needs" onPress={() => router.push(to.animal(animal.id))} />
      </ButtonRow>
    </>
  );
}
