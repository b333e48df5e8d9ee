import type { CatalogueAnimal } from '../catalogue';

/** A line of an animal's description. */
export interface TraitLine {
  title: string;
  text: string;
  /** Something that can hurt a person or another animal. */
  caution?: true;
}

type Fish = Extract<CatalogueAnimal, { group: 'fish' }>;

/** What of an animal can hurt a person or its tankmates, said before all else. */
export function hazards(animal: CatalogueAnimal): TraitLine[] {
  const lines: TraitLine[] = [];
  if ('venomous' in animal && animal.venomous) {
    lines.push({
      title: 'Stings',
      text: 'Gloves and distance. A sting goes into water as hot as can be borne, at most 45 °C; a doctor sees what swells or spreads.',
      caution: true,
    });
  }
  if ('toxic' in animal && animal.toxic) {
    lines.push({
      title: 'Poison',
      text: 'Gives poison off under stress or in death: bag, quarantine and tankmates are at risk.',
      caution: true,
    });
  }
  if (animal.group === 'fish') lines.push(...fishHazards(animal));
  if (animal.group === 'coral' && animal.palytoxin) {
    lines.push({
      title: 'Palytoxin',
      text: 'May carry it: gloves and eye protection, never cut, boiled, scrubbed or dried at home.',
      caution: true,
    });
  }
  return lines;
}

function fishHazards(fish: Fish): TraitLine[] {
  const lines: TraitLine[] = [];
  const { bites, poisonousToEat, mucus, family } = fish;
  if (family === 'Acanthuridae') {
    lines.push({
      title: 'Blades',
      text: 'Carries blades at the tail: a box or a net, and no bare hand near it.',
      caution: true,
    });
  }
  if (bites) {
    lines.push({
      title: 'Bites',
      text: `Bites fish and fingers${poisonousToEat ? ', and is poisonous to eat' : ''}: no hand-feeding; a deep bite is for a doctor.`,
      caution: true,
    });
  }
  if (mucus) {
    lines.push({
      title: 'Slime',
      text: 'Sheds poisonous slime when frightened: a bag of its own, and out of it without delay.',
      caution: true,
    });
  }
  return lines;
}
