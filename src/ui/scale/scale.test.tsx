import { fireEvent, render, screen } from '@testing-library/react';
import { onScale, ReadingScale } from './ReadingScale';

const PPT = { low: 20, high: 45, step: 0.5 };

describe('the scale of an instrument read by eye', () => {
  it('keeps to its steps and its ends', () => {
    expect(onScale(34.6, PPT)).toBe(34.5);
    expect(onScale(99, PPT)).toBe(45);
    expect(onScale(-3, PPT)).toBe(20);
    expect(onScale(1.02631, { low: 1.014, high: 1.034, step: 0.0005 })).toBe(1.0265);
  });

  it('is moved by keys and by its buttons, and says where it stands', () => {
    const onChange = jest.fn();
    render(<ReadingScale name="Scale" unit="ppt" {...PPT} value={35} onChange={onChange} />);
    const slider = screen.getByRole('slider', { name: 'Scale' });
    expect(slider.getAttribute('aria-valuetext')).toBe('35.0 ppt');
    fireEvent.keyDown(slider, { key: 'ArrowUp' });
    fireEvent.keyDown(slider, { key: 'PageDown' });
    fireEvent.keyDown(slider, { key: 'a' });
    fireEvent.click(screen.getByRole('button', { name: 'A step down' }));
    expect(onChange.mock.calls).toEqual([[35.5], [30], [34.5]]);
  });
});
