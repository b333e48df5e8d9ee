import { PARAMETERS } from '../../parameters/registry';
import { unitSymbol } from '../../units/units';
import { CHANNELS, type ChannelId } from '../channels';
import { momentOf, NONE, valueOf } from './block';

/** Minutes of one probe from a minute on, in steps. */
export interface MinutesOf {
  channel: ChannelId;
  values: ArrayLike<number>;
}

const headOf = (channel: ChannelId): string => {
  const { name, canonicalUnit } = PARAMETERS[CHANNELS[channel].parameter];
  const unit = unitSymbol(canonicalUnit);
  return unit === '' || unit === name ? name : `${name} (${unit})`;
};

/**
 * Minutes as lines of a spreadsheet, in UTC: one for each minute in which any probe showed something.
 * @param first the minute of the first value, counted from 1970
 * @param withHead whether the names of the columns come first
 */
export function minutesCsv(first: number, probes: readonly MinutesOf[], withHead: boolean): string {
  const lines = withHead
    ? [['Time (UTC)', ...probes.map(({ channel }) => headOf(channel))].join(',')]
    : [];
  const count = Math.max(0, ...probes.map(({ values }) => values.length));
  for (let n = 0; n < count; n += 1) {
    if (probes.every(({ values }) => (values[n] ?? NONE) === NONE)) continue;
    const shown = probes.map(({ channel, values }) => valueOf(channel, values[n] ?? NONE) ?? '');
    const at = new Date(momentOf(first + n)).toISOString().slice(0, 16).replace('T', ' ');
    lines.push([at, ...shown].join(','));
  }
  return lines.map((line) => `${line}\r\n`).join('');
}
