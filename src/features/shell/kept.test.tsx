import { act, fireEvent, render, screen } from '@testing-library/react';
import { useEffect, useState } from 'react';
import { Text } from 'react-native';
import { Tap } from '@/ui/press/Tap';
import { kept, KeptPlaces } from './kept';

jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn() }) }));

const listening = new Set<string>();

/** A place with something of its own, that listens while it is in sight. */
function placeOf(name: string) {
  return function Place() {
    const [count, setCount] = useState(0);
    useEffect(() => {
      listening.add(name);
      return () => void listening.delete(name);
    }, []);
    return (
      <Tap onPress={() => setCount(count + 1)}>
        <Text>{`${name} ${count}`}</Text>
      </Tap>
    );
  };
}

const Stock = kept('/stock', placeOf('Stock'));
const Water = kept('/water', placeOf('Water'));
const Broken = kept('/more', () => {
  throw new Error('No such list.');
});

const routes: Record<string, React.ReactNode> = {
  '/stock': <Stock />,
  '/water': <Water />,
  '/more': <Broken />,
  '/calculators': <Text>Sums</Text>,
};

const at = (path: string) => <KeptPlaces path={path}>{routes[path]}</KeptPlaces>;

const inSight = (text: string | RegExp) =>
  screen.getByText(text).closest('[style*="display: none"]') === null;

describe('places that are kept', () => {
  beforeEach(() => listening.clear());

  it('are made at the first visit, and are as they were left at the next', () => {
    const { rerender } = render(at('/stock'));
    fireEvent.click(screen.getByText('Stock 0'));
    expect(screen.queryByText('Water 0')).toBeNull();
    rerender(at('/water'));
    expect(inSight('Water 0')).toBe(true);
    expect(inSight('Stock 1')).toBe(false);
    rerender(at('/calculators'));
    expect(inSight('Sums')).toBe(true);
    expect(inSight('Water 0')).toBe(false);
    rerender(at('/stock'));
    expect(inSight('Stock 1')).toBe(true);
  });

  it('listen to nothing out of sight', async () => {
    const { rerender } = render(at('/stock'));
    rerender(at('/water'));
    await act(async () => undefined);
    expect([...listening]).toEqual(['Water']);
  });

  it('fail alone', () => {
    const silent = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const { rerender } = render(at('/more'));
    expect(inSight(/No such list/)).toBe(true);
    rerender(at('/stock'));
    expect(inSight('Stock 0')).toBe(true);
    silent.mockRestore();
  });
});
