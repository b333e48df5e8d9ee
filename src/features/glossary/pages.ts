import { to } from '@/frame/addresses';

export const PAGE_GROUPS = ['start', 'cycle', 'animals', 'running'] as const;
export type PageGroup = (typeof PAGE_GROUPS)[number];

export const PAGE_GROUP_WORDS: Readonly<Record<PageGroup, string>> = {
  start: 'Starting',
  cycle: 'Cycling',
  animals: 'Animals',
  running: 'Running a tank',
};

/** One question of a keeper, answered. */
export interface GuidePage {
  id: string;
  group: PageGroup;
  question: string;
  /** The answer in a sentence or two. */
  answer: string;
  /** Why, and what it trades; text between double asterisks is set strong. */
  text: readonly string[];
  /** Where it is done, worked out or looked up. */
  does: readonly { label: string; open: string }[];
  /** What else people type who mean this. */
  also: string;
}

const START: readonly GuidePage[] = [
  {
    id: 'first',
    group: 'start',
    question: 'What do I need first?',
    answer:
      'A place that bears the weight, a tank with a lid, a heater, a pump, purified water, salt, and tests for ammonia, nitrite, salinity and temperature.',
    text: [
      'Before the first fish: **a heater that was checked against a thermometer, a lid, and a way to measure salinity that was held against a standard.** Lamps for corals, a skimmer and dosing pumps can wait until something needs them.',
      'A second small tank with its own heater and sponge filter is worth more than any gadget: it is where new fish are watched for four weeks before they meet the others.',
    ],
    does: [
      { label: 'Build, step by step', open: '/runs/build' },
      { label: 'What it weighs on the floor', open: to.sum('floor-load') },
    ],
    also: 'equipment shopping list beginner new tank checklist',
  },
  {
    id: 'size',
    group: 'start',
    question: 'How big should it be?',
    answer:
      'As big as you can change a tenth of every week without dreading it. More water changes more slowly, and forgives more.',
    text: [
      'Evaporation moves the salinity of a small tank within a day, a dead snail its ammonia within hours. From about 100 litres on there is time to notice.',
      'What it trades: every litre has to be mixed, heated and carried. A change of 10 % of 200 litres is two full buckets.',
    ],
    does: [
      { label: 'A water change of this tank', open: to.sum('water-change') },
      { label: 'Heat for the coldest night', open: to.sum('heater') },
    ],
    also: 'nano gallons volume beginner best size',
  },
  {
    id: 'price',
    group: 'start',
    question: 'What does it cost?',
    answer:
      'The tank is the smaller part. Salt, purified water, electricity, food and tests come every month, for as long as it stands.',
    text: [
      'Log what you pay as you pay it, and the month says what it came to: bought once and running, apart. Packs of salt are compared by what a litre of your water costs.',
      'Buying secondhand saves most on tanks, stands and rock. **Not on heaters, and not on anything that has held a copper medicine.**',
    ],
    does: [
      { label: 'Costs by month', open: to.costs },
      { label: 'Compare packs of salt', open: to.sum('packs') },
    ],
    also: 'money budget expensive monthly electricity',
  },
  {
    id: 'rock',
    group: 'start',
    question: 'Which rock?',
    answer:
      'Dry rock is clean and slow, live rock is quick and brings guests, wanted and unwanted. Either carries a reef.',
    text: [
      '**Dry rock** has no pests and no bacteria: the cycle takes weeks, and growths come and go for months while the surface is settled.',
      '**Live rock**, kept wet and warm on the way, brings bacteria that work from the first day, and with them crabs, worms or nuisance anemones. Rock that was out of water for days is rotting, not living: it makes ammonia first.',
      'A mix of both is common: a few kilos of live rock seed the rest.',
    ],
    does: [
      { label: 'Room that rock takes', open: to.sum('rock') },
      { label: 'Compare ways of cycling', open: to.cycleTool('method') },
    ],
    also: 'live rock dry rock aquascape how many kilos pounds',
  },
  {
    id: 'water',
    group: 'start',
    question: 'Which salt and which water?',
    answer:
      'Any reef salt that gives you the alkalinity you want, in purified water, mixed to 35 ppt and stirred until it is clear.',
    text: [
      'Salts differ most in alkalinity. Pick one near what your corals will be kept at, and stay with it: a change to another salt is a change of water.',
      'Weigh the salt once rather than counting cups: it packs, and draws moisture. The calculator learns what your salt gives from the batches that you log.',
    ],
    does: [
      { label: 'Mix a batch', open: '/runs/mix' },
      { label: 'How much salt', open: to.sum('salt-mix') },
    ],
    also: 'salt brand mix cups grams RODI saltwater',
  },
  {
    id: 'tap',
    group: 'start',
    question: 'Why not tap water?',
    answer:
      'It may carry chlorine or chloramine, copper, phosphate and nitrate. Some harm at once, the rest feeds algae for months.',
    text: [
      'Chlorine leaves water that is aired for a day; **chloramine does not**, and kills bacteria and gills. Water from copper pipes harms snails and corals at levels that no kit of a beginner shows.',
      'A purifier of several stages with a meter for what is left (TDS) pays for itself in algae that never grow. If tap water is all there is in an emergency, a conditioner by its label comes first.',
    ],
    does: [
      { label: 'Making purified water', open: to.sum('rodi') },
      { label: 'Something got into the water', open: to.run('contaminant') },
    ],
    also: 'tap water RO/DI RODI chlorine chloramine TDS conditioner',
  },
  {
    id: 'salinity',
    group: 'start',
    question: 'How salty should it be, and what does my meter mean?',
    answer:
      '35 ppt, which is a specific gravity of 1.0264 at 25 °C and a conductivity of 53 mS/cm. What matters most is that it stays there.',
    text: [
      'Meters speak three languages for one thing. Each is right at the temperature it was made for, and **each drifts: hold it against a standard of salt water, not against fresh water.** A refractometer that was set to zero with fresh water can read 35 in water of 32.',
      'A swing arm collects bubbles and salt; it is good for telling a change, not a level.',
    ],
    does: [
      { label: 'What an instrument reads', open: to.sum('salinity-read') },
      { label: 'Calibrate a meter', open: to.run('calibrate') },
    ],
    also: 'SG specific gravity ppt refractometer hydrometer conductivity 1.026 1.025',
  },
  {
    id: 'litres',
    group: 'start',
    question: 'How many litres are really in it?',
    answer:
      'Less than the label says: glass, sand, rock and the space above the water take a tenth to a third.',
    text: [
      'Every dose is for the water that is there. Counting the buckets at the fill is the best answer; without it the tank’s page works it out from its measures, its sand and its rock, and says how sure that is.',
    ],
    does: [
      { label: 'Net water volume', open: to.sum('net-volume') },
      { label: 'Your tanks', open: to.tanks },
    ],
    also: 'volume gallons litres real net displacement',
  },
  {
    id: 'outlets',
    group: 'start',
    question: 'What goes on which outlet?',
    answer:
      'Every cord with a loop that hangs below its socket, everything behind a residual-current breaker, and the return pump and heater not on one strip.',
    text: [
      '**Salt water conducts.** A drip loop keeps water that runs along a cord out of the socket; a breaker for people (RCD or GFCI) cuts the rest. Wiring itself is for a licensed electrician.',
      'One strip that trips should not stop both flow and heat. A pump on a battery, or an air pump that starts by itself, keeps animals alive through a power cut.',
    ],
    does: [
      { label: 'A power cut', open: to.run('powerCut') },
      { label: 'Someone is hurt', open: to.run('personHurt') },
    ],
    also: 'electricity safety GFCI RCD socket power strip drip loop',
  },
];

