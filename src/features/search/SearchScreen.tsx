import { useRouter } from 'expo-router';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { View, type TextInput } from 'react-native';
import { eventSearch } from '@/core/history/events';
import { changeAsked } from '@/core/search/changeAsked';
import type { searchIn } from '@/core/search/search';
import { momentWords } from '@/core/time/words';
import { formatPlain } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { OFFER_KINDS, type Offer } from '@/frame/offer';
import { useMeasures } from '@/frame/useMeasures';
import { useAppSelector, useTyped } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { selectKits, selectNow, selectTanks } from '@/store/selectors';
import { Field } from '@/ui/Field';
import { Row } from '@/ui/Row';
import { Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';

interface Offers {
  rows: readonly Offer[];
  animals: (text: string) => Offer[];
  /** Comes with the piece that has its engine. */
  searchIn: typeof searchIn;
  needsTank: (address: string) => boolean;
}

const ROWS_SHOWN = 8;
const ENTRIES_SHOWN = 8;
/** What a search is begun with by somebody who does not know what to type. */
const TRY = 'Try: WC, white spots, mandarin, KH, 12 L at 25 %, going away.';

/** One field that leads anywhere: places, what can be logged, animals, calculators, entries, words. */
export function SearchScreen({ fetchOffers }: { fetchOffers: () => Promise<Offers> }) {
  const router = useRouter();
  const [text, setText] = useTyped('search');
  const [offers, setOffers] = useState<Offers | null>(null);
  const [failed, setFailed] = useState(false);
  const field = useRef<TextInput>(null);
  useEffect(() => {
    field.current?.focus();
    fetchOffers().then(setOffers, () => setFailed(true));
  }, [fetchOffers]);
  const wanted = useDeferredValue(text);
  const found = useFound(offers, wanted);
  const [at, setAt] = useState(0);
  const marked = Math.min(at, Math.max(0, found.length - 1));
  const open = (offer: Offer | undefined) => {
    if (offer) router.push(offer.open);
  };
  return (
    <Screen head={<BackHead title="Search" />}>
      <Field
        label="What are you looking for?"
        value={text}
        onChange={(next) => {
          setText(next);
          setAt(0);
        }}
        inputRef={field}
        hint={text.trim() === '' ? TRY : undefined}
        onSubmit={() => open(found[marked])}
        onKey={(key) => {
          if (key === 'ArrowDown') setAt(Math.min(found.length - 1, marked + 1));
          else if (key === 'ArrowUp') setAt(Math.max(0, marked - 1));
          else return false;
          return true;
        }}
      />
      <View>
        {found.map((offer, i) => (
          <Row
            key={offer.id}
            title={offer.title}
            note={offer.note}
            current={i === marked && wanted.trim() !== ''}
            accessibleName={`${offer.title}, ${OFFER_KINDS[offer.kind]}`}
            end={OFFER_KINDS[offer.kind]}
            onPress={() => open(offer)}
          />
        ))}
      </View>
      {failed ? (
        <Words as="body">
          Part of the app could not be fetched, so that not everything is found. Try again once you
          are online.
        </Words>
      ) : null}
      {offers && wanted.trim() !== '' && found.length === 0 ? (
        <Words as="body">{`Nothing here is called "${wanted.trim().slice(0, 60)}". A shorter word may find it.`}</Words>
      ) : null}
    </Screen>
  );
}

/** What a text leads to, the likeliest first. */
function useFound(offers: Offers | null, text: string): Offer[] {
  const history = useAppSelector(selectHistory);
  const tanks = useAppSelector(selectTanks);
  const kits = useAppSelector(selectKits);
  const now = useAppSelector(selectNow);
  const measured = useMeasures();
  const find = useMemo(() => {
    const own: Offer[] = [
      ...tanks.map(({ id, body }): Offer => ({
        id: `tank/${id}`,
        kind: 'tank',
        title: body.name,
        open: to.tank(id),
      })),
      ...kits.map(({ id, body }): Offer => ({
        id: `kit/${id}`,
        kind: 'instrument',
        title: body.name,
        open: to.instrument(id),
      })),
    ];
    return offers ? offers.searchIn([...offers.rows, ...own]) : () => [];
  }, [offers, tanks, kits]);
  return useMemo(() => {
    if (text.trim() === '') return [];
    const entries = history
      ? eventSearch(history)
          .find(text, ENTRIES_SHOWN)
          .map(({ id, at, title, note }): Offer => ({
            id: `entry/${id}`,
            kind: 'entry',
            title: `${title}: ${note}`,
            note: momentWords(at, history.tank.zone, now),
            open: to.entry(id),
          }))
      : [];
    const rows = find(text, ROWS_SHOWN);
    const animals = offers?.animals(text) ?? [];
    // Somebody who types an animal's name wants the animal; a word of the catalogue's notes comes later.
    const named = animals.some(({ title }) => sameWords(title, text));
    const ordered = named || rows.length === 0 ? [...animals, ...rows] : [...rows, ...animals];
    const all = [
      ...changeOffer(text, history?.netLitres ?? null, measured),
      ...ordered,
      ...entries,
    ];
    // Before there is a tank, what is about one would lead back to Today.
    return history ? all : all.filter(({ open }) => !offers?.needsTank(open));
  }, [find, offers, text, history, now, measured]);
}

const sameWords = (title: string, text: string) =>
  text
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .every((word) => title.toLowerCase().includes(word));

/** A water change whose figures were typed, worked out for them. */
function changeOffer(
  text: string,
  netLitres: number | null,
  measured: (words: string) => string,
): Offer[] {
  const asked = changeAsked(text);
  const litres = asked?.litres ?? netLitres;
  if (!asked || litres === null) return [];
  if (asked.percent === null) {
    const share = netLitres === null ? null : (100 * litres) / netLitres;
    return [
      {
        id: 'change',
        kind: 'calculator',
        title: `A water change of ${measured(`${formatPlain(litres, 1)} L`)}`,
        ...(share === null || share > 100
          ? {}
          : { note: `${formatPlain(share, 1)} % of this tank’s water` }),
        open: to.sum('water-change', share === null || share > 100 ? {} : { share: String(share) }),
      },
    ];
  }
  const part = (litres * asked.percent) / 100;
  return [
    {
      id: 'change',
      kind: 'calculator',
      title: `A change of ${formatPlain(asked.percent, 1)} %: ${measured(`${formatPlain(part, 1)} L`)}`,
      note: `Of ${measured(`${formatPlain(litres, 1)} L`)}; how much salt, and what is left after`,
      open: to.sum('water-change', { litres: String(litres), share: String(asked.percent) }),
    },
  ];
}
