import { useEffect, useRef, useState, type RefObject } from 'react';
import type { View } from 'react-native';
import { COURSE_INSET, pan, within, zoom, type Span } from './layout';

/**
 * The part of a course in view: dragged or pinched by fingers, wheeled by a mouse, moved by keys
 * (arrows, plus and minus, 0 for all of it).
 */
export function useViewport(whole: Span, width: number): [Span, RefObject<View | null>] {
  const ref = useRef<View | null>(null);
  const [chosen, setChosen] = useState<Span | null>(null);
  const latest = useRef({ whole, width, span: whole });
  const span = chosen ? within(chosen, whole) : whole;
  useEffect(() => {
    latest.current = { whole, width, span };
  });

  useEffect(() => {
    // On the web a View is its element, and only the element hears wheels and pointers in full.
    const element = ref.current as unknown as HTMLElement | null;
    if (!element?.addEventListener) return;
    const pointers = new Map<number, number>();
    const change = (next: Span | null) => {
      const { whole: all } = latest.current;
      setChosen(next && next.to - next.from < all.to - all.from ? within(next, all) : null);
    };
    const momentAt = (clientX: number) => {
      const { span: now, width: wide } = latest.current;
      const x = clientX - element.getBoundingClientRect().left - COURSE_INSET;
      return now.from + (x / Math.max(1, wide - 2 * COURSE_INSET)) * (now.to - now.from);
    };
    const onWheel = (event: WheelEvent) => {
      const sideways = Math.abs(event.deltaX) > Math.abs(event.deltaY);
      if (!sideways && !event.ctrlKey && !event.shiftKey) return;
      event.preventDefault();
      const { span: now, width: wide } = latest.current;
      if (sideways || event.shiftKey) {
        change(pan(now, (event.deltaX || event.deltaY) / Math.max(1, wide)));
      } else change(zoom(now, event.deltaY > 0 ? 1.15 : 1 / 1.15, momentAt(event.clientX)));
    };
    const onDown = (event: PointerEvent) => pointers.set(event.pointerId, event.clientX);
    const onMove = (event: PointerEvent) => {
      const before = pointers.get(event.pointerId);
      if (before === undefined) return;
      const { span: now, width: wide } = latest.current;
      const other = [...pointers].find(([id]) => id !== event.pointerId)?.[1];
      if (other === undefined) change(pan(now, (before - event.clientX) / Math.max(1, wide)));
      else {
        const was = Math.max(12, Math.abs(before - other));
        const is = Math.max(12, Math.abs(event.clientX - other));
        change(zoom(now, was / is, momentAt((event.clientX + other) / 2)));
      }
      pointers.set(event.pointerId, event.clientX);
    };
    const onUp = (event: PointerEvent) => pointers.delete(event.pointerId);
    const onKey = (event: KeyboardEvent) => {
      const { span: now } = latest.current;
      const middle = (now.from + now.to) / 2;
      const steps: Record<string, () => Span | null> = {
        ArrowLeft: () => pan(now, -0.2),
        ArrowRight: () => pan(now, 0.2),
        '+': () => zoom(now, 1 / 1.4, middle),
        '=': () => zoom(now, 1 / 1.4, middle),
        '-': () => zoom(now, 1.4, middle),
        '0': () => null,
      };
      const step = steps[event.key];
      if (!step) return;
      event.preventDefault();
      change(step());
    };
    const listeners = [
      ['wheel', onWheel],
      ['pointerdown', onDown],
      ['pointermove', onMove],
      ['pointerup', onUp],
      ['pointercancel', onUp],
      ['pointerleave', onUp],
      ['keydown', onKey],
    ] as const;
    for (const [name, listener] of listeners) {
      element.addEventListener(name, listener as EventListener, { passive: false });
    }
    return () => {
      for (const [name, listener] of listeners) {
        element.removeEventListener(name, listener as EventListener);
      }
    };
  }, []);

  return [span, ref];
}
