import { ticks as ticksOf } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { StyleSheet, View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, ClipPath, Defs, G, Line, Rect, Text } from 'react-native-svg';
import { formatFixed } from '@/core/units/format';
import { Button } from '../Press';
import { color, font, space } from '../tokens';
import { useTap } from '../press/useTap';
import { Figure } from '../Words';

/** The field of view, px. */
const SIZE = 264;
/** Room over and under the scale within it, px. */
const EDGE = 34;

export interface ReadingScaleProps {
  name: string;
  unit: string;
  low: number;
  high: number;
  /** The smallest step that can be told apart. */
  step: number;
  value: number;
  onChange: (value: number) => void;
}

const styles = StyleSheet.create({
  view: { width: SIZE, height: SIZE, alignSelf: 'center', cursor: 'pointer' },
  steps: { flexDirection: 'row', gap: space.m, justifyContent: 'center' },
});

/** Decimals of a step: 0.5 has one, 0.001 three. */
function decimalsOf(step: number): number {
  return Math.max(0, Math.ceil(-Math.log10(step) - 1e-9));
}

/** A value on the steps of the scale, within its ends. */
export function onScale(
  value: number,
  { low, high, step }: Omit<ReadingScaleProps, 'value' | 'name' | 'unit' | 'onChange'>,
): number {
  const stepped = low + Math.round((value - low) / step) * step;
  return Number(Math.min(high, Math.max(low, stepped)).toFixed(decimalsOf(step) + 1));
}

/**
 * The scale of an instrument that is read by eye, drawn as it is seen: shaded above the boundary, clear
 * under it. The boundary is put where it was seen, by a finger, by keys or a step at a time.
 */
export function ReadingScale(props: ReadingScaleProps) {
  const { name, unit, low, high, step, value, onChange } = props;
  const [held, setHeld] = useState(false);
  const place = scaleLinear([low, high], [SIZE - EDGE, EDGE]);
  const decimals = decimalsOf(step);
  const put = (event: GestureResponderEvent) =>
    onChange(onScale(place.invert(event.nativeEvent.locationY), props));
  const move = (steps: number) => onChange(onScale(value + steps * step, props));
  const [target, refused] = useTap(name);
  const major = ticksOf(low, high, 5);
  const minor = ticksOf(low, high, 25);
  const boundary = place(Math.min(high, Math.max(low, value)));
  return (
    <View style={{ gap: space.m }}>
      <View
        role="slider"
        aria-label={name}
        aria-valuenow={value}
        aria-valuemin={low}
        aria-valuemax={high}
        aria-valuetext={`${formatFixed(value, decimals)} ${unit}`}
        tabIndex={0}
        style={[styles.view, held && { opacity: 0.96 }]}
        onStartShouldSetResponder={() => true}
        onMoveShouldSetResponder={() => true}
        ref={target}
        onResponderGrant={(event) => {
          if (refused(event)) return;
          setHeld(true);
          put(event);
        }}
        onResponderMove={(event) => (held ? put(event) : undefined)}
        onResponderRelease={() => setHeld(false)}
        {...{
          onKeyDown: (event: { key: string; preventDefault: () => void }) => {
            const by = { ArrowUp: 1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[event.key];
            if (by === undefined) return;
            event.preventDefault();
            move(by);
          },
        }}
      >
        <Svg width={SIZE} height={SIZE} pointerEvents="none">
          <Defs>
            <ClipPath id="field-of-view">
              <Circle cx={SIZE / 2} cy={SIZE / 2} r={SIZE / 2 - 2} />
            </ClipPath>
          </Defs>
          <G clipPath="url(#field-of-view)">
            <Rect width={SIZE} height={SIZE} fill={color.raised} />
            <Rect width={SIZE} height={boundary} fill={color.shoal3} />
            <Line
              x1={0}
              x2={SIZE}
              y1={boundary}
              y2={boundary}
              stroke={color.ink}
              strokeWidth={1.5}
            />
            {minor.map((at) => (
              <Line
                key={at}
                x1={SIZE / 2}
                x2={SIZE / 2 + 14}
                y1={place(at)}
                y2={place(at)}
                stroke={color.ink}
                strokeWidth={1}
              />
            ))}
            {major.map((at) => (
              <G key={at}>
                <Line
                  x1={SIZE / 2}
                  x2={SIZE / 2 + 28}
                  y1={place(at)}
                  y2={place(at)}
                  stroke={color.ink}
                  strokeWidth={1.5}
                />
                <Text
                  x={SIZE / 2 + 36}
                  y={place(at) + 5}
                  fontSize={15}
                  fontFamily={font.serif}
                  fontStyle="italic"
                  fill={color.ink}
                >
                  {formatFixed(at, decimals)}
                </Text>
              </G>
            ))}
          </G>
          <Circle
            cx={SIZE / 2}
            cy={SIZE / 2}
            r={SIZE / 2 - 2}
            fill="none"
            stroke={color.ink}
            strokeWidth={2}
          />
        </Svg>
      </View>
      <View style={{ alignItems: 'center' }}>
        <Figure value={formatFixed(value, decimals)} unit={unit} size={40} />
      </View>
      <View style={styles.steps}>
        <Button label="A step down" onPress={() => move(-1)} />
        <Button label="A step up" onPress={() => move(1)} />
      </View>
    </View>
  );
}
