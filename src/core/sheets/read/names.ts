import type { ParameterId } from '../../parameters/registry';
import type { Unit } from '../../units/units';

/**
 * How a number of a sheet becomes one of its unit: as it is, by a thousand, as a gravity's last two digits, or
 * each by its own range, where °F stand among °C.
 */
export const SCALINGS = ['plain', 'thousandth', 'shortGravity', 'byRange'] as const;
export type Scaling = (typeof SCALINGS)[number];

/** A unit, and how numbers stand in it. */
export interface Measure {
  unit: Unit;
  scaling: Scaling;
}

/** A number of the sheet in its unit. */
export function scaled(value: number, scaling: Scaling): number {
  if (scaling === 'plain') return value;
  const moved = scaling === 'thousandth' ? value / 1000 : 1 + value / 1000;
  return Number(moved.toPrecision(12));
}

const bare = (text: string): string =>
  text.normalize('NFKC').toLowerCase().replaceAll('μ', 'µ').replace(/\s+/g, ' ').trim();

/** Units as they stand behind a name or a number; taken out of a heading before its name is looked for. */
const UNIT_WORDS =
  /mg\s?\/\s?l|µg\s?\/\s?l|ug\s?\/\s?l|mcg\s?\/\s?l|g\s?\/\s?kg|mmol\s?\/\s?l|meq(\s?\/\s?l)?|mval(\s?\/\s?l)?|ms\s?\/\s?cm|\bms\b|\bppm\b|\bppb\b|\bppt\b|\bpsu\b|‰|°\s?[cf]\b|º\s?[cf]\b|°\s?d?[hk]+\b|\bcaco3\b/g;

/** Names of what is tested, as headings have them; the first that fits counts. */
const NAMES: readonly [name: RegExp, parameter: ParameterId][] = [
  [/nitrite?s?\b|\bno2\b|\bno2-n\b/, 'nitrite'],
  [/nitrate?s?\b|\bno3\b|\bno3-n\b/, 'nitrate'],
  [/\bfree ?(ammoni(a|ak)|nh3)|\bun-?ionized/, 'freeAmmonia'],
  [/ammoni(a|um|ak)|\bnh[34]\b|\btan\b|\bamm\b/, 'ammonia'],
  [/phosphate?s?\b|\bpo4\b|\bphos\b/, 'phosphate'],
  [/alkalinity|alkalinität|\balk\b|\bd?kh\b|carbonate hardness|karbonath/, 'alkalinity'],
  [/calcium|kalzium|\bca\b/, 'calcium'],
  [/magnesium|\bmg\b/, 'magnesium'],
  [/salinity|salinität|\bsal\b|\bsalz|gravity|\bs\.?g\b|conductivity|dichte/, 'salinity'],
  [/\btemp|temperatur/, 'temperature'],
  [/\bp\.?h\b/, 'ph'],
];

/** The parameter that a heading or a cell names; null for none. */
export function parameterIn(text: string): ParameterId | null {
  const words = bare(text);
  const named = words.replace(UNIT_WORDS, ' ');
  const found = NAMES.find(([name]) => name.test(named));
  if (found) return found[1];
  // A unit alone says what was measured where only one thing is measured in it.
  if (/\bppt\b|\bpsu\b|‰|ms\s?\/\s?cm/.test(words)) return 'salinity';
  if (/°\s?d?kh\b/.test(words)) return 'alkalinity';
  return /[°º]\s?[cf]\b/.test(words) ? 'temperature' : null;
}

/** Whether a cell is the name of a parameter and nothing more, as in a sheet of one test a row. */
export function isParameterName(text: string): boolean {
  return text.length <= 40 && !/\d[.,]\d|\d{2}/.test(text) && parameterIn(text) !== null;
}

/** Nitrogen as the basis; over a group of columns it is a heading. */
const NITROGEN = /\bn\b|-n\b|(as|nitrate|nitrite|ammonia|-) ?nitrogen/;
const PARTS_PER_BILLION = /ppb|µg|ug\s?\/|mcg/;

