import {
  clocksOfSteps,
  chosen,
  noted,
  type Procedure,
  type Step,
  type Urgency,
} from '../procedure';
import { changeWords, coolingWords, salinityWords } from './words';

/** The salinity that a reef is brought back to, ppt. */
const GOAL = 35;

const NUMBERS =
  'The emergency number first: 112 in Europe and from most mobile phones, 911 in North America, 999 in the United Kingdom, 000 in Australia.';

function emergency(name: string, urgent: Urgency, steps: readonly Step[]): Procedure {
  return { name, urgent, steps, anyOrder: true, ...clocksOfSteps(steps) };
}

const test = (id: string, title: string, text: string): Step => ({
  id,
  kind: 'check',
  span: 'hour',
  title,
  text: () => text,
  opens: { form: 'reading', label: 'Log the test' },
});

const air: Step = {
  id: 'air',
  kind: 'check',
  span: 'now',
  title: 'Air first',
  text: () =>
    'An air stone, a pump turned to the surface, the lid ajar: whatever is wrong, oxygen runs short first.',
};

/** A person hurt: the emergency number before the tank. */
export const personHurt = emergency(
  'A person is hurt',
  { order: 0, sign: 'Sting, bite, shock, poison, fumes' },
  [
    {
      id: 'number',
      kind: 'check',
      span: 'now',
      title: 'Call for help',
      text: () =>
        `${NUMBERS} Call for trouble breathing, fainting, chest pain, burns, confusion, a swelling face, or after any electric shock. When in doubt, call.`,
    },
    {
      id: 'what',
      kind: 'choose',
      span: 'now',
      title: 'What happened',
      text: () => 'What is first aid differs.',
      choices: [
        { value: 'sting', label: 'A sting or a bite', note: 'Spines, worms, jellyfish, anemones' },
        {
          value: 'palytoxin',
          label: 'Perhaps palytoxin',
          note: 'Zoanthids or palythoas were handled, cut or heated',
        },
        { value: 'shock', label: 'Electricity', note: 'Someone got a shock, or lies beside it' },
        { value: 'fumes', label: 'Fumes or a splash', note: 'Acid, bleach, ammonia, medicine' },
        { value: 'cut', label: 'A cut', note: 'Glass, rock, a spine' },
      ],
    },
    {
      id: 'sting',
      kind: 'check',
      span: 'now',
      title: 'Sting: hot water',
      text: () =>
        'Out of the tank, rings off. Water as hot as it can be borne, **at most 45 °C (113 °F)**, tried with the other hand, for 30 to 90 minutes. Spines that stick deep are left to a doctor. No cutting, no sucking.',
      applies: (run) => chosen(run, 'what') === 'sting',
      caution: 'venom',
    },
    {
      id: 'palytoxin',
      kind: 'check',
      span: 'now',
      title: 'Palytoxin: out of the room, then call',
      text: () =>
        'Everyone and every animal out, windows open, no heater or fan left blowing over it. Skin and eyes under running water. Say **palytoxin** to the emergency number or the poison centre, even where it is mild: fever, a metal taste, tight chest or weak muscles may come hours later.',
      applies: (run) => chosen(run, 'what') === 'palytoxin',
      caution: 'palytoxin',
    },
    {
      id: 'shock',
      kind: 'check',
      span: 'now',
      title: 'Electricity: the fuse, not the person',
      text: () =>
        '**Do not touch the person or the water** while the current is on. The fuse or the main switch first, then call, then help. Everyone who had a shock is seen by a doctor, also one who feels well.',
      applies: (run) => chosen(run, 'what') === 'shock',
      caution: 'electricity',
    },
    {
      id: 'fumes',
      kind: 'check',
      span: 'now',
      title: 'Fumes or a splash',
      text: () =>
        'Into fresh air, windows open. Skin and eyes under running water for at least 15 minutes. Call the poison centre with the bottle in your hand; what its label says comes first.',
      applies: (run) => chosen(run, 'what') === 'fumes',
    },
    {
      id: 'cut',
      kind: 'check',
      span: 'now',
      title: 'Cut: wash it at once',
      text: () =>
        'Running water and soap, press, cover. A cut from a tank that grows red, warm or hard, or a fever after it, is for a doctor the same day: say that it was sea water.',
      applies: (run) => chosen(run, 'what') === 'cut',
    },
    {
      id: 'after',
      kind: 'check',
      span: 'hour',
      title: 'Only then the tank',
      text: () =>
        'What hurt someone is made safe before a hand goes in again: plug out, gloves and goggles on, the animal known.',
      caution: 'electricity',
    },
  ],
);

