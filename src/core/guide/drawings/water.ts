import { dripCourse } from '../../acclimation/bucket';
import { salinityFromSpecificGravity, specificGravity } from '../../seawater/specificGravity';
import { FULL_SALINITY } from '../../units/constants';
import { say } from '../../units/format';
import { netVolume } from '../../water/volume';
import type { PageDrawing, Point } from './drawing';

/** What a hydrometer's usual mark is in ppt, beside full sea water. */
export function gravity(): PageDrawing {
  const marked = salinityFromSpecificGravity(1.025, 'sg25');
  const full = specificGravity(FULL_SALINITY, 'sg25').toFixed(4);
  return {
    shape: {
      kind: 'line',
      marks: [
        { at: marked, label: '1.025 at 25 °C' },
        { at: FULL_SALINITY, label: `${full} at 25 °C` },
      ],
    },
    unit: 'ppt',
    digits: 3,
    caption: `1.025 is not 35 ppt: at 25 °C it is ${say(marked)}, and 35 ppt reads ${full}.`,
  };
}

/** Nitrate under the same change each week. */
export function changes(): PageDrawing {
  const [made, share] = [2, 0.15];
  const points: Point[] = [[0, 25]];
  for (let week = 1; week <= 30; week += 1) {
    points.push([week, ((points.at(-1)?.[1] ?? 0) + made) * (1 - share)]);
  }
  const level = (made * (1 - share)) / share;
  return {
    shape: { kind: 'curve', points, over: 'weeks', goal: level },
    unit: 'ppm',
    digits: 2,
    caption: `Nitrate where ${made} ppm are made a week and ${share * 100} % is changed each week: from 25 ppm it comes down towards ${say(level, 2)}, and no lower. Less food or a larger share lowers that.`,
  };
}

/** The salinity in a bucket that is dripped. */
export function dripping(): PageDrawing {
  const bag = { salinity: 31, temperature: 24 };
  const tank = { salinity: 35, temperature: 25.5 };
  const drip = { bag, tank, room: 22, litres: 1, mlPerMinute: 20, pourAt: 2 };
  const { points } = dripCourse(drip, 180);
  const curve = points.map(({ minute, salinity }): Point => [minute, salinity]);
  const near = curve.find(([, salinity]) => salinity > tank.salinity - 0.5)?.[0];
  return {
    shape: { kind: 'curve', points: curve, over: 'minutes', goal: tank.salinity },
    unit: 'ppt',
    digits: 3,
    caption: `A litre from a bag at 31 ppt, dripped with 20 mL a minute of water at 35, half of it poured off at 2 L: ${near === undefined ? 'not within half a ppt in three hours' : `within half a ppt after about ${say(near, 2)} minutes`}.`,
  };
}

/** What one large change leaves of the nitrate of a cycle. */
export function atTheEnd(): PageDrawing {
  const nitrate = 40;
  const points = Array.from({ length: 20 }, (_, i): Point => [
    5 * i,
    nitrate * (1 - (5 * i) / 100),
  ]);
  return {
    shape: { kind: 'curve', points, over: '% of the water changed' },
    unit: 'ppm',
    digits: 2,
    caption: `What is left of ${nitrate} ppm of nitrate after one change: ${nitrate / 2} ppm after half of the water, ${nitrate / 10} after nine tenths. The filter bacteria sit on rock and sand, and stay.`,
  };
}

/** Salinity where salt water is lost a little at a time, and fresh water takes its place. */
export function saltLost(): PageDrawing {
  const [litres, lost] = [200, 0.1];
  const salinity = (day: number) => FULL_SALINITY * (1 - lost / litres) ** day;
  const points = Array.from({ length: 14 }, (_, week): Point => [week, salinity(7 * week)]);
  return {
    shape: { kind: 'curve', points, over: 'weeks' },
    unit: 'ppt',
    digits: 3,
    caption: `Salinity of ${litres} L where a skimmer takes ${lost * 1000} mL of salt water a day and fresh water takes its place: ${say(salinity(91))} ppt after thirteen weeks. What leaves as salt water goes back as salt water; only what evaporates goes back fresh.`,
  };
}

/** What a litre of evaporated water does, by the size of the tank. */
export function litreGone(): PageDrawing {
  const salinity = (litres: number) => (FULL_SALINITY * litres) / (litres - 1);
  const points = Array.from({ length: 29 }, (_, i): Point => [20 + 10 * i, salinity(20 + 10 * i)]);
  return {
    shape: { kind: 'curve', points, over: '20 to 300 L of water' },
    unit: 'ppt',
    digits: 3,
    caption: `Salinity after one litre has evaporated, from 35 ppt: ${say(salinity(20))} ppt in 20 L, ${say(salinity(100))} in 100, ${say(salinity(300))} in 300. Whatever goes wrong goes wrong more slowly in more water.`,
  };
}

/** What is left of the litres on the label. */
export function inIt(): PageDrawing {
  const { gross, net } = netVolume({
    shell: { by: 'dimensions', box: { length: 100, width: 50, height: 50, glass: 10, fillGap: 4 } },
    rockKg: 20,
    rockDensity: 2,
    sandDepth: 3,
    sump: null,
    measuredAtFill: null,
  });
  return {
    shape: {
      kind: 'line',
      marks: [
        { at: net, label: 'water in it' },
        { at: gross, label: 'outside of the glass' },
      ],
    },
    unit: 'L',
    digits: 3,
    caption: `A tank of 100 × 50 × 50 cm with 20 kg of rock and 3 cm of sand: ${say(gross)} L by the outside of its glass, about ${say(net)} L of water. A dose by the label would be ${say(100 * (gross / net - 1), 2)} % too large.`,
  };
}
