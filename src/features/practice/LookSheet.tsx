import { sightOf, sightWords } from '@/core/practice/look';
import { worldAt } from '@/core/practice/run/play';
import { to } from '@/frame/addresses';
import { logPath } from '@/frame/logPaths';
import { useRouter } from 'expo-router';
import { useAppSelector } from '@/store/hooks';
import { selectPlayed } from '@/store/practice';
import { selectNow } from '@/store/selectors';
import { Button } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { TankSight } from '@/ui/sight/TankSight';
import { Words } from '@/ui/Words';
import { NotTold } from './NotTold';

/** What a person in front of the tank would see: nothing that only a test tells. */
export function LookSheet({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const played = useAppSelector(selectPlayed);
  const now = useAppSelector(selectNow);
  if (!played) return null;
  const lived = worldAt(played, now);
  const sight = sightOf(lived);
  const words = sightWords(sight);
  return (
    <Sheet title="The tank, as it looks" open onClose={onClose}>
      <TankSight sight={sight} summary={words.join(' ')} />
      {words.map((line) => (
        <Words key={line} as="body">
          {line}
        </Words>
      ))}
      <NotTold />
      <Button
        label="Log what is seen"
        onPress={() => {
          onClose();
          router.push(to.log(logPath('sighting')));
        }}
      />
    </Sheet>
  );
}
