import { air, emergency, testStep } from './shared';

/** A room too hot for the tank. */
export const hotRoom = emergency(
  'A hot room',
  {
    order: 6,
    sign: 'Heat wave; water climbs over 28 °C (82 °F)',
    also: 'heat wave summer overheating fan 30 degrees',
  },
  [
    air,
    {
      id: 'light',
      kind: 'check',
      span: 'now',
      title: 'Lights off, lid open',
      text: 'Lamps heat; a lid keeps it in. A mesh stays, fish jump.',
    },
    {
      id: 'fan',
      kind: 'check',
      span: 'hour',
      title: 'A fan over the surface',
      text: 'It cools by evaporation, usually some 2 to 4 °C (4 to 7 °F), less where the air is damp. It is fixed so that it cannot fall in.',
      caution: 'electricity',
    },
    {
      id: 'topOff',
      kind: 'check',
      span: 'hour',
      title: 'More top-off',
      text: 'A fan can double what evaporates: look at the reservoir twice a day, and test salinity each day.',
    },
    {
      id: 'ice',
      kind: 'check',
      span: 'hour',
      title: 'Bottles of ice, if it climbs on',
      text: 'Closed, one at a time, in the sump: no faster than 1 °C (2 °F) an hour. Feed little and in the evening.',
    },
    {
      ...testStep('day', 'Morning and evening', 'Temperature and salinity, and who breathes fast.'),
      span: 'day',
    },
    {
      id: 'chiller',
      kind: 'check',
      span: 'day',
      title: 'For the next summer',
      text: 'Shade, a fan on a controller, or a chiller, whose waste heat goes out of the room. Its wiring is for a licensed trade.',
    },
  ],
);
