import { animalsCalled, findAnimals } from '@/core/livestock/search';
import { callIt } from '@/core/livestock/compatibility/types';
import type { QuarantinePage, StockPage } from '@/core/opens';
import { to } from '@/frame/addresses';
import type { Offer } from '@/frame/offer';

type Page = readonly [title: string, also: string];

const STOCK: Readonly<Record<StockPage, Page>> = {
  add: ['Can I add … today?', 'shop question buy fish stocking how many compatible first fish'],
  wishes: ['Animals wished for', 'wish list want plan order of stocking'],
  losses: ['Losses', 'died dead fish missing'],
  growth: [
    'Algae and pests',
    'diatoms brown red slime cyano dinos hair algae green bubble aiptasia flatworms vermetid snails nuisance',
  ],
  corals: ['Corals', 'where to place coral light flow PAR frag sting'],
  own: ['An animal of your own', 'not in the list species add'],
};
const QUARANTINE: Readonly<Record<QuarantinePage, Page>> = {
  begin: ['Begin a quarantine', 'QT new fish hospital tank'],
  medicines: ['Medicines and binders', 'copper praziquantel antibiotic label dose together'],
  protocols: ['Quarantine protocols', 'tank transfer observation copper TTM hyposalinity'],
  readiness: ['Is the quarantine tank ready?', 'QT sponge seeded cycle heater'],
  outbreak: [
    'Signs of disease',
    'white spots ich velvet brook flukes scratching flashing sick fish fallow',
  ],
};

/** Pages of Stock and Quarantine. */
export const offers: readonly Offer[] = [
  ...Object.entries(STOCK).map(([page, [title, also]]): Offer => ({
    id: `stock/${page}`,
    kind: 'place',
    title,
    also,
    open: to.stockPage(page as StockPage),
  })),
  ...Object.entries(QUARANTINE).map(([page, [title, also]]): Offer => ({
    id: `quarantine/${page}`,
    kind: 'place',
    title,
    also,
    open: to.quarantinePage(page as QuarantinePage),
  })),
];

const ANIMALS_SHOWN = 6;

/** Animals that a text may mean, the likeliest first; one that is named is asked for in this tank before it. */
export function animalOffers(text: string): Offer[] {
  if (text.trim() === '') return [];
  const [named] = animalsCalled(text);
  const found = findAnimals(text).slice(0, ANIMALS_SHOWN);
  const first = named ?? found[0];
  const question: Offer[] = first
    ? [
        {
          id: `add/${first.id}`,
          kind: 'animal',
          title: `${callIt(first)}: can I add one today?`,
          open: to.stockPage('add', { species: first.id }),
        },
      ]
    : [];
  return [
    ...question,
    ...found.map((animal): Offer => ({
      id: `animal/${animal.id}`,
      kind: 'animal',
      title: callIt(animal),
      note: animal.scientific,
      open: to.animal(animal.id),
    })),
  ];
}
