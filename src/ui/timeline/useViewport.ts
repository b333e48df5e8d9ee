import { useCallback, useEffect, useRef, useState } from 'react';
import type { View } from 'react-native';
import { useHotkeys } from 'react-hotkeys-hook';
import { pan, trackScale, within, zoom, type Span } from './layout';

/** What each key makes of the span in view, about its middle; null for all of it. */
const KEYS: Readonly<Record<string, (span: Span, middle: number) => Span | null>> = {
  arrowleft: (span) => pan(span, -0.2),
  arrowright: (span) => pan(span, 0.2),
  '+': (span, middle) => zoom(span, 1 / 1.4, middle),
  '=': (span, middle) => zoom(span, 1 / 1.4, middle),
  '-': (span, middle) => zoom(span, 1.4, middle),
  '0': () => null,
};

/**
 * The part of a course in view: dragged or pinched by fingers, wheeled by a mouse, moved by keys
 * (arrows, plus and minus, 0 for all of it); `opening` until then. Comes with the ref of what is drawn upon.
 */
export function useViewport(
  whole: Span,
  width: number,
  opening: Span,
): [Span, (view: View | null) => void] {
  const [element, setElement] = useState<HTMLElement | null>(null);
  const [chosen, setChosen] = useState<Span | null>(null);
  const span = within(chosen ?? opening, whole);
  const change = (next: Span | null) => setChosen(within(next ?? whole, whole));
  const latest = useRef({ width, span, change });
  useEffect(() => {
    latest.current = { width, span, change };
  });

  useEffect(() => {
    if (!element) return;
    const pointers = new Map<number, number>();
    const momentAt = (clientX: number) => {
      const { span: seen, width: wide } = latest.current;
      return trackScale(seen, wide).invert(clientX - element.getBoundingClientRect().left);
    };
    const onWheel = (event: WheelEvent) => {
      const sideways = Math.abs(event.deltaX) > Math.abs(event.deltaY);
      if (!sideways && !event.ctrlKey && !event.shiftKey) return;
      event.preventDefault();
      const { span: seen, width: wide, change: turn } = latest.current;
      if (sideways || event.shiftKey) {
        turn(pan(seen, (event.deltaX || event.deltaY) / Math.max(1, wide)));
      } else turn(zoom(seen, event.deltaY > 0 ? 1.15 : 1 / 1.15, momentAt(event.clientX)));
    };
    const onDown = (event: PointerEvent) => pointers.set(event.pointerId, event.clientX);
    const onMove = (event: PointerEvent) => {
      const before = pointers.get(event.pointerId);
      if (before === undefined) return;
      const { span: seen, width: wide, change: turn } = latest.current;
      const other = [...pointers].find(([id]) => id !== event.pointerId)?.[1];
      if (other === undefined) turn(pan(seen, (before - event.clientX) / Math.max(1, wide)));
      else {
        const was = Math.max(12, Math.abs(before - other));
        const is = Math.max(12, Math.abs(event.clientX - other));
        turn(zoom(seen, was / is, momentAt((event.clientX + other) / 2)));
      }
      pointers.set(event.pointerId, event.clientX);
    };
    const onUp = (event: PointerEvent) => pointers.delete(event.pointerId);
    const listeners = [
      ['wheel', onWheel],
      ['pointerdown', onDown],
      ['pointermove', onMove],
      ['pointerup', onUp],
      ['pointercancel', onUp],
      ['pointerleave', onUp],
    ] as const;
    for (const [name, listener] of listeners) {
      element.addEventListener(name, listener as EventListener, { passive: false });
    }
    return () => {
      for (const [name, listener] of listeners) {
        element.removeEventListener(name, listener as EventListener);
      }
    };
  }, [element]);

  const keys = useHotkeys<HTMLElement>(
    Object.keys(KEYS),
    ({ key }) => {
      const step = KEYS[key.toLowerCase()];
      if (step) change(step(span, (span.from + span.to) / 2));
    },
    { useKey: true, ignoreModifiers: true, splitKey: '&', preventDefault: true },
  );
  const ref = useCallback(
    (view: View | null) => {
      // On the web a View is its element, and only the element hears wheels and pointers in full.
      const found = view as unknown as HTMLElement | null;
      setElement(found);
      keys(found);
    },
    [keys],
  );
  return [span, ref];
}
