import type { ComponentProps } from 'react';
import { piece, roomFor } from '@/ui/piece';

/** Its room until it is here, px: three lines under a title, on a phone. */
const ROOM = 116;
const Remark = roomFor(
  piece(() => import('./FishInRemark')),
  'FishInRemark',
  ROOM,
);

/** The daily watch of a tank that has fish in before its cycle is done: few have, so that few fetch it. */
export function FishInWatch(props: ComponentProps<typeof Remark>) {
  const { fishSince, runningSince } = props.history.standing;
  return fishSince === null || runningSince !== null ? null : <Remark {...props} />;
}
