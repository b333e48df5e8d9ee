import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { instant } from '@/core/time/zone';
import { DayField } from './DayField';
import { MonthGrid } from './MonthGrid';
import { When } from './When';

const TODAY = '2026-11-24';

function Day({ start, onDay }: { start: string; onDay: (day: string) => void }) {
  const [day, setDay] = useState(start);
  const change = (next: string) => {
    setDay(next);
    onDay(next);
  };
  return <DayField label="Filled on" value={day} today={TODAY} onChange={change} />;
}

const field = () => screen.getByLabelText<HTMLInputElement>('Filled on');

describe('a day field', () => {
  it('reads what is typed in the keeper’s own order and says which day it is', () => {
    const onDay = jest.fn();
    render(<Day start="" onDay={onDay} />);
    fireEvent.change(field(), { target: { value: '11/4/26' } });
    expect(onDay).toHaveBeenLastCalledWith('2026-11-04');
    expect(field().value).toBe('11/4/26');
    expect(screen.getByText('Wed 4 Nov 2026')).toBeTruthy();
    fireEvent.change(field(), { target: { value: 'no day' } });
    expect(onDay).toHaveBeenLastCalledWith('no day');
  });

  it('moves by arrows, and is picked from a month', () => {
    const onDay = jest.fn();
    render(<Day start="2026-11-01" onDay={onDay} />);
    fireEvent.keyDown(field(), { key: 'ArrowDown' });
    expect(onDay).toHaveBeenLastCalledWith('2026-10-31');
    fireEvent.click(screen.getByRole('button', { name: 'Filled on: pick from a month' }));
    fireEvent.click(screen.getByRole('button', { name: 'Thu 15 Oct 2026' }));
    expect(onDay).toHaveBeenLastCalledWith('2026-10-15');
  });
});

describe('a month', () => {
  it('moves by keys from day to day, week to week and month to month', () => {
    const onChange = jest.fn();
    render(<MonthGrid label="Day" value={TODAY} today={TODAY} last={TODAY} onChange={onChange} />);
    const day = (name: RegExp) => screen.getByRole('button', { name });
    day(/^Tue 24 Nov/).focus();
    fireEvent.keyDown(day(/^Tue 24 Nov/), { key: 'ArrowLeft', code: 'ArrowLeft' });
    expect(document.activeElement).toBe(day(/^Mon 23 Nov/));
    fireEvent.keyDown(day(/^Mon 23 Nov/), { key: 'ArrowUp', code: 'ArrowUp' });
    expect(document.activeElement).toBe(day(/^Mon 16 Nov/));
    fireEvent.keyDown(day(/^Mon 16 Nov/), { key: 'PageUp', code: 'PageUp' });
    expect(document.activeElement).toBe(day(/^Fri 16 Oct/));
    fireEvent.click(day(/^Fri 16 Oct/));
    expect(onChange).toHaveBeenCalledWith('2026-10-16');
  });

  it('offers no day after the last', () => {
    const onChange = jest.fn();
    render(<MonthGrid label="Day" value={TODAY} today={TODAY} last={TODAY} onChange={onChange} />);
    fireEvent.click(screen.getByRole('button', { name: 'Wed 25 Nov 2026' }));
    expect(onChange).not.toHaveBeenCalled();
  });
});

it('the time of an entry is set by day and clock, and never ahead', () => {
  const now = instant('2026-11-24T12:00:00Z');
  const onChange = jest.fn();
  render(<When at={null} now={now} zone="UTC" onChange={onChange} />);
  fireEvent.click(screen.getByRole('button', { name: /Time of this entry/ }));
  const time = screen.getByLabelText<HTMLInputElement>('Time');
  fireEvent.keyDown(time, { key: 'ArrowDown' });
  expect(time.value).toBe('11:45');
  fireEvent.change(time, { target: { value: '6:40 pm' } });
  expect(screen.getByText(/That lies ahead/)).toBeTruthy();
  fireEvent.click(screen.getByRole('radio', { name: 'Yesterday' }));
  fireEvent.click(screen.getByRole('button', { name: 'Use this time' }));
  expect(onChange).toHaveBeenCalledWith('2026-11-23T18:40:00+00:00');
});
