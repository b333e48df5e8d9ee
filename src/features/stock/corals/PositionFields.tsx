import { View } from 'react-native';
import { lightSteps } from '@/core/corals/placing';
import type { RevisionOf } from '@/core/records/schema/revision';
import { LEVEL_WORDS, LEVELS, LIGHT_LEVELS, type Position } from '@/core/records/schema/position';
import type { Reef } from '@/core/records/schema/tank';
import { shortDay } from '@/core/time/words';
import { addDaysIn } from '@/core/time/zone';
import { capitalise } from '@/core/units/format';
import { Choice } from '@/ui/Choice';
import { LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';

export type PositionHead = RevisionOf<'position'>;

/** The height of one coral, the light it had, and its way there. */
export function PositionFields({
  head,
  reef,
  zone,
  now,
  onChange,
  onRemove,
}: {
  head: PositionHead;
  reef: Reef;
  zone: string;
  now: number;
  onChange: (changes: Partial<Position>, words: string) => void;
  onRemove: () => void;
}) {
  const { what, level, cameFrom } = head.body;
  const steps = lightSteps(cameFrom, level, reef);
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title={what} />
      <Choice
        label="How high"
        value={level}
        onChange={(next) =>
          onChange({ level: next }, `${what}: ${LEVEL_WORDS[next].toLowerCase()}`)
        }
        options={LEVELS.map((value) => ({ value, label: LEVEL_WORDS[value] }))}
      />
      <Choice
        label="The light it had"
        value={cameFrom ?? null}
        onChange={(next) => onChange({ cameFrom: next }, `${what} had ${next} light`)}
        options={LIGHT_LEVELS.map((value) => ({ value, label: `${capitalise(value)} light` }))}
      />
      <Words as="body">
        {steps.length === 1
          ? 'It may go to its place at once.'
          : `${steps.map(({ day, level: at }) => `${LEVEL_WORDS[at].toLowerCase()} from ${shortDay(addDaysIn(now, day, zone), zone)}`).join(', ')}: it rises by a level every two weeks${cameFrom ? '' : ', since nobody said what light it had'}.`}
      </Words>
      <Words as="soft">
        Before it comes in: looked over, dipped by the label, rinsed, isolated as long as the eggs
        of its pests take.
      </Words>
      <LinkButton soft label="Take it off the plan" onPress={onRemove} />
    </View>
  );
}
