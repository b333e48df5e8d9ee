/** What each tank of the demo is there to show, by its name. */
export const DEMO_STORIES: ReadonlyMap<string, string> = new Map(
  Object.entries({
    Kittiwake: 'Kittiwake cycles: see when the first fish may come, and why not today.',
    Fulmar: 'Fulmar has lived for five months: chores, costs, corals, and wishes with their days.',
    'Spare tank': 'Spare tank: two fish in quarantine, whose days began anew after a sign.',
    'Coral tub': 'Coral tub: one coral in quarantine, long enough that no parasite comes along.',
  }),
);
