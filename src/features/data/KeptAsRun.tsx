import { useRouter } from 'expo-router';
import { to } from '@/frame/addresses';
import { Button } from '@/ui/Press';
import { Opening, Screen } from '@/ui/Screen';
import { BackHead } from '@/frame/BackHead';

/** In place of what takes a log out or in, where the tank is a made-up one. */
export function KeptAsRun() {
  const router = useRouter();
  return (
    <>
      <Opening title="A practice has a file of its own.">
        A made-up tank never mixes with your own log: nothing is exported as one or taken into it.
        Keep it as a file under Practice.
      </Opening>
      <Button label="To this practice" onPress={() => router.push(to.practice)} />
    </>
  );
}

/** The same as a screen of its own. */
export function KeptAsRunScreen({ title }: { title: string }) {
  return (
    <Screen head={<BackHead title={title} />}>
      <KeptAsRun />
    </Screen>
  );
}
