import { to } from '@/frame/addresses';
import type { GuidePage } from './page';

/** What is asked before there is water. */
export const START: readonly GuidePage[] = [
  {
    id: 'first',
    group: 'start',
    answer:
      'A place that bears the weight, a tank with a lid, a heater, a pump, purified water, salt, and tests for ammonia, nitrite, salinity and temperature.',
    text: [
      'Before the first fish: **a heater that was checked against a thermometer, a lid, and a way to measure salinity that was checked against a standard.** Lamps for corals, a skimmer and dosing pumps can wait until something needs them.',
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
      { label: 'Practise it on a made-up tank', open: to.practiceOf('chloramine') },
    ],
    also: 'tap water RO/DI RODI chlorine chloramine TDS conditioner',
  },
  {
    id: 'salinity',
    group: 'start',
    answer:
      '35 ppt, which is a specific gravity of 1.0264 at 25 °C and a conductivity of 53 mS/cm. What matters most is that it stays there.',
    text: [
      'Meters speak three languages for one thing. Each is right at the temperature it was made for, and **each drifts: check it against a standard of salt water, not against fresh water.** A refractometer that was set to zero with fresh water can read 35 in water of 32.',
      'A swing arm collects bubbles and salt; it is good for telling a change, not a level.',
    ],
    does: [
      { label: 'What an instrument reads', open: to.sum('salinity-read') },
      { label: 'Calibrate a meter', open: to.run('calibrate') },
      { label: 'Practise it on a made-up tank', open: to.practiceOf('meterSet') },
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