const CYCLE: readonly GuidePage[] = [
  {
    id: 'how-long',
    group: 'cycle',
    question: 'How long does cycling take?',
    answer:
      'Three to six weeks with dry rock, one to three with a good bottle of bacteria or live rock. Your own readings say more than any calendar.',
    text: [
      'Two kinds of bacteria have to grow: those that turn ammonia into nitrite, then those that turn nitrite into nitrate. The second kind is slower, and begins late.',
      'Warmth (25 to 28 °C), pH 8, alkalinity above 7 dKH and flow help. **No number of days makes a tank ready; tests do.**',
    ],
    does: [
      { label: 'Where your cycle stands', open: to.cycle },
      { label: 'Compare ways of cycling', open: to.cycleTool('method') },
    ],
    also: 'weeks days cycled time new tank syndrome',
  },
  {
    id: 'which-ammonia',
    group: 'cycle',
    question: 'Which ammonia, and how much?',
    answer:
      'Ammonium chloride made for cycling or for laboratories, up to 2 ppm at a time, and none while the last dose is still there.',
    text: [
      'Household ammonia may hold soap or scent: shaken, it must not foam. The bottle’s strength decides the drops, so tell the calculator what stands on its label.',
      '**More is not quicker.** Much above 5 ppm holds the bacteria back that one is waiting for. And with any animal in the tank: never a dose.',
    ],
    does: [{ label: 'Work out a dose', open: to.cycleTool('dose') }],
    also: 'ammonium chloride dose ppm fishless ghost feeding prawn shrimp',
  },
  {
    id: 'bottles',
    group: 'cycle',
    question: 'Do bottles of bacteria work?',
    answer:
      'Often, if they were kept cool and are in date: the cycle then takes days instead of weeks. Some do nothing at all.',
    text: [
      'A bottle that stood in the sun or froze is dead, and nothing on it says so. The forecast weighs both: after two weeks in which nothing fell it names a dead bottle as a likely reason.',
      'What it trades: money for time. "Fish today" on a label means that a **tested** tank clears ammonia, not that yours does.',
    ],
    does: [
      { label: 'A bottle’s programme, day by day', open: to.cycleTool('programme') },
      { label: 'Log a bottle', open: to.log('bacteria') },
    ],
    also: 'bottled bacteria starter instant cycle fish today',
  },
  {
    id: 'nitrite-stuck',
    group: 'cycle',
    question: 'Why is nitrite stuck?',
    answer:
      'Mostly it is not: it stands high for a week or two while the slower bacteria grow, then falls within days.',
    text: [
      'Look at three things before doing anything: **alkalinity** (below 7 dKH they slow down), **the scale of the card** (at its last step a fall from 10 to 6 looks like nothing), and **what still rots**.',
      'Changing water is allowed and seldom needed: nitrite harms marine fish little, and there should be none in yet.',
    ],
    does: [
      { label: 'What holds it back', open: to.cycle },
      { label: 'Raise alkalinity', open: to.sum('alkalinity') },
    ],
    also: 'stalled stuck plateau nitrite high weeks purple',
  },
  {
    id: 'ready',
    group: 'cycle',
    question: 'Is it ready, or does it only look so?',
    answer:
      'It is ready when ammonia and nitrite both read zero a day after a dose as big as your first fish, by kits that were seen to read something else.',
    text: [
      'Zeros alone prove little: a tank that was never fed reads zero, and so does a kit that died. A **rise and a fall** show bacteria; a dose that is gone in a day shows enough of them.',
      'People judge by different rules, from "both zero" to a challenge of 2 ppm. Each trades days for certainty. You choose one for the tank, and the verdict says line by line what is missing.',
    ],
    does: [
      { label: 'The verdict', open: to.cycle },
      { label: 'A challenge dose', open: to.cycleTool('challenge') },
    ],
    also: 'cycled ready for fish zero done finished safe',
  },
  {
    id: 'always-quarter',
    group: 'cycle',
    question: 'My kit always shows 0.25. Is that ammonia?',
    answer:
      'Perhaps not. Many cards show a first tint at true zero, under some lamps more than others.',
    text: [
      'Read the vial by daylight beside one filled with **new salt water**: if both look alike, that is your kit’s zero. Do it once and the forecast knows.',
      'A kit that is past its date, or a bottle of reagent that was not shaken, errs the other way: it shows nothing where something is.',
    ],
    does: [
      { label: 'Your kits and their dates', open: to.instruments },
      { label: 'Log a test', open: to.log('test') },
    ],
    also: 'ammonia 0.25 never zero false reading kit wrong green',
  },
  {
    id: 'light',
    group: 'cycle',
    question: 'Light on or off while it cycles?',
    answer: 'Off. Bacteria need none, and algae take every hour of it.',
    text: [
      'Live rock with coralline or corals on it is the exception: a few hours of low light keep them.',
      'Once there are snails to graze, the light goes on in steps, a little longer each week. Brown dust after that is normal and passes.',
    ],
    does: [{ label: 'Log the light', open: to.log('light') }],
    also: 'lights photoperiod hours algae dark',
  },
  {
    id: 'big-change',
    group: 'cycle',
    question: 'Why a big water change at the end?',
    answer:
      'A fishless cycle leaves nitrate, often 20 to 80 ppm. One large change takes most of it out before animals come.',
    text: [
      'The bacteria live on surfaces, so that new water takes hardly any along. **Match temperature and salinity first**, and keep the heater off while the level is low.',
      'What is left feeds algae and, at high levels, troubles corals. A few ppm are wanted: an empty tank without any nitrate or phosphate invites dinoflagellates.',
    ],
    does: [
      { label: 'The last steps', open: to.cycleTool('end') },
      { label: 'Several changes down to a goal', open: to.sum('change-series') },
    ],
    also: 'water change after cycle nitrate high before fish',
  },
];

