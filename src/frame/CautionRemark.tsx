import type { Caution } from '@/core/cautions';
import { Remark } from '@/ui/Remark';

/** A caution where it arises. */
export function CautionRemark({ caution }: { caution: Caution }) {
  return (
    <Remark tone="caution" title={caution.title}>
      {caution.text}
    </Remark>
  );
}
