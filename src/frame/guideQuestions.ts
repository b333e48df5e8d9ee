/** Questions of the Guide that screens lead to, by the page that answers; the others stand with their pages. */
export const QUESTIONS = {
  first: 'What do I need first?',
  size: 'How big should it be?',
  price: 'What does it cost?',
  salinity: 'How salty should it be, and what does my meter mean?',
  'how-long': 'How long does cycling take?',
  'which-ammonia': 'Which ammonia, and how much?',
  bottles: 'Do bottles of bacteria work?',
  'nitrite-stuck': 'Why is nitrite stuck?',
  ready: 'Is it ready, or does it only look so?',
  'always-quarter': 'My kit always shows 0.25. Is that ammonia?',
  'big-change': 'Why a big water change at the end?',
  'first-fish': 'Which fish first?',
  'how-many': 'How many fish?',
  snails: 'When do snails and hermits come?',
  quarantine: 'Why quarantine, and with what?',
  'not-eating': 'It will not eat. What now?',
  corals: 'When do corals come, and where do they go?',
  anemone: 'When may an anemone come?',
  growths: 'Brown or green stuff grows. What is it?',
  'alkalinity-fell': 'Why did alkalinity fall?',
} as const satisfies Record<string, string>;
export type GuideId = keyof typeof QUESTIONS;