const ANIMALS: readonly GuidePage[] = [
  {
    id: 'first-fish',
    group: 'animals',
    question: 'Which fish first?',
    answer:
      'One small, hardy, peaceful one, or a pair: a clownfish, a firefish, a small goby. The quarrelsome come last.',
    text: [
      'Whoever is there first owns the tank. A damsel or a dottyback that settled alone chases all that follow.',
      'The first load is small because the bacteria are few: they double in days where there is food, but not overnight.',
    ],
    does: [
      { label: 'Can I add this today?', open: to.stockPage('add') },
      { label: 'Look animals up', open: '/catalogue' },
    ],
    also: 'beginner fish hardy clownfish starter stocking order',
  },
  {
    id: 'how-many',
    group: 'animals',
    question: 'How many fish?',
    answer:
      'As many as the filter can carry, the room bears and the company allows: three different questions, and the smallest answer counts.',
    text: [
      'The filter grows with food, at most twice as much in a month by the usual pace. Room is a matter of swimming, not of litres alone: a tang needs length.',
      'Add one group at a time and feed as for it a few days before and after. Test ammonia on the next three days.',
    ],
    does: [
      { label: 'What the filter can carry', open: to.stock },
      { label: 'Wishes, and their days', open: to.stockPage('wishes') },
    ],
    also: 'stocking inch per gallon bioload capacity too many',
  },
  {
    id: 'snails',
    group: 'animals',
    question: 'When do snails and hermits come?',
    answer:
      'Once nitrite is gone and there is something to graze: a green or brown haze on the glass. Earlier they starve.',
    text: [
      'Begin with a few. A clean-up crew bought for a bloom dies when it is eaten, and rots. Snails take salinity harder than fish: drip them slowly.',
      'They carry parasites of fish only as water does: rinsed, and best kept apart for weeks where fish are to be safe.',
    ],
    does: [
      { label: 'How many graze what grows', open: to.stockPage('growth') },
      { label: 'Acclimate from the bag', open: to.acclimate() },
    ],
    also: 'clean-up crew CUC cleanup hermit crabs when add',
  },
  {
    id: 'quarantine',
    group: 'animals',
    question: 'Why quarantine, and with what?',
    answer:
      'Because the parasites that kill marine fish come with fish, and cannot be treated in a tank with rock and corals. A bare tank, a heater, a sponge filter and hides are enough.',
    text: [
      'Four weeks of watching and eating show most of what a fish brings. Any sign begins the days anew for all that share the water.',
      '**Medicines go by their label and, where you can have one, by a veterinarian.** Copper is measured daily with a test made for it, and never meets a binder.',
    ],
    does: [
      { label: 'Is the quarantine tank ready?', open: to.quarantinePage('readiness') },
      { label: 'Ways through quarantine', open: to.quarantinePage('protocols') },
    ],
    also: 'QT hospital tank ich velvet parasites new fish observation',
  },
  {
    id: 'bag',
    group: 'animals',
    question: 'How do I bring a bag home?',
    answer:
      'Float it for the temperature, measure its salinity, and let the difference decide: fish go quickly or drip for half an hour, snails and shrimps drip longer.',
    text: [
      'A bag that was closed for hours holds ammonium that turns to free ammonia **as soon as it is opened** and pH rises. A long journey therefore means a short acclimation in matched water, not a long drip.',
      'Nothing of the bag’s water goes into the tank.',
    ],
    does: [{ label: 'Measure the bag, get the way in', open: to.acclimate() }],
    also: 'drip acclimation float bag transport shop temperature',
  },
  {
    id: 'not-eating',
    group: 'animals',
    question: 'It will not eat. What now?',
    answer:
      'A day or two is normal. Offer small amounts of frozen food twice a day, dim the light, give it a hide, and test the water.',
    text: [
      'Look at who chases it: a fish that is bullied does not eat. Look at its breathing: fast gills are a matter of water or parasites, not of taste.',
      'What is left after ten minutes comes out. After three days without food, thin or breathing fast, it is a case for quarantine and for someone who treats fish.',
    ],
    does: [
      { label: 'Signs of disease', open: to.quarantinePage('outbreak') },
      { label: 'Log a test', open: to.log('test') },
    ],
    also: 'not eating hunger strike starving refuses food new fish',
  },
  {
    id: 'white-spots',
    group: 'animals',
    question: 'White spots: what is it?',
    answer:
      'Most often marine ich (single grains like salt) or velvet (a fine dust, fast breathing). Velvet kills within days: act the same day.',
    text: [
      '**All fish leave the display for treatment elsewhere**, and the display stays without fish until the parasite has starved. Nothing that helps against either is safe with corals, shrimps and snails, whatever a bottle says. Medicines go by their labels alone; ask a veterinarian who treats fish where there is one.',
      'Sand that sticks and scratches that heal are neither: look again after an hour, with a lamp from the side.',
    ],
    does: [
      { label: 'Signs, and what to do', open: to.quarantinePage('outbreak') },
      { label: 'Medicines by their labels', open: to.quarantinePage('medicines') },
    ],
    also: 'white spots ich ick velvet dots salt grains disease sick parasites fallow',
  },
  {
    id: 'missing',
    group: 'animals',
    question: 'Hiding, or gone?',
    answer:
      'Look under the stand and behind the tank first, then into the overflow. Then test ammonia: a body in the rock shows within a day.',
    text: [
      'Wrasses sleep in sand and may stay there for days after a journey. Gobies and shrimps that moult hide for a week.',
      'Do not take the rock apart for it. If ammonia is zero for three days, either it lives or it was eaten.',
    ],
    does: [
      { label: 'A fish on the floor', open: to.run('fishOnFloor') },
      { label: 'Log a test', open: to.log('test') },
    ],
    also: 'missing fish disappeared jumped cannot find dead',
  },
  {
    id: 'corals',
    group: 'animals',
    question: 'When do corals come, and where do they go?',
    answer:
      'Soft corals after the tank has held still for some weeks, stony ones after months. Low and in the shade first, higher week by week.',
    text: [
      'They need stable salinity, alkalinity and temperature more than any special figure, and a little nitrate and phosphate.',
      'At night many sting further than they look: leave room. New ones are dipped by the label and looked over for eggs and crabs, with gloves; **never cut zoanthids without gloves and eye protection.**',
    ],
    does: [
      { label: 'Place corals', open: to.stockPage('corals') },
      { label: 'How steady the water is', open: to.water },
    ],
    also: 'coral placement light PAR first coral zoanthids softies LPS SPS sting',
  },
  {
    id: 'anemone',
    group: 'animals',
    question: 'When may an anemone come?',
    answer:
      'Not before the tank has run steadily for half a year, and only with every pump guarded.',
    text: [
      'Anemones walk until they like the place. One that is drawn into a pump can poison the whole tank within hours.',
      'A clownfish does not need one. Corals within its way are stung.',
    ],
    does: [
      { label: 'An anemone in a pump', open: to.run('anemoneInPump') },
      { label: 'Look animals up', open: '/catalogue' },
    ],
    also: 'anemone bubble tip clownfish host nem',
  },
];