export const ammoniaSpike = emergency(
  'Ammonia, or fish gasping',
  { order: 1, sign: 'Ammonia reads, fish hang at the surface, water is cloudy' },
  [
    air,
    {
      id: 'feed',
      kind: 'check',
      span: 'now',
      title: 'No food, and find what rots',
      text: () =>
        'No feeding today. Take out leftovers and what died; look behind rock, in the overflow and the socks.',
      caution: 'deadAnimal',
    },
    {
      ...test(
        'test',
        'Test ammonia, pH and temperature',
        'The three decide how poisonous it is. Log them: the next step is worked out from them.',
      ),
      span: 'now',
    },
    {
      id: 'change',
      kind: 'measure',
      span: 'hour',
      title: 'Change water',
      text: (_run, tank) => changeWords(tank),
      asks: { label: 'Changed', unit: 'L', low: 0.1, high: 20_000 },
    },
    {
      id: 'bind',
      kind: 'check',
      span: 'hour',
      title: 'Bottled bacteria, or a binder by its label',
      text: () =>
        'A binder makes many test kits read wrong: its label says which. Carbon does not take ammonia. No medicine meanwhile without a veterinarian.',
      caution: 'medicine',
    },
    {
      ...test(
        'again',
        'Test again after an hour',
        'Ammonia and pH. As long as free ammonia reads over 0.05 mg/L, change again.',
      ),
    },
    {
      id: 'day',
      kind: 'check',
      span: 'day',
      title: 'Twice a day, and why',
      text: () =>
        'Test morning and evening until it reads zero for two days. Then ask why: a death, a new animal, a medicine, a filter that stood still, media washed under the tap.',
    },
  ],
);

export const powerCut = emergency('Power cut', { order: 3, sign: 'Pumps and heater stand still' }, [
  {
    id: 'plugs',
    kind: 'check',
    span: 'now',
    title: 'Heater and lights unplugged',
    text: () =>
      'So that nothing starts at once when it comes back: a heater that stands dry, a pump that floods. Dry hands, dry floor.',
    caution: 'electricity',
  },
  {
    id: 'level',
    kind: 'check',
    span: 'now',
    title: 'Look at the sump',
    text: () =>
      'What drained down has to fit. Water still rising: the return line siphons, lift it out.',
  },
  {
    ...air,
    title: 'Move the surface',
    text: () =>
      'An air pump on a battery, or a jug lifted and poured every ten minutes. How long oxygen lasts cannot be told: it depends on fish, warmth and light. Watch their breathing.',
  },
  {
    id: 'feed',
    kind: 'check',
    span: 'now',
    title: 'No food, lid off, few visits',
    text: () =>
      'Full fish need more oxygen. The lid ajar, with a mesh over it: frightened fish jump.',
  },
  {
    id: 'room',
    kind: 'measure',
    span: 'hour',
    title: 'How warm is the room',
    text: (run, tank) => coolingWords(tank, noted(run, 'room')),
    asks: { label: 'The room', unit: '°C', low: -20, high: 50 },
  },
  {
    id: 'warm',
    kind: 'check',
    span: 'hour',
    title: 'Keep its warmth',
    text: (run, tank) =>
      `${coolingWords(tank, noted(run, 'room'))} Blankets around the glass, never over vents or lamps. Closed bottles of warm water, swapped often; no open flame, no generator or grill indoors: the gas kills people.`,
  },
  {
    id: 'colony',
    kind: 'check',
    span: 'hour',
    title: 'Media that stand still',
    text: () =>
      'After some hours a closed canister rots: open it, keep media wet and in moving water. Empty it out before it runs again.',
  },
  {
    id: 'back',
    kind: 'check',
    span: 'day',
    title: 'When it comes back',
    text: () =>
      'Return pump first, watch the level; then skimmer, heater once it is covered, light last. Clocks of timers set again.',
  },
  {
    ...test('after', 'Test a day later', 'Ammonia and temperature: what died shows late.'),
    span: 'day',
  },
]);

