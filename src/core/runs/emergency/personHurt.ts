import { chosen } from '../procedure';
import { emergency } from './shared';

const NUMBERS =
  'The emergency number first: 112 in Europe and from most mobile phones, 911 in North America, 999 in the United Kingdom, 000 in Australia.';

/** A person hurt: the emergency number before the tank. */
export const personHurt = emergency(
  'A person is hurt',
  {
    order: 0,
    sign: 'Sting, bite, shock, poison, fumes',
    also: 'sting cut electric shock palytoxin allergic hurt eye skin',
  },
  [
    {
      id: 'number',
      kind: 'check',
      span: 'now',
      title: 'Call for help',
      text: `${NUMBERS} Call for trouble breathing, fainting, chest pain, burns, confusion, a swelling face, or after any electric shock. When in doubt, call.`,
    },
    {
      id: 'what',
      kind: 'choose',
      span: 'now',
      title: 'What happened',
      text: 'What is first aid differs.',
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
      text: 'Out of the tank, rings off. Water as hot as it can be borne, **at most 45 °C (113 °F)**, tried with the other hand, for 30 to 90 minutes. Spines that stick deep are left to a doctor. No cutting, no sucking.',
      applies: (run) => chosen(run, 'what') === 'sting',
      caution: 'venom',
    },
    {
      id: 'palytoxin',
      kind: 'check',
      span: 'now',
      title: 'Palytoxin: out of the room, then call',
      text: 'Everyone and every animal out, windows open, no heater or fan left blowing over it. Skin and eyes under running water. Say **palytoxin** to the emergency number or the poison centre, even where it is mild: fever, a metal taste, tight chest or weak muscles may come hours later.',
      applies: (run) => chosen(run, 'what') === 'palytoxin',
      caution: 'palytoxin',
    },
    {
      id: 'shock',
      kind: 'check',
      span: 'now',
      title: 'Electricity: the fuse, not the person',
      text: '**Do not touch the person or the water** while the current is on. The fuse or the main switch first, then call, then help. Everyone who had a shock is seen by a doctor, also one who feels well.',
      applies: (run) => chosen(run, 'what') === 'shock',
      caution: 'electricity',
    },
    {
      id: 'fumes',
      kind: 'check',
      span: 'now',
      title: 'Fumes or a splash',
      text: 'Into fresh air, windows open. Skin and eyes under running water for at least 15 minutes. Call the poison centre with the bottle in your hand; what its label says comes first.',
      applies: (run) => chosen(run, 'what') === 'fumes',
    },
    {
      id: 'cut',
      kind: 'check',
      span: 'now',
      title: 'Cut: wash it at once',
      text: 'Running water and soap, press, cover. A cut from a tank that grows red, warm or hard, or a fever after it, is for a doctor the same day: say “fish tank” and sea water. So is a bump on hand or arm that comes weeks later.',
      applies: (run) => chosen(run, 'what') === 'cut',
    },
    {
      id: 'after',
      kind: 'check',
      span: 'hour',
      title: 'Only then the tank',
      text: 'What hurt someone is made safe before a hand goes in again: plug out, gloves and goggles on, the animal known.',
      caution: 'electricity',
    },
  ],
);
