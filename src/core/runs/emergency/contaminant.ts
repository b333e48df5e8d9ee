import { air, emergency, testStep } from './shared';

/** Something poisonous that got in. */
export const contaminant = emergency(
  'Something got in',
  {
    order: 7,
    sign: 'Spray, metal, soap, paint; distress nobody can explain',
    also: 'poison copper spray snails died corals closed soap perfume metal',
  },
  [
    air,
    {
      id: 'source',
      kind: 'check',
      span: 'now',
      title: 'Stop the source',
      text: 'Spray, air freshener, paint, soap on hands, a coin, a rusting clamp or magnet, a cracked heater, copper from a pipe. Out with it; gloves, and the plug first.',
      caution: 'electricity',
    },
    {
      id: 'change',
      kind: 'check',
      span: 'now',
      title: 'A large change',
      text: (_run, tank) =>
        tank
          ? `Half of it, **${Math.round(tank.netLitres / 2)} L**, matched in temperature and salinity; two of them leave a quarter of what got in, three an eighth. With less at hand, what there is.`
          : 'Half of it, matched in temperature and salinity; two of them leave a quarter of what got in.',
    },
    {
      id: 'carbon',
      kind: 'check',
      span: 'hour',
      title: 'Fresh carbon',
      text: 'Rinsed, in good flow, renewed after a day. It takes up many organic poisons; for metals there are resins of their own, by their label.',
    },
    {
      id: 'look',
      kind: 'check',
      span: 'hour',
      title: 'Who shows it',
      text: 'Shrimps and snails first suggests metal. Corals closed: many things. Fish gasping: oxygen or ammonia. Log what you see, and when it began.',
      opens: { form: 'observation', label: 'Log what you see' },
    },
    testStep(
      'test',
      'Test what you can',
      'Ammonia, pH, salinity, temperature: the usual causes look alike.',
    ),
    {
      id: 'move',
      kind: 'check',
      span: 'day',
      title: 'If it goes on',
      text: 'Animals into other water, matched; a sample kept in a clean bottle for a laboratory. A veterinarian for what suffers. Nothing is poured into the wild.',
      caution: 'deadAnimal',
    },
  ],
);
