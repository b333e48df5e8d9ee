import { useRouter } from 'expo-router';
import type { TankHistory } from '@/core/history/tankHistory';
import { TELL_WORDS, usualEffect } from '@/core/water/effect';
import { LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { to } from './addresses';

/** Where a sum is sized by the water: what of the tank was not told yet, and what it would change. */
export function NotEnteredRemark({ history }: { history: TankHistory }) {
  const router = useRouter();
  const { tank } = history;
  const part = tank.notEntered?.find((one) => one !== 'light');
  if (part === undefined) return null;
  return (
    <>
      <Remark tone="watch" title="The water is a first guess">
        {usualEffect(part, tank.volume) ?? ''}
      </Remark>
      <LinkButton
        soft
        label={TELL_WORDS[part]}
        onPress={() => router.push(to.tankPart('this', part))}
      />
    </>
  );
}
