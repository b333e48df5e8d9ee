import { latestReading, type TankHistory } from '../../history/tankHistory';
import { DAY_MS } from '../../time/zone';
import { netVolume } from '../../water/volume';
import type { Home } from '../compatibility/types';

/** A reading of temperature older than this says nothing of how warm it is run, days. */
const TEMPERATURE_DAYS = 60;

/** What is known of a tank at a moment as a home for animals. */
export function homeOf(history: TankHistory, at: number): Home {
  const { tank, netLitres, standing } = history;
  const { shell, sandDepth } = tank.volume;
  const temperature = latestReading(history, 'temperature');
  return {
    // Least volumes of the hobby are those of labels, not of the water that is left beside rock and sand.
    litres: Math.max(netVolume(tank.volume).gross, netLitres),
    lengthCm: shell.by === 'dimensions' ? shell.box.length : null,
    sandCm: tank.notEntered?.includes('rock') ? null : sandDepth,
    lid: standing.lid,
    temperature:
      temperature && at - temperature.at < TEMPERATURE_DAYS * DAY_MS ? temperature.best : null,
  };
}