/** What words beside a parameter say of its unit; null where they do not say. */
const MEASURES: Record<ParameterId, (words: string) => Measure | null> = {
  ammonia: (words) => {
    const unit = NITROGEN.test(words)
      ? 'ammonia N'
      : /nh3/.test(words) && !/nh4/.test(words)
        ? 'ammonia NH3'
        : /nh4|ammonium/.test(words)
          ? 'ammonia NH4'
          : null;
    return byPart(words, unit, 'ammonia NH4');
  },
  freeAmmonia: (words) => plain(NITROGEN.test(words) ? 'free NH3-N' : 'free NH3'),
  nitrite: (words) => {
    if (NITROGEN.test(words) && PARTS_PER_BILLION.test(words)) return plain('nitrite ppb N');
    const unit = NITROGEN.test(words) ? 'nitrite N' : /no2/.test(words) ? 'nitrite NO2' : null;
    return byPart(words, unit, 'nitrite NO2');
  },
  nitrate: (words) => {
    const unit = NITROGEN.test(words) ? 'nitrate N' : /no3/.test(words) ? 'nitrate NO3' : null;
    return byPart(words, unit, 'nitrate NO3');
  },
  phosphate: (words) => {
    const asP = /\bp\b|-p\b|phosphorus/.test(words);
    if (PARTS_PER_BILLION.test(words)) {
      // Few photometers count in ppb of anything but phosphorus; a laboratory says which.
      return asP ? plain('ppb P') : /po4|µg|ug/.test(words) ? plain('ppb PO4') : null;
    }
    if (asP) return plain('ppm P');
    return /ppm|mg/.test(words) ? plain('ppm PO4') : null;
  },
  alkalinity: (words) => {
    if (/meq|mval|mmol/.test(words)) return plain('meq/L');
    if (/caco3|ppm|mg/.test(words)) return plain('ppm CaCO3');
    return /d?kh\b|°\s?d?h|karbonath/.test(words) ? plain('dKH') : null;
  },
  salinity: (words) => {
    if (/60\s?°?\s?f/.test(words)) return plain('sg60F');
    if (/20\s?(°|\/|c)/.test(words) && /sg|gravity/.test(words)) return plain('sg20');
    if (/25\s?(°|\/|c)/.test(words) && /sg|gravity/.test(words)) return plain('sg25');
    // Behind a number it is read as most hydrometers are; over a column the temperature is asked.
    if (/^s\.?g\.?$/.test(words)) return plain('sg25');
    if (/\bms\b|conductivity/.test(words)) return plain('mS/cm');
    return /ppt|psu|‰|g\s?\/\s?kg/.test(words) ? plain('ppt') : null;
  },
  temperature: (words) => {
    if (/[°º]\s?f|\bf\b|fahrenheit/.test(words)) return plain('°F');
    return /[°º]\s?c|\bc\b|celsius/.test(words) ? plain('°C') : null;
  },
  ph: () => plain('pH'),
  calcium: () => plain('ppm Ca'),
  magnesium: () => plain('ppm Mg'),
};

const plain = (unit: Unit): Measure => ({ unit, scaling: 'plain' });

/** A unit of nitrogen's kind: in parts per million, or per billion, which none of them is counted in. */
function byPart(words: string, unit: Unit | null, usual: Unit): Measure | null {
  if (PARTS_PER_BILLION.test(words)) return { unit: unit ?? usual, scaling: 'thousandth' };
  return unit === null ? null : plain(unit);
}

/** The unit that words say a parameter is in: a heading, the unit beside it, or what stands behind a number. */
export function measureIn(parameter: ParameterId, text: string): Measure | null {
  return MEASURES[parameter](bare(text));
}

/** What the other columns of a sheet are, by their headings. */
const OTHER_NAMES = [
  [/^(date|day|datum|when|tested on|test date|date tested|date ?\/? ?time|timestamp)\b/, 'date'],
  [/^(time|hour|uhrzeit|zeit|at)\b/, 'time'],
  [/note|comment|remark|observation|bemerk|what happened/, 'note'],
  [/^(tank|aquarium|system|becken)\b/, 'tank'],
  [/\b(test ?kit|kit|instrument|meter|tested with|method)\b/, 'kit'],
  [/^(parameter|test|analyte|element|measurement|what)\b/, 'parameter'],
  [/^(value|result|reading|amount|level|wert|ergebnis|measured)\b/, 'value'],
  [/^(unit|units|einheit)\b/, 'unit'],
] as const satisfies readonly (readonly [RegExp, string])[];

export type OtherColumn = (typeof OTHER_NAMES)[number][1];

/** What a heading says of a column that holds no test; null where it says nothing. */
export function otherColumnIn(heading: string): OtherColumn | null {
  const words = bare(heading);
  return OTHER_NAMES.find(([name]) => name.test(words))?.[1] ?? null;
}

/** Whether words behind a number are a unit that any test may be in, and say no more: "ppm", "mg/L". */
export function isUnitWord(words: string): boolean {
  return bare(words).replace(UNIT_WORDS, '').trim() === '';
}
