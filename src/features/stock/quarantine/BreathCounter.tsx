import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { stopwatch } from '@/store/wallClock';
import { buzz } from '@/ui/sound';
import { LinkButton } from '@/ui/Press';
import { TapPad } from '@/ui/TapPad';
import { space } from '@/ui/tokens';
import { Figure, Words } from '@/ui/Words';

/** How long breaths are counted, ms: long enough for a figure, short enough to be done daily. */
const COUNT_MS = 20_000;

/** Breaths counted by a tap for each, over twenty seconds from the first. */
export function BreathCounter({
  value,
  onChange,
}: {
  value: number | undefined;
  onChange: (breaths: number | undefined) => void;
}) {
  const [begun, setBegun] = useState<number | null>(null);
  const [taps, setTaps] = useState(0);
  const [now, setNow] = useState(stopwatch);
  const left = begun === null ? COUNT_MS : Math.max(0, begun + COUNT_MS - now);
  useEffect(() => {
    if (begun === null) return;
    const ticker = setInterval(() => {
      const at = stopwatch();
      setNow(at);
      if (at - begun < COUNT_MS) return;
      clearInterval(ticker);
      setBegun(null);
      buzz(80);
      // The first tap begins the time, so it is no breath of its own.
      onChange(Math.round(((taps - 1) * 60_000) / COUNT_MS));
    }, 200);
    return () => clearInterval(ticker);
  }, [begun, taps, onChange]);
  const tap = () => {
    if (begun === null) {
      setTaps(1);
      const at = stopwatch();
      setNow(at);
      setBegun(at);
    } else setTaps(taps + 1);
  };
  return (
    <View style={{ gap: space.s }}>
      <TapPad label="Tap at each breath" onTap={tap}>
        {begun === null ? (
          <Words as="strong">
            {value === undefined ? 'Count its breaths: tap at each' : `${value} breaths a minute`}
          </Words>
        ) : (
          <>
            <Figure value={String(taps - 1)} size={44} />
            <Words as="soft">{`${Math.ceil(left / 1000)} seconds left`}</Words>
          </>
        )}
      </TapPad>
      {value !== undefined && begun === null ? (
        <LinkButton soft label="Forget the count" onPress={() => onChange(undefined)} />
      ) : null}
    </View>
  );
}
