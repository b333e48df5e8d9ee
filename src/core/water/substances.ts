import type { CAUTIONS } from '../cautions';
import type { DoseSubstance } from '../records/kinds/dose';

interface SubstanceWords {
  /** What it does to the figures, for whoever logs it. */
  does: string;
  caution?: keyof typeof CAUTIONS;
}

/** What is said of each substance that is dosed, and what can hurt the one who doses it. */
export const SUBSTANCE_WORDS: Record<DoseSubstance, SubstanceWords> = {
  ammoniumChloride: { does: 'Raises ammonia; clearing it uses up alkalinity.' },
  householdAmmonia: { does: 'Raises ammonia, and pH a little.', caution: 'strongAmmonia' },
  bacteria: { does: 'Moves no figure by itself.' },
  alkalinity: {
    does: 'Baking soda raises alkalinity and hardly pH; soda ash raises both. Test pH after it.',
  },
  calcium: {
    does: 'Raises calcium alone. Never beside an alkalinity dose: apart by some minutes, or both fall out as white dust.',
  },
  magnesium: {
    does: 'Raises magnesium. By sulphate alone it shifts the balance of salts over months: by chloride, or both as the label mixes them.',
  },
  twoPart: {
    does: 'Raises alkalinity and calcium together, pH with a caustic first part, and salinity over months. Its label has a limit a day.',
    caution: 'caustic',
  },
  kalk: {
    does: 'Raises alkalinity, calcium and pH, and takes no more than evaporates in a day. Test pH in the morning and an hour after it.',
    caution: 'kalk',
  },
  traces: {
    does: 'Moves nothing that a home kit reads, so nobody sees too much of it: by the label, after a test by a laboratory.',
  },
  ammoniaBinder: { does: 'Binds ammonia for a day or two; many kits go on showing it.' },
  other: { does: 'Nothing is reckoned of it.' },
};