export const heaterFault = emergency(
  'Heater stuck on or off',
  { order: 4, sign: 'Water far too warm or too cold' },
  [
    {
      id: 'plug',
      kind: 'check',
      span: 'now',
      title: 'Unplug it',
      text: () =>
        'Stuck on or off, it comes off the mains, and out only once it has cooled for 20 minutes.',
      caution: 'unplugFirst',
    },
    {
      ...test(
        'test',
        'A second thermometer',
        'Before anything is done by one reading: hold another beside it, and log what it says.',
      ),
      span: 'now',
    },
    {
      id: 'which',
      kind: 'choose',
      span: 'now',
      title: 'Too warm or too cold',
      text: () => 'Either is undone slowly: by **1 °C (2 °F) an hour** at most.',
      choices: [
        { value: 'hot', label: 'Too warm', note: 'Over 28.5 °C (83 °F)' },
        { value: 'cold', label: 'Too cold', note: 'Under 23 °C (73 °F)' },
      ],
    },
    {
      id: 'hot',
      kind: 'check',
      span: 'hour',
      title: 'Cool it',
      text: () =>
        'Air on, lid open, lights off, a fan over the surface. Closed bottles of ice in the sump, one at a time. No ice in the water, no cold water poured in.',
      applies: (run) => chosen(run, 'which') === 'hot',
      caution: 'electricity',
    },
    {
      id: 'room',
      kind: 'measure',
      span: 'hour',
      title: 'How warm is the room',
      text: (run, tank) => coolingWords(tank, noted(run, 'room')),
      asks: { label: 'The room', unit: '°C', low: -20, high: 50 },
      applies: (run) => chosen(run, 'which') === 'cold',
    },
    {
      id: 'cold',
      kind: 'check',
      span: 'hour',
      title: 'Warm it',
      text: () =>
        'A spare heater, or closed bottles of warm water, swapped often. Cold fish are not fed.',
      applies: (run) => chosen(run, 'which') === 'cold',
    },
    {
      id: 'replace',
      kind: 'check',
      span: 'day',
      title: 'A new one, and a second guard',
      text: () =>
        'Two half-size heaters on a controller with a probe of its own. The old one is not mended.',
      opens: { sum: 'heater', label: 'What size' },
    },
    {
      ...test(
        'after',
        'Test a day later',
        'Ammonia and temperature: warm water held less oxygen, and what died shows late.',
      ),
      span: 'day',
    },
  ],
);

export const leak = emergency('Leak or overflow', { order: 2, sign: 'Water on the floor' }, [
  {
    id: 'fuse',
    kind: 'check',
    span: 'now',
    title: 'The fuse, before you step into it',
    text: () =>
      '**Water and cords on the floor: the fuse first**, from a dry place. Then pumps and top-off unit out.',
    caution: 'electricity',
  },
  {
    id: 'where',
    kind: 'choose',
    span: 'now',
    title: 'Where from',
    text: () => 'Dry it, lay paper along the seams, and look.',
    choices: [
      { value: 'over', label: 'Ran over', note: 'Sump, skimmer cup, top-off, a blocked overflow' },
      { value: 'pipe', label: 'A hose or a joint', note: 'Under the stand, at the purifier' },
      { value: 'pane', label: 'A seam or a pane', note: 'Drips from the tank itself' },
    ],
  },
  {
    id: 'over',
    kind: 'check',
    span: 'now',
    title: 'It ran over',
    text: () =>
      'Clear the overflow, empty the cup, close the top-off. What ran out was salt water, what ran in perhaps fresh: salinity is tested before anything is filled up.',
    applies: (run) => chosen(run, 'where') === 'over',
  },
  {
    id: 'pipe',
    kind: 'check',
    span: 'now',
    title: 'Close the valve before it',
    text: () =>
      'At the purifier: the tap. A union is tightened by hand, glue takes a day to cure. The pumps stay off till then; air keeps the animals.',
    applies: (run) => chosen(run, 'where') === 'pipe',
  },
  {
    id: 'pane',
    kind: 'check',
    span: 'now',
    title: 'Lower the water, get the animals out',
    text: () =>
      'Siphon into clean buckets till the leak is dry: keep every litre. Animals into lidded tubs with its water, an air stone and the heater. **A cracked pane is never filled again**; nobody kneels before it.',
    applies: (run) => chosen(run, 'where') === 'pane',
    caution: 'glass',
  },
  {
    id: 'lost',
    kind: 'measure',
    span: 'hour',
    title: 'How much is gone',
    text: () =>
      'By the marks of the buckets, or the level. It is made up with salt water of the same salinity and warmth.',
    asks: { label: 'Went out', unit: 'L', low: 0, high: 20_000 },
  },
  test('test', 'Test salinity and temperature', 'Before filling up, and again an hour after.'),
  {
    id: 'below',
    kind: 'check',
    span: 'day',
    title: 'Floor, ceiling, sockets',
    text: () =>
      'Salt water conducts and creeps: a wet socket or a ceiling below is for an electrician. Photograph it for the insurance.',
    caution: 'electricity',
  },
]);

