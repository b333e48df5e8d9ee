import { latestReading, type TankHistory } from '../history/tankHistory';
import { DAY_MS } from '../time/zone';
import { judgeFreeAmmonia, type FreeAmmonia, type Input } from './freeAmmonia';

/** A conditions reading older than this stands in for nothing. */
const STANDS_IN_DAYS = 14;
/** With fish in, an ammonia test older than this says nothing of what they breathe. */
const FRESH_DAYS = 1;

/** Free ammonia now by the newest tests; null when ammonia was not tested within a day. */
export function freeAmmoniaNow(history: TankHistory, at: number): FreeAmmonia | null {
  const ammonia = latestReading(history, 'ammonia');
  if (!ammonia || at - ammonia.at > FRESH_DAYS * DAY_MS) return null;
  const input = (parameter: 'ph' | 'temperature' | 'salinity'): Input<number> | undefined => {
    const reading = latestReading(history, parameter);
    if (!reading || at - reading.at > STANDS_IN_DAYS * DAY_MS) return undefined;
    return { value: reading.best, source: 'last' };
  };
  return judgeFreeAmmonia({
    tan: ammonia.range,
    ph: input('ph'),
    temperature: input('temperature'),
    salinity: input('salinity'),
  });
}
