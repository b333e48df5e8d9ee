import { useEffect, useState } from 'react';
import { View } from 'react-native';
import * as z from 'zod';
import { formatPlain } from '@/core/units/format';
import { buzz, tone } from '@/ui/sound';
import { useDraft } from '@/store/hooks';
import { Choice } from '@/ui/Choice';
import { Button, ButtonRow } from '@/ui/Press';
import { TapPad } from '@/ui/TapPad';
import { space } from '@/ui/tokens';
import { Figure, Words } from '@/ui/Words';

const BEATS = { slow: 1200, even: 800, quick: 500 } as const;

/**
 * Counts drops so that the eye can stay on the bottle: a tap for each, or a beat to
 * squeeze to, heard and felt. The
 * count is kept at once, so that a call or a reload costs none.
 */
export function DropCounter({
  name,
  target,
  count,
  onCount,
}: {
  /** Under which the count is kept. */
  name: string;
  target: number;
  count: number;
  onCount: (count: number) => void;
}) {
  const [way, setWay] = useDraft<'tap' | 'beat'>(`${name}/way`, z.enum(['tap', 'beat']), 'tap');
  const [beat, setBeat] = useState<keyof typeof BEATS>('even');
  const [running, setRunning] = useState(false);
  const done = count >= target;
  const beating = running && way === 'beat' && !done;
  useEffect(() => {
    if (!beating) return;
    const timer = setTimeout(() => {
      onCount(count + 1);
      pulse(count + 1 >= target, true);
    }, BEATS[beat]);
    return () => clearTimeout(timer);
  }, [beating, beat, count, onCount, target]);
  const tap = () => {
    if (way === 'beat') {
      setRunning(!running);
      return;
    }
    onCount(count + 1);
    pulse(count + 1 >= target, false);
  };
  return (
    <View style={{ gap: space.m }}>
      <Choice
        label="Count by"
        options={[
          { value: 'tap', label: 'A tap per drop' },
          { value: 'beat', label: 'A beat' },
        ]}
        value={way}
        onChange={setWay}
      />
      {way === 'beat' ? (
        <Choice
          label="Beat"
          options={[
            { value: 'slow', label: 'Slow' },
            { value: 'even', label: 'Even' },
            { value: 'quick', label: 'Quick' },
          ]}
          value={beat}
          onChange={setBeat}
        />
      ) : null}
      <TapPad
        tall
        done={done}
        label={
          way === 'tap'
            ? `Drop ${count} of ${target}. Tap for each drop`
            : running
              ? 'Pause the beat'
              : 'Start the beat'
        }
        onTap={tap}
      >
        <Figure value={String(count)} unit={`of ${formatPlain(target, 0)} drops`} size={56} />
        <Words as="body" live={done}>
          {done
            ? 'That is all of them.'
            : way === 'tap'
              ? 'Tap for each drop'
              : running
                ? 'One drop a beat; tap to pause'
                : 'Tap to start'}
        </Words>
      </TapPad>
      <ButtonRow>
        <Button label="One back" disabled={count === 0} onPress={() => onCount(count - 1)} />
        <Button label="Start over" disabled={count === 0} onPress={() => onCount(0)} />
      </ButtonRow>
    </View>
  );
}

/** A buzz for each drop and a long one for the last; in time with a beat a tick as well. */
function pulse(last: boolean, aloud: boolean): void {
  buzz(last ? 300 : 25);
  if (last) tone(880, 0.5);
  else if (aloud) tone(620, 0.06);
}
