import { formatPlain } from '../units/format';
import { unitDecimals, type Unit } from '../units/units';
import { fromCanonical, toCanonical, withUnit } from './convert';
import { PARAMETERS, type ParameterId } from './registry';

/** A question about a value that was typed. It is asked once; the answer is the keeper's. */
export interface Doubt {
  kind: 'impossible' | 'unlikely';
  /** What is odd about it, ending in a question. */
  question: string;
  /** The value that was probably meant, in the same unit. */
  instead?: number;
}

/** Slips that a wet thumb makes: a lost decimal point, a doubled one. */
const SLIPS = [0.1, 0.01, 10, 100, 0.001];

function inRange(value: number, range: { low: number; high: number }): boolean {
  return value >= range.low - 1e-9 && value <= range.high + 1e-9;
}

interface Guess {
  /** What was probably meant, canonical. */
  canonical: number;
  /** The same in the unit it was typed in. */
  instead: number;
  /** The question it is offered with. */
  question: string;
}

/** A lost or doubled decimal point. */
function slips(value: number, unit: Unit): Guess[] {
  return SLIPS.map((slip) => {
    const instead = Number((value * slip).toPrecision(12));
    return {
      canonical: toCanonical(instead, unit),
      instead,
      question: `Did you mean ${withUnit(formatPlain(instead, 4), unit)}?`,
    };
  });
}

/** The right number in another unit: °F typed as °C, ppm as dKH. Bases of nitrogen are too alike. */
function otherUnits(parameter: ParameterId, value: number, unit: Unit): Guess[] {
  if (PARAMETERS[parameter].zeroBased) return [];
  return PARAMETERS[parameter].units
    .filter((other) => other !== unit)
    .map((other) => {
      const canonical = toCanonical(value, other);
      const instead = Number(fromCanonical(canonical, unit).toFixed(unitDecimals(unit)));
      const words = (n: number, u: Unit) => withUnit(formatPlain(n, 4), u);
      return {
        canonical,
        instead,
        question: `Was it ${words(value, other)}, which is ${words(instead, unit)}?`,
      };
    });
}

/** Of the first slip and the first other unit that are likely at all, the one nearer to the middle. */
function bestGuess(parameter: ParameterId, value: number, unit: Unit): Guess | undefined {
  const { likely } = PARAMETERS[parameter];
  const middle = (likely.low + likely.high) / 2;
  const off = (guess: Guess) => Math.abs(guess.canonical - middle);
  const fits = (guess: Guess) => inRange(guess.canonical, likely);
  return [slips(value, unit).find(fits), otherUnits(parameter, value, unit).find(fits)]
    .filter((guess) => guess !== undefined)
    .sort((a, b) => off(a) - off(b))[0];
}

/**
 * Whether a typed value deserves a question: it can't occur, it seldom does, or it jumps far from
 * the last one. Null when it is ordinary.
 * @param last the previous reading, canonical, if it is recent enough to compare with
 */
export function doubtOf(
  parameter: ParameterId,
  value: number,
  unit: Unit,
  last?: number,
): Doubt | null {
  const spec = PARAMETERS[parameter];
  const canonical = toCanonical(value, unit);
  const typed = withUnit(formatPlain(value, 4), unit);
  if (!inRange(canonical, spec.likely)) {
    const kind = inRange(canonical, spec.possible) ? 'unlikely' : 'impossible';
    const opening =
      kind === 'impossible'
        ? `${spec.name} cannot be ${typed}.`
        : `${typed} would be unusual for ${spec.inSentence}.`;
    const guess = bestGuess(parameter, value, unit);
    if (guess) {
      return { kind, question: `${opening} ${guess.question}`, instead: guess.instead };
    }
    return { kind, question: `${opening} Is it what you read?` };
  }
  const { jump } = spec;
  if (last !== undefined && jump !== null && Math.abs(canonical - last) > jump) {
    const before = withUnit(formatPlain(fromCanonical(last, unit), unitDecimals(unit)), unit);
    return {
      kind: 'unlikely',
      question: `That is far from the last ${spec.inSentence}, ${before}. Is it what you read?`,
    };
  }
  return null;
}
