import { LEVEL_TOP_CM, LEVEL_HEIGHTS_CM, type Placed } from '@/core/corals/placing';
import { LEVELS, LEVEL_WORDS } from '@/core/records/schema/position';
import type { Reef } from '@/core/records/schema/tank';
import { FrontView } from '@/ui/reef/FrontView';

/** The corals of a tank from the front: by height, in the light and the flow of their zones. */
export function FromFront({
  placed,
  reef,
  lengthCm,
  troubled,
  chosen,
}: {
  placed: readonly Placed[];
  reef: Reef;
  lengthCm: number;
  troubled: ReadonlySet<string>;
  chosen: string | null;
}) {
  const bands = LEVELS.map((level, place) => {
    const above = LEVELS[place + 1];
    return {
      from: LEVEL_HEIGHTS_CM[level],
      to: above ? LEVEL_HEIGHTS_CM[above] : LEVEL_TOP_CM,
      label: LEVEL_WORDS[level],
      light: reef.light[level],
    };
  });
  const pieces = placed.map(({ id, position, animal }) => ({
    id,
    name: position.what,
    x: position.x,
    y: LEVEL_HEIGHTS_CM[position.level],
    stingRange: animal.sweepersCm,
    trouble: troubled.has(id),
    chosen: id === chosen,
  }));
  const where = placed.map(
    ({ position }) =>
      `${position.what} ${LEVEL_WORDS[position.level].toLowerCase()}, ${position.x} cm from the left`,
  );
  return (
    <FrontView
      lengthCm={lengthCm}
      bands={bands}
      flows={reef.flow.map((flow) => `${flow} flow`)}
      pieces={pieces}
      summary={`The tank from the front. ${where.length > 0 ? where.join('; ') : 'No coral on the plan'}.`}
    />
  );
}
