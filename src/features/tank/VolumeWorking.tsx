import { View } from 'react-native';
import { formatIn } from '@/core/parameters/convert';
import type { TankVolume } from '@/core/records/schema/tank';
import { formatFixed } from '@/core/units/format';
import { linearFromCanonical } from '@/core/units/units';
import { netVolume, volumeDoubt } from '@/core/water/volume';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';

/** Net water as a sum that can be followed line by line. */
export function VolumeWorking({ volume, unit }: { volume: TankVolume; unit: 'L' | 'gal' }) {
  const result = netVolume(volume);
  const doubt = volumeDoubt(volume);
  const show = (litres: number) => {
    const value = linearFromCanonical(litres, unit);
    return `${formatFixed(value, Math.abs(value) < 10 ? 1 : 0)} ${unit}`;
  };
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title="Net water" />
      <Words as="lead">
        {`**${formatIn(result.net, unit, 0)}** of water, likely ${formatFixed(linearFromCanonical(result.range.low, unit), 0)} to ${formatIn(result.range.high, unit, 0)}. Every dose is sized by it.`}
      </Words>
      <View>
        {result.lines.map((line) => (
          <Row
            key={line.label}
            title={line.label}
            end={<Words as="body">{show(line.litres)}</Words>}
          />
        ))}
      </View>
      <Words as="soft">
        Rock takes its mass divided by its density; sand weighs 1.5 kg a litre in bulk and takes the
        room of its grains, 2.8 kg a litre. What was measured while filling is used before any sum.
      </Words>
      {doubt ? <Remark tone="watch">{doubt}</Remark> : null}
    </View>
  );
}
