import { to } from '@/frame/addresses';
import type { GuidePage } from './page';

/** What is asked while a tank cycles. */
export const CYCLE: readonly GuidePage[] = [
  {
    id: 'how-long',
    group: 'cycle',
    answer:
      'Three to six weeks with dry rock, one to three with a good bottle of bacteria or live rock. Your own readings say more than any calendar.',
    text: [
      'Two kinds of bacteria have to grow: those that turn ammonia into nitrite, then those that turn nitrite into nitrate. The second kind is slower, and begins late.',
      'Temperature (25 to 28 °C), pH 8, alkalinity above 7 dKH and flow help. **No number of days makes a tank ready; tests do.**',
    ],
    does: [
      { label: 'Where your cycle stands', open: to.cycle },
      { label: 'Compare ways of cycling', open: to.cycleTool('method') },
      { label: 'Practise it on a made-up tank', open: to.practiceOf('dryRock') },
    ],
    also: 'weeks days cycled time new tank syndrome',
  },
  {
    id: 'which-ammonia',
    group: 'cycle',
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
    answer:
      'Often, if they were kept cool and are in date: the cycle then takes days instead of weeks. Some do nothing at all.',
    text: [
      'A bottle that stood in the sun or froze is dead, and nothing on it says so. The forecast weighs both: after two weeks in which nothing fell it names a dead bottle as a likely reason.',
      'What it trades: money for time. "Fish today" on a label means that a **tested** tank clears ammonia, not that yours does.',
    ],
    does: [
      { label: 'A bottle’s programme, day by day', open: to.cycleTool('programme') },
      { label: 'Log a bottle', open: to.log('bacteria') },
      { label: 'Practise it on a made-up tank', open: to.practiceOf('bottleInSun') },
    ],
    also: 'bottled bacteria starter instant cycle fish today',
  },
  {
    id: 'nitrite-stuck',
    group: 'cycle',
    answer:
      'Mostly it is not: it stands high for a week or two while the slower bacteria grow, then falls within days.',
    text: [
      'Look at three things before doing anything: **alkalinity** (below 7 dKH they slow down), **the scale of the card** (at its last step a fall from 10 to 6 looks like nothing), and **what still rots**.',
      'Changing water is allowed and seldom needed: nitrite harms marine fish little, and there should be none in yet.',
    ],
    does: [
      { label: 'What holds it back', open: to.cycle },
      { label: 'Raise alkalinity', open: to.sum('alkalinity') },
      { label: 'Practise it on a made-up tank', open: to.practiceOf('nothingWrong') },
    ],
    also: 'stalled stuck plateau nitrite high weeks purple',
  },
  {
    id: 'ready',
    group: 'cycle',
    answer:
      'It is ready when ammonia and nitrite both read zero a day after a dose as big as your first fish, by kits that were seen to read something else.',
    text: [
      'Zeros alone prove little: a tank that was never fed reads zero, and so does a kit that died. A **rise and a fall** show bacteria; a dose that is gone in a day shows enough of them.',
      'People judge by different rules, from "both zero" to a challenge of 2 ppm. Each trades days for certainty. You choose one for the tank, and the verdict says line by line what is missing.',
    ],
    does: [
      { label: 'The verdict', open: to.cycle },
      { label: 'A challenge dose', open: to.cycleTool('challenge') },
      { label: 'Practise it on a made-up tank', open: to.practiceOf('fishToday') },
    ],
    also: 'cycled ready for fish zero done finished safe',
  },
  {
    id: 'always-quarter',
    group: 'cycle',
    answer:
      'Perhaps not. Many cards show a first tint at true zero, under some lamps more than others.',
    text: [
      'Read the vial by daylight beside one filled with **new salt water**: if both look alike, that is your kit’s zero. Do it once and the forecast knows.',
      'A kit that is past its date, or a bottle of reagent that was not shaken, errs the other way: it shows nothing where something is.',
    ],
    does: [
      { label: 'Your kits and their dates', open: to.instruments },
      { label: 'Log a test', open: to.log('test') },
      { label: 'Practise it on a made-up tank', open: to.practiceOf('spentKit') },
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
