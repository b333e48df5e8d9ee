/**
 * The carbonate system of sea water, for what an additive does to pH before the air has evened it out.
 * Sources: K1 and K2 of carbonic acid, Lueker, Dickson and Keeling 2000; boric acid, Dickson 1990, with
 * total boron of Uppström 1974; water, Millero 1995 as put by Dickson, Sabine and Christian 2007. All in mol/kg on the total scale.
 */

/** What a meter set with fresh-water buffers reads above the total scale in sea water, about. */
const METER_ABOVE_TOTAL = 0.13;
const BORON_AT_35 = 0.000416;

interface Constants {
  k1: number;
  k2: number;
  kb: number;
  kw: number;
}

/** Constants at a temperature, °C, and a salinity, ppt. */
export function carbonateConstants(celsius: number, salinity: number): Constants {
  const t = celsius + 273.15;
  const s = salinity;
  const root = Math.sqrt(s);
  const lnT = Math.log(t);
  return {
    k1: 10 ** -(3633.86 / t - 61.2172 + 9.6777 * lnT - 0.011555 * s + 0.0001152 * s * s),
    k2: 10 ** -(471.78 / t + 25.929 - 3.16967 * lnT - 0.01781 * s + 0.0001122 * s * s),
    kb: Math.exp(
      (-8966.9 - 2890.53 * root - 77.942 * s + 1.728 * s * root - 0.0996 * s * s) / t +
        148.0248 +
        137.1942 * root +
        1.62142 * s -
        (24.4344 + 25.085 * root + 0.2474 * s) * lnT +
        0.053105 * root * t,
    ),
    kw: Math.exp(
      148.9652 -
        13847.26 / t -
        23.6521 * lnT +
        (-5.977 + 118.67 / t + 1.0495 * lnT) * root -
        0.01615 * s,
    ),
  };
}

/** Alkalinity that is no carbonate, and what a mole of inorganic carbon brings, at an acidity. */
function sharesAt(h: number, { k1, k2, kb, kw }: Constants, salinity: number) {
  const boron = (BORON_AT_35 * salinity) / 35;
  return {
    besides: (boron * kb) / (kb + h) + kw / h - h,
    each: (k1 * h + 2 * k1 * k2) / (h * h + k1 * h + k1 * k2),
  };
}

/**
 * pH right after alkalinity was added, before carbon dioxide has gone in or out.
 * @param water pH as a meter reads it, alkalinity in meq/L (taken as per kg), °C, ppt
 * @param added meq/L of alkalinity
 * @param carbonEach moles of inorganic carbon with an equivalent: 1 for bicarbonate, 0.5 for carbonate, 0 for hydroxide
 */
export function phAfter(
  water: { ph: number; alkalinity: number; celsius: number; salinity: number },
  added: number,
  carbonEach: number,
): number {
  const { ph, alkalinity, celsius, salinity } = water;
  const constants = carbonateConstants(celsius, salinity);
  const before = sharesAt(10 ** -(ph - METER_ABOVE_TOTAL), constants, salinity);
  const carbon =
    Math.max(0, alkalinity / 1000 - before.besides) / before.each + (carbonEach * added) / 1000;
  const wanted = (alkalinity + added) / 1000;
  // Alkalinity rises with pH at a given amount of carbon, so halving finds it.
  let [low, high] = [4, 12];
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    const { besides, each } = sharesAt(10 ** -middle, constants, salinity);
    if (besides + carbon * each < wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2 + METER_ABOVE_TOTAL;
}