export const salinitySwing = emergency(
  'Salinity far off',
  { order: 5, sign: 'Over 37 or under 31 ppt' },
  [
    {
      id: 'stop',
      kind: 'check',
      span: 'now',
      title: 'Top-off unit off',
      text: () => 'It may be the cause, and it must not work against you.',
      caution: 'electricity',
    },
    {
      ...test(
        'test',
        'Test twice',
        'Rinse the instrument, check it in its standard, use a second one. Half of all swings are the meter.',
      ),
      span: 'now',
    },
    {
      id: 'back',
      kind: 'check',
      span: 'hour',
      title: 'Back in steps',
      text: (_run, tank) => salinityWords(tank, GOAL),
    },
    {
      id: 'cause',
      kind: 'check',
      span: 'hour',
      title: 'Find the cause',
      text: () =>
        'Too high: an empty reservoir, salt water as top-off, a change mixed too strong. Too low: a float that stuck, a siphon from the reservoir, a leak topped up with fresh water.',
    },
    {
      ...test(
        'after',
        'Test each day',
        'Until it holds for three days. Corals and shrimps show it last.',
      ),
      span: 'day',
    },
  ],
);

export const hotRoom = emergency(
  'A hot room',
  { order: 6, sign: 'Heat wave; water climbs over 28 °C (82 °F)' },
  [
    air,
    {
      id: 'light',
      kind: 'check',
      span: 'now',
      title: 'Lights off, lid open',
      text: () => 'Lamps heat; a lid keeps it in. A mesh stays, fish jump.',
    },
    {
      id: 'fan',
      kind: 'check',
      span: 'hour',
      title: 'A fan over the surface',
      text: () =>
        'It cools by evaporation, usually some 2 to 4 °C (4 to 7 °F), less where the air is damp. It is fixed so that it cannot fall in.',
      caution: 'electricity',
    },
    {
      id: 'topOff',
      kind: 'check',
      span: 'hour',
      title: 'More top-off',
      text: () =>
        'A fan can double what evaporates: look at the reservoir twice a day, and test salinity each day.',
    },
    {
      id: 'ice',
      kind: 'check',
      span: 'hour',
      title: 'Bottles of ice, if it climbs on',
      text: () =>
        'Closed, one at a time, in the sump: no faster than 1 °C (2 °F) an hour. Feed little and in the evening.',
    },
    {
      ...test('day', 'Morning and evening', 'Temperature and salinity, and who breathes fast.'),
      span: 'day',
    },
    {
      id: 'chiller',
      kind: 'check',
      span: 'day',
      title: 'For the next summer',
      text: () =>
        'Shade, a fan on a controller, or a chiller, whose waste heat goes out of the room. Its wiring is for a licensed trade.',
    },
  ],
);

export const contaminant = emergency(
  'Something got in',
  { order: 7, sign: 'Spray, metal, soap, paint; distress nobody can explain' },
  [
    air,
    {
      id: 'source',
      kind: 'check',
      span: 'now',
      title: 'Stop the source',
      text: () =>
        'Spray, air freshener, paint, soap on hands, a coin, a rusting clamp or magnet, a cracked heater, copper from a pipe. Out with it; gloves, and the plug first.',
      caution: 'electricity',
    },
    {
      id: 'change',
      kind: 'check',
      span: 'now',
      title: 'A large change',
      text: (_run, tank) =>
        tank
          ? `Half of it, **${Math.round(tank.netLitres / 2)} L**, matched in warmth and salinity; two of them leave a quarter of what got in, three an eighth. With less at hand, what there is.`
          : 'Half of it, matched in warmth and salinity; two of them leave a quarter of what got in.',
    },
    {
      id: 'carbon',
      kind: 'check',
      span: 'hour',
      title: 'Fresh carbon',
      text: () =>
        'Rinsed, in good flow, renewed after a day. It takes up many organic poisons; for metals there are resins of their own, by their label.',
    },
    {
      id: 'look',
      kind: 'check',
      span: 'hour',
      title: 'Who shows it',
      text: () =>
        'Shrimps and snails first: metal. Corals closed: many things. Fish gasping: oxygen or ammonia. Log what you see, and when it began.',
      opens: { form: 'observation', label: 'Log what you see' },
    },
    test(
      'test',
      'Test what you can',
      'Ammonia, pH, salinity, temperature: the usual causes look alike.',
    ),
    {
      id: 'move',
      kind: 'check',
      span: 'day',
      title: 'If it goes on',
      text: () =>
        'Animals into other water, matched; a sample kept in a clean bottle for a laboratory. A veterinarian for what suffers. Nothing is poured into the wild.',
      caution: 'deadAnimal',
    },
  ],
);
