import { fireEvent, render, screen } from '@testing-library/react';
import fc from 'fast-check';
import { CardSteps, stepRows } from './CardSteps';
import { NumberPad, withKey } from './NumberPad';

describe('card steps', () => {
  const steps = [0, 0.25, 0.5, 1];

  it('choose a step, a place between two, and nothing again', () => {
    const onChange = jest.fn();
    const { rerender } = render(
      <CardSteps name="Ammonia" steps={steps} chosen={null} onChange={onChange} />,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Ammonia 0.5' }));
    expect(onChange).toHaveBeenLastCalledWith({ low: 2, high: 2 });
    fireEvent.click(screen.getByRole('button', { name: 'Ammonia between 0.25 and 0.5' }));
    expect(onChange).toHaveBeenLastCalledWith({ low: 1, high: 2 });
    rerender(
      <CardSteps name="Ammonia" steps={steps} chosen={{ low: 2, high: 2 }} onChange={onChange} />,
    );
    const chosen = screen.getByRole('button', { name: 'Ammonia 0.5' });
    expect(chosen.getAttribute('aria-pressed')).toBe('true');
    fireEvent.click(chosen);
    expect(onChange).toHaveBeenLastCalledWith(null);
  });

  it('break into even rows that hold every step once', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 16 }),
        fc.integer({ min: 200, max: 900 }),
        (n, width) => {
          const rows = stepRows(n, width);
          expect(rows.flat()).toEqual(Array.from({ length: n }, (_, i) => i));
          for (const row of rows) expect(width / row.length).toBeGreaterThanOrEqual(44);
        },
      ),
    );
  });
});

describe('the pad', () => {
  it('never makes two points, and deletes', () => {
    expect(['8', '.', '0', '.', '5'].reduce(withKey, '')).toBe('8.05');
    expect(withKey('8.05', '⌫')).toBe('8.0');
    expect(withKey('', '.')).toBe('0.');
    expect(withKey('12345678', '9')).toBe('12345678');
  });

  it('hands on its keys', () => {
    const onKey = jest.fn();
    const onNext = jest.fn();
    render(<NumberPad label="pH" onKey={onKey} onNext={onNext} nextLabel="Done" />);
    fireEvent.click(screen.getByRole('button', { name: '8' }));
    fireEvent.click(screen.getByRole('button', { name: 'Point' }));
    fireEvent.click(screen.getByRole('button', { name: 'Done' }));
    expect(onKey.mock.calls.flat()).toEqual(['8', '.']);
    expect(onNext).toHaveBeenCalledTimes(1);
  });
});
