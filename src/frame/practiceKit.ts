import { createContext, createElement, useContext, type ComponentType } from 'react';
import type { Kit } from '@/core/records/schema/kit';

interface PracticeKitProps {
  kitId: string;
  kit: Kit;
  /** One part of tank water in so many. */
  dilution: number;
  /** ms of its wait that are left; null where none was begun. */
  left: number | null;
}

/**
 * What a test shows where the tank is a made-up one: stands in the row of each kit. Null where water is tested
 * that is not on the screen.
 */
export const PracticeKit = createContext<ComponentType<PracticeKitProps> | null>(null);

/** What a kit shows of a made-up tank; nothing of a real one. */
export function PracticeShows(props: PracticeKitProps) {
  const shows = useContext(PracticeKit);
  return shows ? createElement(shows, props) : null;
}
