import { formatPlain } from '@/core/units/format';
import type {
  Agent,
  Extent,
  Food,
  Growth,
  LightEntry,
  Media,
  MediaEntry,
  OrganicsEntry,
  SightingEntry,
  TreatmentEntry,
} from '@/core/records/schema/entry';

export const FOOD_WORDS: Record<Food, string> = {
  pellets: 'Pellets',
  flakes: 'Flakes',
  frozen: 'Frozen food',
  seaweed: 'Seaweed',
};

export const MEDIA_WORDS: Record<Media, string> = {
  liveRock: 'Live rock',
  liveSand: 'Live sand',
  establishedMedia: 'Established media',
  coatedRock: 'Bacteria-coated rock',
};

export const AGENT_WORDS: Record<Agent, string> = {
  antibiotic: 'Antibiotic',
  copper: 'Copper',
  otherMedicine: 'Another medicine',
  chlorine: 'Chlorine',
  bleach: 'Bleach',
  scrubbedRock: 'Rock scrubbed',
};

export const GROWTH_WORDS: Record<Growth, { name: string; looks: string }> = {
  diatoms: { name: 'Diatoms', looks: 'Rusty brown dust on sand and glass; wipes off' },
  film: { name: 'Green film', looks: 'A green haze on the glass' },
  hair: { name: 'Hair algae', looks: 'Green threads on rock' },
  sheet: { name: 'Red sheet', looks: 'Red or maroon skin that lifts off in pieces' },
  brownSnot: {
    name: 'Brown snot',
    looks: 'Strings with bubbles, worse by afternoon, gone overnight',
  },
};

export const EXTENT_WORDS: Record<Extent, string> = {
  none: 'Gone',
  trace: 'A trace',
  patches: 'Patches',
  covering: 'Covering',
};

function organicsWords(action: OrganicsEntry['action']): { title: string; note: string } {
  switch (action.what) {
    case 'prawnIn':
      return { title: 'Prawn in', note: `${formatPlain(action.grams)} g` };
    case 'prawnOut':
      return { title: 'Prawn out', note: 'what was left of it' };
    case 'food':
      return {
        title: FOOD_WORDS[action.food],
        note: `${formatPlain(action.grams)} g for the colony`,
      };
    case 'siphoned':
      return { title: 'Detritus siphoned', note: action.amount };
  }
}

function mediaWords(move: MediaEntry['move']): { title: string; note: string } {
  return move.to === 'in'
    ? { title: `${MEDIA_WORDS[move.media]} in`, note: `${formatPlain(move.amount)} ${move.unit}` }
    : { title: 'Rock or media out', note: `${formatPlain(move.share * 100, 0)} % of it` };
}

/** An entry of the lesser kinds, as the line of a list. */
export function kindWords(
  entry: OrganicsEntry | MediaEntry | TreatmentEntry | LightEntry | SightingEntry,
): { title: string; note: string } {
  switch (entry.kind) {
    case 'organics':
      return organicsWords(entry.action);
    case 'media':
      return mediaWords(entry.move);
    case 'treatment':
      return { title: AGENT_WORDS[entry.agent], note: entry.product ?? 'may harm the colony' };
    case 'light':
      return {
        title: `Light ${entry.state}`,
        note: entry.hoursADay ? `${formatPlain(entry.hoursADay)} h a day` : '',
      };
    case 'sighting':
      return { title: GROWTH_WORDS[entry.growth].name, note: EXTENT_WORDS[entry.extent] };
  }
}
