import { useState } from 'react';
import { PARAMETERS } from '@/core/parameters/registry';
import type { Kit } from '@/core/records/schema/kit';
import { decimalsOfResolution } from '@/core/records/kinds/reading';
import { formatFixed } from '@/core/units/format';
import { unitSymbol, type Unit } from '@/core/units/units';
import { ReadingScale } from '@/ui/Drawing';
import { Button } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';

/** The part of a scale that salt water lies in, by its unit. */
const SCALES: Partial<Record<Unit, { low: number; high: number; usual: number; step: number }>> = {
  ppt: { low: 20, high: 45, usual: 35, step: 0.5 },
  sg25: { low: 1.014, high: 1.034, usual: 1.026, step: 0.0005 },
  sg20: { low: 1.014, high: 1.034, usual: 1.026, step: 0.0005 },
  sg60F: { low: 1.014, high: 1.034, usual: 1.026, step: 0.0005 },
};

/** Whether a kit is read by eye on a scale. */
export function isReadByEye(kit: Kit): boolean {
  return kit.parameter === 'salinity' && SCALES[kit.unit] !== undefined;
}

/** An instrument's own scale, to put the boundary where it was seen. */
export function ScaleSheet({
  kit,
  start,
  onRead,
  onClose,
}: {
  kit: Kit;
  start: number | null;
  onRead: (text: string) => void;
  onClose: () => void;
}) {
  const scale = SCALES[kit.unit];
  const [value, setValue] = useState(start ?? scale?.usual ?? 0);
  if (!scale) return null;
  const own = kit.scale.form === 'digital' ? kit.scale.resolution : scale.step;
  const step = Math.min(own, scale.step);
  return (
    <Sheet title={kit.name} open onClose={onClose}>
      <Words as="soft">
        Put the boundary where you see it: shaded above, clear under it. Between two lines, take the
        nearer half.
      </Words>
      <ReadingScale
        name={`Scale of ${kit.name}`}
        unit={unitSymbol(kit.unit)}
        low={scale.low}
        high={scale.high}
        step={step}
        value={value}
        onChange={setValue}
      />
      <Button
        kind="primary"
        label={`Take ${PARAMETERS[kit.parameter].inSentence} from it`}
        onPress={() => {
          onRead(formatFixed(value, Math.max(decimalsOfResolution(step), 1)));
          onClose();
        }}
      />
    </Sheet>
  );
}
