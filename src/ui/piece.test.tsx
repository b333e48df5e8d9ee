import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Text } from 'react-native';
import { besideOf, partOf, piece, roomFor } from './piece';

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

test('a piece is fetched once, however many ask, and anew a while after it could not be had', async () => {
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
  await expect(one.fetch()).rejects.toThrow('no network');
  expect([asked, one.here(), one.tries()]).toEqual([1, undefined, 1]);
  now = 2000;
  expect(await one.fetch()).toBe(said);
  expect([asked, one.here(), one.tries()]).toEqual([2, said, 2]);
});

test('a part that waited is drawn once its piece comes, and keeps what was typed in it', async () => {
  function Counter() {
    const [count, setCount] = useState(0);
    return <button onClick={() => setCount(count + 1)}>{`count ${count}`}</button>;
  }
  let come = () => undefined as void;
  const one = piece(
    () =>
      new Promise<{ Counter: typeof Counter }>((resolve) => (come = () => resolve({ Counter }))),
  );
  const Roomed = roomFor(one, 'Counter', 40);
  const { container, rerender } = render(<Roomed />);
  expect(container.querySelector('[aria-busy]')).not.toBeNull();
  come();
  fireEvent.click(await screen.findByText('count 0'));
  rerender(<Roomed />);
  expect(screen.getByText('count 1')).toBeTruthy();
});

test('what stands beside a screen is left out where it could not be had, and the screen stays', async () => {
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const lost = piece(async (): Promise<typeof said> => {
    throw new Error('no network');
  });
  const Lost = besideOf(lost, 'Said');
  const Said = besideOf(
    piece(async () => said),
    'Said',
  );
  render(
    <>
      <Text>the screen</Text>
      <Lost words="lost" />
      <Said words="beside" />
    </>,
  );
  expect(await screen.findByText('beside')).toBeTruthy();
  await expect(lost.fetch()).rejects.toThrow('no network');
  expect(screen.getByText('the screen')).toBeTruthy();
  expect(screen.queryByText('lost')).toBeNull();
  quiet.mockRestore();
});
