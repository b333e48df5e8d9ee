import { USUAL_WATER } from '../seawater/usual';
import { DAY_MS } from '../time/zone';
import { latestReading, type TankHistory } from './tankHistory';

/** A reading older than this says nothing of the water now, days. */
const RECENT_DAYS = 14;

/** The water of a tank as it was last measured; what of it was not, by what is usual. */
export interface WaterNow {
  ph: number;
  temperature: number;
  salinity: number;
  assumed: ('ph' | 'temperature' | 'salinity')[];
}

/** What is known of a tank's water at the end of its history. @param at ms */
export function waterNow(history: TankHistory, at: number): WaterNow {
  const assumed: WaterNow['assumed'] = [];
  const value = (parameter: 'ph' | 'temperature' | 'salinity') => {
    const last = latestReading(history, parameter);
    if (last && at - last.at <= RECENT_DAYS * DAY_MS) return last.best;
    assumed.push(parameter);
    return USUAL_WATER[parameter];
  };
  return {
    ph: value('ph'),
    temperature: value('temperature'),
    salinity: value('salinity'),
    assumed,
  };
}
