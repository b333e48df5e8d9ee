import { View } from 'react-native';
import type { FreeAmmonia, Input } from '@/core/meaning/freeAmmonia';
import { rangeWords } from '@/core/meaning/testSession';
import { FREE_AMMONIA_LEVELS } from '@/core/seawater/ammonia';
import { formatFixed, formatSignificant } from '@/core/units/format';
import { Row } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';

const SOURCE: Record<Input<unknown>['source'], string> = {
  now: 'measured in this test session',
  last: 'the last one logged',
  assumed: 'assumed, since nobody measured it',
};

function span(low: number, high: number, digits: number): string {
  return low === high
    ? formatSignificant(low, digits)
    : `${formatSignificant(low, digits)} to ${formatSignificant(high, digits)}`;
}

/** Where the free ammonia of a test session comes from, figure by figure. */
export function FreeAmmoniaSheet({
  result,
  onClose,
}: {
  result: FreeAmmonia;
  onClose: () => void;
}) {
  const { tan, ph, temperature, salinity, fraction, range } = result;
  return (
    <Sheet title="Free ammonia" open onClose={onClose}>
      <Words as="lead">{`**${rangeWords(range.low, range.high)} mg/L** of nitrogen as NH3, the part of ammonia that harms.`}</Words>
      <View>
        <Row
          title="Total ammonia"
          note="where the true value lies for what was read"
          end={`${span(tan.low, tan.high, 2)} mg N/L`}
        />
        <Row
          title="pH"
          note={SOURCE[ph.source]}
          end={`${formatFixed(ph.value.low, 2)} to ${formatFixed(ph.value.high, 2)}`}
        />
        <Row
          title="Temperature"
          note={SOURCE[temperature.source]}
          end={`${formatFixed(temperature.value, 1)} °C`}
        />
        <Row
          title="Salinity"
          note={SOURCE[salinity.source]}
          end={`${formatFixed(salinity.value, 1)} ppt`}
        />
        <Row
          title="Share that is free"
          end={`${span(fraction.low * 100, fraction.high * 100, 2)} %`}
        />
      </View>
      <Words as="body">
        The share is 1 / (1 + 10^(pKa − pH)), with pKa = 10.0423 − 0.0315536 × temperature +
        0.003071 × salinity. It doubles with every 0.3 of pH and grows with temperature.
      </Words>
      <Words as="body">
        {`Up to ${FREE_AMMONIA_LEVELS.comfortable} mg/L is comfortable, up to ${FREE_AMMONIA_LEVELS.watch} is worth watching, above ${FREE_AMMONIA_LEVELS.act} is an emergency for animals. A pH measured now would narrow it most.`}
      </Words>
      <Words as="soft">
        Khoo and others 1977, as fitted by Bell and others 2007, for 0 to 40 °C and salinity 0 to
        40.
      </Words>
    </Sheet>
  );
}
