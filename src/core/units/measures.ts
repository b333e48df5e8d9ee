import { formatPlain } from './format';
import { linearFromCanonical, unitSymbol, type LinearUnit } from './units';

/** The units that a keeper reads volumes and lengths in. */
export interface Measures {
  volumeUnit: LinearUnit;
  lengthUnit: LinearUnit;
}

const FIGURE = String.raw`\d+(?:\.\d+)?`;
const MEASURE = new RegExp(
  String.raw`(?<![\d.,\u202f])(?:(${FIGURE})( to | or |–))?(${FIGURE}) (L|cm)(?![\w/])`,
  'g',
);
/** From so many on whole ones tell enough. */
const WHOLE_FROM = 10;

/**
 * A sentence with its litres and centimetres in the keeper's own units. Rules and traits speak of
 * metric measures, since what they compare is metric; this turns what is read, once, where it is shown.
 * @param text made by the core, never typed by a keeper
 */
export function inMeasures(text: string, { volumeUnit, lengthUnit }: Measures): string {
  return text.replace(
    MEASURE,
    (whole, low: string | undefined, between: string | undefined, high: string, metric: string) => {
      const unit = metric === 'L' ? volumeUnit : lengthUnit;
      if (unit === metric) return whole;
      const turned = (figure: string) => {
        const value = linearFromCanonical(Number(figure), unit);
        return formatPlain(value, value >= WHOLE_FROM ? 0 : 1);
      };
      const first = low === undefined ? '' : `${turned(low)}${between ?? ''}`;
      return `${first}${turned(high)} ${unitSymbol(unit)}`;
    },
  );
}
