import { useTyped } from '@/store/hooks';
import { useState } from 'react';
import { View } from 'react-native';
import { COUNTABLE, DROPS_PER_ML } from '@/core/acclimation/plan';
import { formatPlain, parseNumber } from '@/core/units/format';
import { stopwatch } from '@/store/wallClock';
import { Field } from '@/ui/Field';
import { Button, LinkButton } from '@/ui/Press';
import { TapPad } from '@/ui/TapPad';
import { space } from '@/ui/tokens';
import { Figure, Words } from '@/ui/Words';

/** More than any airline lets through in a minute, mL. */
const MOST_ML = 2000;

const litresAnHour = (perSecond: number) => (perSecond * 3600) / DROPS_PER_ML / 1000;

/** Drops tapped, and the rate they come to, while the valve is set; or a cup filled for a minute. */
export function RateCounter({
  wanted,
  onCounted,
}: {
  /** mL a minute. */
  wanted: number;
  /** Takes the rate, mL a minute, while it drips. */
  onCounted?: (mlPerMinute: number) => void;
}) {
  const [taps, setTaps] = useState<readonly number[]>([]);
  const drops = (wanted * DROPS_PER_ML) / 60;
  if (drops > COUNTABLE) {
    return <Cup wanted={wanted} onCounted={onCounted} />;
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
      <TapPad label="Tap at each drop" onTap={() => setTaps([...taps, stopwatch()])}>
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
      {perSecond !== null && onCounted ? (
        <Button
          label="It drips so: reckon with it"
          onPress={() => onCounted((perSecond * 60) / DROPS_PER_ML)}
        />
      ) : null}
      {taps.length > 0 ? <LinkButton soft label="Count anew" onPress={() => setTaps([])} /> : null}
    </View>
  );
}

/** What runs too fast to be counted is caught in a cup. */
function Cup({ wanted, onCounted }: { wanted: number; onCounted?: (mlPerMinute: number) => void }) {
  const [text, setText] = useTyped('drip/cup');
  const value = parseNumber(text);
  const possible = value !== null && value > 0 && value <= MOST_ML;
  return (
    <View style={{ gap: space.s }}>
      <Words as="body">
        {`More than can be counted: let it run into a cup for a minute, and set the valve to ${formatPlain(wanted, 0)} mL.`}
      </Words>
      {onCounted ? (
        <>
          <Field
            label="In a cup in a minute"
            kind="number"
            unit="mL"
            value={text}
            error={
              text.trim() !== '' && !possible
                ? `Between 0 and ${MOST_ML} mL, above zero.`
                : undefined
            }
            onChange={setText}
          />
          <Button
            label="It drips so: reckon with it"
            disabled={!possible}
            onPress={() => possible && onCounted(value)}
          />
        </>
      ) : null}
    </View>
  );
}
