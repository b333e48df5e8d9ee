import { hashText } from '../../math/hash';
import { TRUTHS, type Course } from '../world/live';

/** A hash of every truth of every hour, by all its digits: two devices that lived the same life show the same. */
export function fingerprint({ series, lived }: Course): string {
  const hours = TRUTHS.map((truth) => [...series[truth]].join(' ')).join('\n');
  return hashText(`${hours}\n${JSON.stringify(lived.state.deaths)}`);
}
