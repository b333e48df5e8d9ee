import { render, screen } from '@testing-library/react';
import { Text } from 'react-native';
import { partOf, piece, roomFor } from './piece';

const said = { Said: ({ words }: { words: string }) => <Text>{words}</Text> };

test('a part of a piece that is here draws at once, with no fallback between', async () => {
  let fallbacks = 0;
  const one = piece(async () => said);
  await one.fetch();
  const Said = roomFor(one, 'Said', () => {
    fallbacks += 1;
    return 10;
  });
  await render(<Said words="here" />);
  expect(screen.getByText('here')).toBeTruthy();
  const Bare = partOf(one, 'Said');
  // Outside of any Suspense: it would throw if it waited.
  await render(<Bare words="bare" />);
  expect(screen.getByText('bare')).toBeTruthy();
  expect(fallbacks).toBe(1);
});

test('a piece is fetched once, however many ask, and anew once it could not be had', async () => {
  let asked = 0;
  let now = 0;
  const one = piece(
    async () => {
      asked += 1;
      if (asked === 1) throw new Error('no network');
      return said;
    },
    () => now,
  );
  await expect(Promise.all([one.fetch(), one.fetch()])).rejects.toThrow('no network');
  expect(asked).toBe(1);
  expect(() => one.useHere()).toThrow('no network');
  expect(asked).toBe(1);
  now = 2000;
  expect(await one.fetch()).toBe(said);
  expect(one.useHere()).toBe(said);
  expect(asked).toBe(2);
});
