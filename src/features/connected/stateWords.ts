import type { Live } from '@/store/live';

/** How a connection stands, in a few words. */
export const STATE_WORDS: Readonly<Record<Live['state'], string>> = {
  connecting: 'Being reached',
  live: 'Measures now',
  lost: 'Not reached',
  refused: 'Needs to be paired again',
};
