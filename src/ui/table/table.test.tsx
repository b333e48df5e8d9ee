import { fireEvent, render, screen, within } from '@testing-library/react';
import { Text } from 'react-native';
import { LongList } from '../Table';
import { DataTable, type Cell } from './DataTable';

const cells = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => within(row).getAllByRole('cell')[0]?.textContent);
const order = (column: string) =>
  fireEvent.click(screen.getByRole('button', { name: `Order by ${column}` }));

const ROWS: Cell[][] = [
  [{ words: 'Mon 9 Nov', value: 9 }, '10 ppm'],
  [{ words: 'Fri 20 Nov', value: 20 }, '9 ppm'],
  [{ words: 'Sun 1 Nov', value: 1 }, '100 ppm'],
];

describe('a table', () => {
  it('stands in the order it was given until a column orders it, by value and not by letter', () => {
    render(<DataTable caption="Readings" columns={['When', 'Read']} rows={ROWS} />);
    expect(cells()).toEqual(['Mon 9 Nov', 'Fri 20 Nov', 'Sun 1 Nov']);
    order('When');
    const first = cells();
    order('When');
    expect([first, cells()]).toContainEqual(['Sun 1 Nov', 'Mon 9 Nov', 'Fri 20 Nov']);
    expect(cells()).toEqual([...first].reverse());
  });

  it('orders words with numbers in them by the numbers, and says which way', () => {
    render(<DataTable caption="Readings" columns={['When', 'Read']} rows={ROWS} />);
    const head = () => screen.getAllByRole('columnheader')[1];
    expect(head()?.getAttribute('aria-sort')).toBe('none');
    order('Read');
    expect(head()?.getAttribute('aria-sort')).toMatch(/^(ascending|descending)$/);
    const rows = screen.getAllByRole('row').slice(1);
    const read = rows.map((row) => within(row).getAllByRole('cell')[1]?.textContent);
    expect([read, [...read].reverse()]).toContainEqual(['9 ppm', '10 ppm', '100 ppm']);
  });

  it('of thousands draws only what is in sight', () => {
    const many = Array.from({ length: 5_000 }, (_, n): Cell[] => [String(n), 'x']);
    render(<DataTable caption="Many" columns={['N', 'X']} rows={many} />);
    expect(screen.getAllByRole('row').length).toBeLessThan(200);
  });
});

describe('a list', () => {
  it('that is short is drawn whole, as a list', () => {
    render(
      <LongList
        items={['a', 'b', 'c']}
        keyOf={(item) => item}
        rowHeight={40}
        render={(item) => <Text>{item}</Text>}
      />,
    );
    const list = screen.getByRole('list');
    expect(
      within(list)
        .getAllByRole('listitem')
        .map((item) => item.textContent),
    ).toEqual(['a', 'b', 'c']);
  });

  it('that is long keeps its height and draws only what is in sight', async () => {
    const items = Array.from({ length: 3_000 }, (_, n) => `Item ${n}`);
    render(
      <LongList
        items={items}
        keyOf={(item) => item}
        rowHeight={40}
        render={(item) => <Text>{item}</Text>}
      />,
    );
    const list = await screen.findByRole('list');
    expect(list.style.height).toBe('120000px');
    expect(within(list).queryAllByRole('listitem').length).toBeLessThan(100);
  });
});
