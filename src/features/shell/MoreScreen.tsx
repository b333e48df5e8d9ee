import { useRouter } from 'expo-router';
import { Row } from '@/ui/Row';
import { Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { MORE } from './places';

/** Everything that has no place of its own at the foot of a phone. */
export function MoreScreen() {
  const router = useRouter();
  return (
    <Screen>
      <Words as="title">More</Words>
      {MORE.map((place) => (
        <Row
          key={place.path}
          title={place.label}
          note={place.note}
          onPress={() => router.push(place.path)}
        />
      ))}
    </Screen>
  );
}
