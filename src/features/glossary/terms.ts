export interface Term {
  term: string;
  meaning: string;
}

/** The words of the app, one meaning each; docs/glossary.md is written from this list. */
export const TERMS: readonly Term[] = [
  {
    term: 'Act',
    meaning:
      'What one gesture recorded: a test session, a correction, an import. Undo takes back one act.',
  },
  {
    term: 'Alkalinity',
    meaning:
      'How much acid the water can take up, in dKH or meq/L. Clearing ammonium uses it, and filter bacteria short of it slow down.',
  },
  {
    term: 'Ammonia',
    meaning:
      'Total ammonia: free ammonia and ammonium together, which is what a kit reads. Counted here as nitrogen.',
  },
  {
    term: 'Band',
    meaning:
      'The range you want a parameter in. A habit of practice that you can change, not a law.',
  },
  {
    term: 'Basis',
    meaning:
      'What a kit counts an amount as: N, NH3, NH4, NO2 or NO3. One ppm of N is 1.29 ppm of NH4 and 4.43 ppm of NO3.',
  },
  {
    term: 'Batch',
    meaning:
      'Animals that go through quarantine together. A sign in one of them restarts the clock for all.',
  },
  {
    term: 'Between',
    meaning:
      'A colour between two steps of a card. It is not zero, even between zero and the first step.',
  },
  {
    term: 'Calibration',
    meaning:
      'Checking an instrument against a standard. What it was off by is taken out of the readings made since it was last right; what was read stays beside them.',
  },
  {
    term: 'Capacity',
    meaning:
      'What the filter bacteria can turn over in a day with plenty to feed on, in ppm of nitrogen. It is what a challenge tests.',
  },
  {
    term: 'Challenge',
    meaning:
      'A dose of 2 ppm ammonia to see whether ammonia and nitrite are both gone a day or two later.',
  },
  {
    term: 'Clean-up crew',
    meaning: 'Snails, hermits and others that graze. They starve when what they graze is gone.',
  },
  {
    term: 'Clear day',
    meaning:
      'A day of a batch without a sign in any of its animals. Enough of them, and they are released.',
  },
  {
    term: 'Criterion',
    meaning:
      'One question of a verdict. It is met, not yet met, or cannot be told from what was logged.',
  },
  {
    term: 'Cycle',
    meaning:
      'The weeks in which filter bacteria grow until they clear ammonia and nitrite as fast as these come.',
  },
  {
    term: 'Daily check',
    meaning: 'Looking at each animal in quarantine once a day: well, not eating, or a sign.',
  },
  {
    term: 'Days at zero',
    meaning:
      'Days through which ammonia and nitrite stay at zero. They count from the first test that shows both, to the last.',
  },
  {
    term: 'Dose',
    meaning:
      'Something put in by measure: ammonia to feed the filter bacteria, bottled bacteria, alkalinity.',
  },
  {
    term: 'Fallow',
    meaning: 'Days that a tank stands without fish, so that what lives on fish dies out.',
  },
  {
    term: 'Feeding limit',
    meaning:
      'The most nitrogen that the food of a tank may bring this month, by the pace you chose.',
  },
  {
    term: 'Filter bacteria',
    meaning:
      'The bacteria on rock, sand and media that turn ammonia into nitrite and nitrite into nitrate.',
  },
  {
    term: 'Forecast',
    meaning:
      'When the milestones are likely to fall, inferred from your readings and everything that went in, always as a range. It informs and never grants.',
  },
  {
    term: 'Free ammonia',
    meaning: 'Ammonia as NH3, the part that harms. Its share grows with pH and temperature.',
  },
  {
    term: 'Gate',
    meaning:
      'What must be so before the first fish whatever the water says: a lid, a verified heater.',
  },
  {
    term: 'Group',
    meaning:
      'An animal, or several of one kind, that came in together, and what became of them. Records call it a cohort.',
  },
  {
    term: 'Instrument',
    meaning: 'A test kit or a meter, with its own steps or resolution, its basis and its date.',
  },
  {
    term: 'Measure',
    meaning:
      'Something done about a growth, with its strength: less light, by hand, media, a refugium.',
  },
  {
    term: 'Method',
    meaning:
      'How a tank is cycled: where its ammonia comes from, and what its filter bacteria start from. Methods are compared by playing them in your own tank.',
  },
  {
    term: 'Milestone',
    meaning: 'A point on the timeline, such as ammonia clear. Filled once passed.',
  },
  {
    term: 'Misfit',
    meaning:
      'Readings that nothing known of such tanks explains together. The forecast then steps back and says so.',
  },
  {
    term: 'Mouth size',
    meaning: 'The deepest body that a fish swallows whole.',
  },
  {
    term: 'Net water',
    meaning: 'The water a dose mixes into: the tank less glass, gap, rock and sand, plus the sump.',
  },
  {
    term: 'Nitrate',
    meaning:
      'The last step of the chain. Most nitrate kits read nitrite as well, so it does not count while nitrite is present.',
  },
  {
    term: 'Nitrite',
    meaning:
      'The middle of the chain. Seeing it proves that ammonia is being used; in sea water it is a sign more than a poison.',
  },
  {
    term: 'Not entered',
    meaning:
      'What of a tank was not entered yet. Sums take nothing for it meanwhile, and say what entering it would change.',
  },
  {
    term: 'Pace',
    meaning:
      'How fast animals are added: the food at most doubles in a month, one addition and then a wait, or what the model carries.',
  },
  {
    term: 'Plan',
    meaning: 'The wishes of a tank as days, each with the reason that binds it.',
  },
  {
    term: 'Position',
    meaning: 'Where a coral stands or is meant to: from the left, from the front, and how high.',
  },
  {
    term: 'Programme',
    meaning:
      'A bottle’s own schedule of doses, by its label. Kept with a tank, its days are due on Today; only the test at its end shows anything.',
  },
  {
    term: 'Practice',
    meaning:
      'A made-up tank with a clock of its own, to learn and to fail on. Nothing in it is real, and your own log is not touched.',
  },
  {
    term: 'Protocol',
    meaning: 'A way of quarantine: how long, and what is done in it.',
  },
  {
    term: 'Reading',
    meaning: 'One value of one test, with the kit it was made with and the range it stands for.',
  },
  {
    term: 'Rule for done',
    meaning: 'A way of deciding that a cycle is done. You choose one for each tank.',
  },
  {
    term: 'Run',
    meaning:
      'A procedure gone through step by step, with its clocks. It survives a reload, another tab and a sleeping phone.',
  },
  {
    term: 'Sighting',
    meaning:
      'A growth of the ugly stage as far as it was seen to reach: diatoms, film, hair algae, cyanobacteria (red slime), dinoflagellates.',
  },
  {
    term: 'Specific gravity',
    meaning:
      'Density over that of pure water, each at a stated temperature. 1.025 at 25 °C is about 33.2 ppt, not 35.',
  },
  {
    term: 'Stall',
    meaning:
      'A cycle held back: by low alkalinity, cold, too much or too little ammonia, a dead bottle, a medicine, or a kit that reads wrong.',
  },
  {
    term: 'Step',
    meaning:
      'One printed value of a card. A reading stands for the part of the scale nearer to it than to its neighbours.',
  },
  {
    term: 'Sting range',
    meaning: 'How far a coral stings at night.',
  },
  { term: 'Test session', meaning: 'Several readings made at one time and saved together.' },
  {
    term: 'Timeline',
    meaning:
      'The drawing of a tank’s way from filling on: what was logged, what was passed, and where it is now.',
  },
  {
    term: 'Verdict',
    meaning: 'Whether the cycle is done, criterion by criterion, by the rule you chose for that.',
  },
  {
    term: 'Wish',
    meaning:
      'An animal that you would like, in order among others; pinned to a day, or a rule set aside for it with your reason.',
  },
];
