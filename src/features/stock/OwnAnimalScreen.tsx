import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import * as z from 'zod';
import type { CatalogueAnimal } from '@/core/livestock/catalogue';
import { animalSchema } from '@/core/livestock/catalogue/schema';
import { callIt } from '@/core/livestock/compatibility/types';
import { NAME_LETTERS } from '@/core/records/common';
import { parseNumber } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { newActId, recordAct } from '@/store/record';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { AnimalPicker } from './AnimalPicker';
import { useFinder } from './useStock';

/** The id of an animal of the keeper's own, apart from those of the catalogue: no part of its name. */
const ownId = (actId: string) => `own-${actId}`;

const sameName = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

const changesSchema = z.object({
  name: z.string(),
  scientific: z.string(),
  adult: z.string(),
  bought: z.string(),
  litres: z.string(),
  temper: z.enum(['peaceful', 'semi', 'aggressive']),
});
type Changes = z.infer<typeof changesSchema>;

/** What is typed, kept over a reload. */
const draftSchema = z.object({
  text: z.string(),
  like: z.string().nullable(),
  /** Of the act that saves it: a second tap saves nothing more. */
  actId: z.string(),
  ...changesSchema.shape,
});

/** The animal that was described, made from the one it is most like; or what is wrong, in words. */
export function describedAnimal(
  like: CatalogueAnimal,
  changes: Changes,
  id: string,
): { animal: CatalogueAnimal } | { why: string } {
  const name = changes.name.trim();
  if (name.length < 2) return { why: 'Give it a name.' };
  const number = (text: string, otherwise: number) =>
    text.trim() === '' ? otherwise : (parseNumber(text) ?? NaN);
  const scientific = changes.scientific.trim() || like.scientific;
  if (name.length > NAME_LETTERS) return { why: `A name holds ${NAME_LETTERS} letters at most.` };
  const base = { ...like, id, names: [name], scientific, unsure: true };
  const sized =
    base.group === 'coral'
      ? { ...base, temper: changes.temper }
      : {
          ...base,
          adultCm: number(changes.adult, base.adultCm),
          boughtCm: number(changes.bought, base.boughtCm),
          leastLitres: number(changes.litres, base.leastLitres),
          ...(base.group === 'fish' ? { temper: changes.temper } : {}),
        };
  if ('adultCm' in sized && sized.boughtCm > sized.adultCm) {
    return { why: 'It is bought larger than it grows: look at both lengths.' };
  }
  const parsed = animalSchema.safeParse(sized);
  if (parsed.success) return { animal: parsed.data };
  const [issue] = parsed.error.issues;
  const field = String(issue?.path.at(-1) ?? '');
  const named = FIELD_WORDS[field];
  if (field === 'scientific') {
    return {
      why: 'The scientific name is two words, the first with a capital: Nemateleotris magnifica.',
    };
  }
  return {
    why: named && issue ? `${named}: ${figureIssue(issue)}` : 'A length or a volume is no number.',
  };
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  adultCm: 'Full size',
  boughtCm: 'Size it is bought at',
  leastLitres: 'Least water',
};

const figureIssue = ({ code, message }: z.core.$ZodIssue) =>
  code === 'too_small' || code === 'too_big' ? `${message}.` : 'that is no number.';

/** Describes an animal that the catalogue lacks, from the one it is most like. */
export function OwnAnimalScreen() {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const own = useAppSelector((state) => state.log.species);
  const find = useFinder();
  const [changes, setDraft] = useDraft('stock/own', draftSchema, {
    text: '',
    like: null,
    actId: '',
    name: '',
    scientific: '',
    adult: '',
    bought: '',
    litres: '',
    temper: 'peaceful',
  });
  const [why, setWhy] = useState('');
  const set = (more: Partial<typeof changes>) => setDraft({ ...changes, ...more });
  const like = changes.like === null ? undefined : find(changes.like);
  const save = async () => {
    if (!like) return;
    const actId = changes.actId === '' ? dispatch(newActId()) : changes.actId;
    const made = describedAnimal(like, changes, ownId(actId));
    if ('why' in made) return setWhy(made.why);
    const { animal } = made;
    if (own.some(({ body }) => body.id === animal.id)) return;
    if (own.some(({ body }) => sameName(callIt(body), callIt(animal)))) {
      return setWhy('You have one of that name already.');
    }
    setDraft({ ...changes, actId });
    await dispatch(
      recordAct((act) => act.create('species', animal), { words: 'Described', actId }),
    );
    setDraft(null);
    router.push(to.animal(animal.id));
  };
  return (
    <Screen head={<BackHead title="Species" />}>
      <Opening title="An animal of your own.">
        Say which one it is most like, and what is different: the rest is taken over, and marked as
        less sure.
      </Opening>
      <AnimalPicker
        label="Most like"
        value={changes.text}
        picked={like !== undefined}
        onChange={(text) => set({ text, like: null })}
        onPick={(animal) =>
          set({
            text: callIt(animal),
            like: animal.id,
            ...(animal.group === 'invertebrate' ? {} : { temper: animal.temper }),
          })
        }
      />
      {like ? (
        <View style={{ gap: 16 }}>
          <Field label="Its name" value={changes.name} onChange={(name) => set({ name })} />
          <Field
            label="Scientific name, if you know"
            value={changes.scientific}
            placeholder={like.scientific}
            onChange={(scientific) => set({ scientific })}
          />
          {like.group === 'coral' ? null : (
            <>
              <Field
                label="Full size"
                kind="number"
                unit="cm"
                value={changes.adult}
                placeholder={String(like.adultCm)}
                onChange={(adult) => set({ adult })}
              />
              <Field
                label="Size it is bought at"
                kind="number"
                unit="cm"
                value={changes.bought}
                placeholder={String(like.boughtCm)}
                onChange={(bought) => set({ bought })}
              />
              <Field
                label="Least water"
                kind="number"
                unit="L"
                value={changes.litres}
                placeholder={String(like.leastLitres)}
                onChange={(litres) => set({ litres })}
              />
            </>
          )}
          {like.group === 'invertebrate' ? null : (
            <Choice
              label="Temper"
              value={changes.temper}
              onChange={(temper) => set({ temper })}
              options={[
                { value: 'peaceful', label: 'Peaceful' },
                { value: 'semi', label: 'Defends itself' },
                { value: 'aggressive', label: 'Aggressive' },
              ]}
            />
          )}
          {why ? (
            <Remark tone="watch" title="Not saved">
              {why}
            </Remark>
          ) : null}
          <Button label="Save it" kind="primary" onPress={() => void save()} />
        </View>
      ) : null}
      {own.length > 0 ? (
        <View>
          <SectionHead title="Described by you" />
          {own.map((head) => (
            <Row
              key={head.id}
              title={callIt(head.body)}
              note={head.body.scientific}
              onPress={() => router.push(to.animal(head.body.id))}
            />
          ))}
        </View>
      ) : (
        <Words as="soft">None of your own yet.</Words>
      )}
    </Screen>
  );
}
