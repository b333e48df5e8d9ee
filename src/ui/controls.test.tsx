import { fireEvent, render, screen } from '@testing-library/react';
import { Choice, Tick } from './Choice';
import { Field } from './Field';
import { runsOf } from './parts';
import { Remark } from './Remark';
import { Sheet } from './Sheet';
import { Words } from './Words';

describe('controls', () => {
  it('a field says what is wrong, to eyes and to readers', () => {
    render(<Field label="Length" value="x" onChange={jest.fn()} error="Not a number." hint="cm" />);
    const input = screen.getByLabelText('Length');
    expect(input.getAttribute('aria-invalid')).toBe('true');
    const note = document.getElementById(input.getAttribute('aria-describedby') ?? '');
    expect(note?.textContent).toBe('Not a number.');
    expect(screen.queryByText('cm')).toBeNull();
  });

  it('a choice is a group of radios, one of them checked', () => {
    const onChange = jest.fn();
    render(
      <Choice
        label="Theme"
        value="day"
        onChange={onChange}
        options={[
          { value: 'day', label: 'Day' },
          { value: 'night', label: 'Night' },
        ]}
      />,
    );
    expect(screen.getByRole('radio', { name: 'Day' }).getAttribute('aria-checked')).toBe('true');
    fireEvent.click(screen.getByRole('radio', { name: 'Night' }));
    expect(onChange).toHaveBeenCalledWith('night');
  });

  it('Escape closes the sheet on top at the press of the key, and no other', () => {
    const below = jest.fn();
    const above = jest.fn();
    const sheets = (aboveOpen: boolean) => (
      <>
        <Sheet title="Below" open onClose={below}>
          {null}
        </Sheet>
        <Sheet title="Above" open={aboveOpen} onClose={above}>
          {null}
        </Sheet>
      </>
    );
    const { rerender } = render(sheets(true));
    fireEvent.keyDown(document, { key: 'Escape', code: 'Escape' });
    expect([above.mock.calls.length, below.mock.calls.length]).toEqual([1, 0]);
    rerender(sheets(false));
    fireEvent.keyUp(document, { key: 'Escape', code: 'Escape' });
    expect(below).not.toHaveBeenCalled();
    fireEvent.keyDown(document, { key: 'Escape', code: 'Escape' });
    expect(below).toHaveBeenCalledTimes(1);
  });

  it('Escape closes a sheet from within a field of it as well', () => {
    const onClose = jest.fn();
    render(
      <Sheet title="One" open onClose={onClose}>
        <Field label="Day" value="" onChange={() => undefined} />
      </Sheet>,
    );
    fireEvent.keyDown(screen.getByLabelText('Day'), { key: 'Escape', code: 'Escape' });
    expect(onClose).toHaveBeenCalledTimes(1);
  });

  it('a tick turns over', () => {
    const onChange = jest.fn();
    render(<Tick label="Lid" value={false} onChange={onChange} />);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Lid' }));
    expect(onChange).toHaveBeenCalledWith(true);
  });

  it('a remark carries its weight in a word, not by colour alone', () => {
    render(<Remark tone="danger">Too much.</Remark>);
    expect(screen.getByText('Danger')).toBeTruthy();
  });

  it('titles are headings, and strong parts are set apart', () => {
    render(<Words as="title">{'Reads **1 ppm** now'}</Words>);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Reads 1 ppm now');
  });
});

it('runs of rows keep their order', () => {
  expect(runsOf([1, 2, 4, 3, 6], (n) => n % 2 === 0)).toEqual([[1], [2, 4], [3], [6]]);
});
