import { Words } from '@/ui/Words';

/** What a made-up tank leaves out, said where one begins it and where one looks at it. */
export function NotTold() {
  return (
    <Words as="soft">
      Animals here suffer from ammonia, little oxygen, heat and salinity alone. Sickness, quarrels
      and hunger are not part of this practice yet. Calcium and magnesium stand still, kalkwasser
      and two-part raise alkalinity by a usual strength, and every medicine harms filter bacteria
      alike: in a real tank the label counts.
    </Words>
  );
}
