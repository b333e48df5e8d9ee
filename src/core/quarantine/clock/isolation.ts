import type { CatalogueAnimal } from '../../livestock/catalogue';
import { FALLOW_DAYS, WARM, WARM_FALLOW_DAYS } from './fallow';

/** What the weeks apart of an animal that is no fish are worth, by their length. */
export const ISOLATION = `${FALLOW_DAYS} days in a tank without fish starve ich and velvet that came along; ${WARM_FALLOW_DAYS} do at ${WARM.low} to ${WARM.high} °C in every reading, where it lives so warm. 28 days clear neither, and parasites that live free of fish are not starved at all.`;

/** What is done with an animal that is no fish before it joins others: said by the shop question and the plan. */
export function isolationWords(animal: CatalogueAnimal): string | null {
  if (animal.group === 'fish') return null;
  if (animal.group === 'invertebrate' && animal.kept === 'culture') {
    return 'Only from a culture that never met fish or their water.';
  }
  const copper = 'never in a tank, sponge or sand that held copper';
  if (animal.group === 'coral') {
    const gloves = animal.palytoxin ? ' Gloves and eye protection: it may carry palytoxin.' : '';
    return `Dip it by the label, then isolate it, ${copper}: ${ISOLATION}${gloves}`;
  }
  return `Isolate it first, captive-bred too, ${copper}: ${ISOLATION}`;
}
