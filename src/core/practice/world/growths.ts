import type { WorldState } from './state';

/** Growth of each a day under ten hours of light, and what of it goes of itself. */
const DIATOMS = { grows: 0.75, goes: 0.09 };
const FILM = { grows: 0.45, goes: 0.05 };
const HAIR = { grows: 0.3, goes: 0.02 };
/** What is always carried in: dust of each, so that what was gone can come back. */
const DUST = 0.0004;
const HOUR = 1 / 24;

/**
 * An hour of what grows on rock and glass: diatoms while silicate lasts, then a film, and hair where
 * nitrate and phosphate are plenty. In the dark nothing does.
 */
export function grow(state: WorldState): void {
  const light = Math.min(1.4, state.lightHours / 10);
  const food = state.nitrate / (0.5 + state.nitrate);
  const rich = food * (state.phosphate / (0.1 + state.phosphate));
  const free = Math.max(0, 1 - state.diatoms - 0.7 * state.film - 0.7 * state.hair);
  const diatoms = DIATOMS.grows * light * free * (state.silicate / (0.4 + state.silicate));
  const film = FILM.grows * light * free * food;
  const hair = HAIR.grows * light * free * rich;
  state.silicate = Math.max(0, state.silicate - HOUR * 0.5 * diatoms * state.diatoms);
  state.diatoms += HOUR * (state.diatoms * (diatoms - DIATOMS.goes) + DUST * light);
  state.film += HOUR * (state.film * (film - FILM.goes) + DUST * light);
  state.hair += HOUR * (state.hair * (hair - HAIR.goes) + 0.3 * DUST * light);
  // Redfield: a phosphorus to sixteen nitrogen, as PO4 from rot and into growth.
  state.phosphate = Math.max(
    0,
    state.phosphate +
      HOUR * (0.42 * (0.35 * state.labile + 0.05 * state.stubborn) - 0.02 * state.phosphate),
  );
  const milk = state.labile / (0.6 + state.labile);
  state.cloud += HOUR * 0.8 * (milk * milk - state.cloud);
}
