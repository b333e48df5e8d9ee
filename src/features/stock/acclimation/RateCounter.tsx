import { useState } from 'react';
import { View } from 'react-native';
import { COUNTABLE, DROPS_PER_ML } from '@/core/acclimation/plan';
import { formatPlain } from '@/core/units/format';
import { wallClock } from '@/store/wallClock';
import { LinkButton } from '@/ui/Press';
import { TapPad } from '@/ui/TapPad';
import { space } from '@/ui/tokens';
import { Figure, Words } from '@/ui/Words';

const litresAnHour = (perSecond: number) => (perSecond * 3600) / DROPS_PER_ML / 1000;

/** Drops tapped, and the rate they come to, while the valve is set. */
export function RateCounter({ wanted }: { wanted: number }) {
  const [taps, setTaps] = useState<readonly number[]>([]);
  const drops = (wanted * DROPS_PER_ML) / 60;
  if (drops > COUNTABLE) {
    return (
      <Words as="body">
        {`More than can be counted: let it run into a cup for a minute, and set the valve to ${formatPlain(wanted, 0)} mL.`}
      </Words>
    );
  }
  // Of the last taps only: the valve is being set meanwhile.
  const recent = taps.slice(-9);
  const [first, last] = [recent[0], recent.at(-1)];
  const perSecond =
    recent.length > 2 && first !== undefined && last !== undefined && last > first
      ? ((recent.length - 1) * 1000) / (last - first)
      : null;
  return (
    <View style={{ gap: space.s }}>
      <TapPad label="Tap at each drop" onTap={() => setTaps([...taps, wallClock()])}>
        {perSecond === null ? (
          <Words as="strong">Tap at each drop</Words>
        ) : (
          <>
            <Figure value={formatPlain(perSecond, 1)} size={48} />
            <Words as="soft">
              {`drops a second, ${formatPlain(litresAnHour(perSecond), 1)} L an hour; ${formatPlain(drops, 1)} wanted`}
            </Words>
          </>
        )}
      </TapPad>
      {taps.length > 0 ? <LinkButton soft label="Count anew" onPress={() => setTaps([])} /> : null}
    </View>
  );
}
