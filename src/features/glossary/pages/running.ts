import { to } from '@/frame/addresses';
import type { GuidePage } from './page';

/** What is asked of a tank that runs. */
export const RUNNING: readonly GuidePage[] = [
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
