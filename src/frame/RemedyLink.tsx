import { useRouter } from 'expo-router';
import type { ParameterId } from '@/core/parameters/registry';
import { LinkButton } from '@/ui/Press';
import { to } from './addresses';
import { remedyFor } from './remedies';

/** From a parameter out of its band to the sum that answers it. */
export function RemedyLink({
  parameter,
  side,
}: {
  parameter: ParameterId;
  side: 'below' | 'above' | 'within' | null;
}) {
  const router = useRouter();
  const remedy = remedyFor(parameter, side);
  if (!remedy) return null;
  return <LinkButton soft label={remedy.label} onPress={() => router.push(to.sum(remedy.sum))} />;
}