const RUNNING: readonly GuidePage[] = [
  {
    id: 'how-often',
    group: 'running',
    question: 'How often do I change water?',
    answer:
      'A tenth each week or a fifth every two is a habit that works. Your nitrate and alkalinity say whether it is enough.',
    text: [
      'A change takes out a share of what has gathered and brings back what was used. It cannot undo a large surplus: 10 % takes 40 ppm of nitrate to 36.',
      'Regular is better than large. What it trades is salt, time and the swing of each change.',
    ],
    does: [
      { label: 'A change, step by step', open: to.run('waterChange') },
      { label: 'What a change does', open: to.sum('water-change') },
    ],
    also: 'WC water change schedule weekly percent how much',
  },
  {
    id: 'growths',
    group: 'running',
    question: 'Brown or green stuff grows. What is it?',
    answer:
      'In the first months mostly diatoms, then green film, then hair algae: each has its time, and patience is the usual cure.',
    text: [
      'Tell it by how it looks, comes off and behaves through the day. **Slime that is gone in the morning and back by afternoon** is another thing than dust that wipes off, and what starves one feeds the other.',
      'Less light, less food left over, more grazing, and no killer from a bottle before the name is sure.',
    ],
    does: [
      { label: 'Name it by a few looks', open: to.stockPage('growth') },
      { label: 'Log what you see', open: to.log('sighting') },
    ],
    also: 'algae diatoms cyano red slime dinos brown green hair ugly phase bubbles strings',
  },
  {
    id: 'salinity-fell',
    group: 'running',
    question: 'Why did salinity fall?',
    answer:
      'Salt water left and fresh water came: a top-off that stuck, skimming wet, a leak, salt creep, or changes mixed too weak.',
    text: [
      'Measure again with another instrument or a standard before you correct anything: half of all sudden changes are the meter.',
      'Raise it slowly, by topping off with salt water over days. **Fish bear a slow fall better than a quick rise**; shrimps and snails bear neither.',
    ],
    does: [
      { label: 'Salinity went off', open: to.run('salinitySwing') },
      { label: 'Raise the salinity', open: to.sum('salinity-raise') },
    ],
    also: 'salinity dropped low SG ATO top-off stuck',
  },
  {
    id: 'alkalinity-fell',
    group: 'running',
    question: 'Why did alkalinity fall?',
    answer:
      'Something builds with it: corals, coralline algae, or bacteria that turn ammonia into nitrate. That is use, not a fault.',
    text: [
      'Two tests some days apart, with the same kit at the same hour, say how much is used a day. Dose that, not the gap, and **no more than about 1.4 dKH a day**.',
      'Check salinity first: water that is thinner has less of everything.',
    ],
    does: [
      { label: 'What the tank uses', open: to.sum('consumption') },
      { label: 'Raise alkalinity', open: to.sum('alkalinity') },
    ],
    also: 'alk KH dKH dropping low dosing consumption',
  },
  {
    id: 'ph-low',
    group: 'running',
    question: 'pH is low. Should I raise it?',
    answer:
      'Seldom with a bottle. Low pH is mostly carbon dioxide from the room: open a window, and look again in an hour.',
    text: [
      'pH is lowest before the lamps go on and highest as they go out: a swing of 0.3 is normal. Compare at the same hour.',
      'An **aired glass** tells: if the pH of a glass of tank water rises after an hour of bubbles outdoors, the room’s air is the reason. If alkalinity is low, raise that.',
    ],
    does: [
      { label: 'The history of pH', open: to.parameter('ph') },
      { label: 'Calibrate a meter', open: to.run('calibrate') },
    ],
    also: 'pH low 7.8 buffer CO2 carbon dioxide window',
  },
  {
    id: 'away',
    group: 'running',
    question: 'How do I go away?',
    answer:
      'Change nothing in the last week, set the top-off, leave portions of food in a box by the day, and one page of instructions.',
    text: [
      'A healthy tank without corals that are fed does a week on little food. More tanks are lost to a kind neighbour with a full jar than to hunger.',
      'Whoever comes by looks at three things: are all pumps running, is the thermometer right, is every fish there. And has your number.',
    ],
    does: [{ label: 'Plan days away', open: to.away }],
    also: 'holiday vacation travel sitter feeding neighbour',
  },
  {
    id: 'power-cut',
    group: 'running',
    question: 'The power is out. What first?',
    answer: 'Air. Oxygen runs short in hours, long before the cold matters.',
    text: [
      'A battery air pump in the display; else lift water out with a jug and pour it back, a few minutes in every quarter of an hour. Do not feed. A blanket keeps the heat.',
      'When power returns: the heater only once it is under water, and a filter that stood closed for hours is rinsed before its water goes back.',
    ],
    does: [{ label: 'A power cut, step by step', open: to.run('powerCut') }],
    also: 'power outage blackout electricity battery no flow',
  },
];

/** Every page, in the order in which a tank needs them. */
export const GUIDE_PAGES: readonly GuidePage[] = [...START, ...CYCLE, ...ANIMALS, ...RUNNING];
