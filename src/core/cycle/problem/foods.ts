import type { Food } from '../../records/schema/entry';

/** mg of nitrogen that a gram of protein becomes when nothing eats it and nothing is removed. */
const NITROGEN_PER_PROTEIN = 160;

function food(name: string, protein: number) {
  return { name, protein, nitrogen: protein * NITROGEN_PER_PROTEIN };
}

/** Foods by the gram as fed: share of protein, and mg N that rot free of it uneaten. */
export const FOODS_AS_FED: Record<Food, { name: string; protein: number; nitrogen: number }> = {
  pellets: food('Pellets', 0.45),
  flakes: food('Flakes', 0.45),
  frozen: food('Frozen', 0.1),
  seaweed: food('Seaweed', 0.25),
};
