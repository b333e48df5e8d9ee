import { air, emergency, testStep } from './shared';

/** An anemone that was drawn into a pump: it dies and poisons the water within hours. */
export const anemoneInPump = emergency(
  'An anemone in a pump',
  {
    order: 9,
    sign: 'Shreds in the water, an anemone at a pump or an overflow',
    also: 'anemone shredded powerhead cloudy all dead',
  },
  [
    {
      id: 'plug',
      kind: 'check',
      span: 'now',
      title: 'The pump off, then the hand',
      text: 'Unplug it before anything else. Gloves and eye protection: it stings, torn or whole.',
      caution: 'unplugFirst',
    },
    air,
    {
      id: 'out',
      kind: 'check',
      span: 'now',
      title: 'Free it, take the shreds out',
      text: 'The pump is taken out with it and opened in a bucket of tank water, nothing pulled. Every shred is netted: each of them rots, and stings.',
      caution: 'venom',
    },
    {
      id: 'keep',
      kind: 'check',
      span: 'hour',
      title: 'Whole, or lost',
      text: 'With foot and mouth whole it may heal in a box with gentle flow. Torn through, or smelling, it comes out of the tank for good.',
    },
    {
      id: 'change',
      kind: 'check',
      span: 'hour',
      title: 'Carbon and a change',
      text: (_run, tank) =>
        `Fresh carbon in good flow, the skimmer on, and ${tank ? `**${Math.round(tank.netLitres / 3)} L** to **${Math.round(tank.netLitres / 2)} L**` : 'a third to half of the water'} changed, matched in temperature and salinity.`,
    },
    testStep(
      'test',
      'Test ammonia and pH',
      'Now, in some hours and tomorrow: what was torn rots on.',
    ),
    {
      id: 'guard',
      kind: 'check',
      span: 'day',
      title: 'Guards on every pump',
      text: 'Mesh or foam on every inlet and the overflow, cleaned often. An anemone that walks looks for light or flow: give it a rock of its own.',
      opens: { form: 'observation', label: 'Log what happened' },
    },
  ],
);
