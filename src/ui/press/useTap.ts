import { useCallback, useLayoutEffect, useRef } from 'react';
import { refuses, watch, type PressEvent } from './guard';

/**
 * Guards a target; `act` says what a tap does where its name does not.
 * @returns the ref of the node that is tapped, and whether a press is none of its own
 */
export function useTap(
  act?: string,
): [ref: (node: unknown) => void, refused: (event: PressEvent) => boolean] {
  const nodeRef = useRef<HTMLElement | null>(null);
  useLayoutEffect(() => (nodeRef.current ? watch(nodeRef.current, act) : undefined), [act]);
  const ref = useCallback((node: unknown) => {
    nodeRef.current = node as HTMLElement | null;
  }, []);
  const refused = useCallback((event: PressEvent) => refuses(nodeRef.current, event), []);
  return [ref, refused];
}
