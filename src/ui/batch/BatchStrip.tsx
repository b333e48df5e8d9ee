import { Circle, Line, Rect } from 'react-native-svg';
import { Label, Plot } from '../Plot';
import { color } from '../tokens';

const HEIGHT = 78;
const TOP = 26;
const DEEP = 26;
const GAP = 1.5;

export interface StripDay {
  state: 'clear' | 'sign' | 'before' | 'ahead';
  missed: boolean;
  notEating: boolean;
}

export interface BatchStripProps {
  days: readonly StripDay[];
  /** How many of them lie behind, today among them. */
  gone: number;
  nowLabel: string;
  endLabel: string;
  /** All of it in a sentence. */
  summary: string;
}

/** The days of a batch side by side: what is clear, what began anew, who did not eat, what nobody saw. */
export function BatchStrip(props: BatchStripProps) {
  return (
    <Plot height={HEIGHT} summary={props.summary}>
      {(width) => <Strip {...props} width={width} />}
    </Plot>
  );
}

function Strip({ days, gone, nowLabel, endLabel, width }: BatchStripProps & { width: number }) {
  const cell = days.length > 0 ? (width - 2) / days.length : 0;
  const x = (place: number) => 1 + place * cell;
  const nowAt = x(gone);
  const right = nowAt > width / 2;
  return (
    <>
      {days.map(({ state, missed, notEating }, i) => (
        <Cell
          // Days have no name but their place.
          key={i}
          x={x(i)}
          width={Math.max(1, cell - GAP)}
          state={state}
          missed={missed}
          notEating={notEating}
        />
      ))}
      <Line
        x1={nowAt}
        x2={nowAt}
        y1={TOP - 14}
        y2={TOP + DEEP + 10}
        stroke={color.ink}
        strokeWidth={2}
      />
      <Label x={right ? nowAt - 6 : nowAt + 6} y={TOP - 6} textAnchor={right ? 'end' : 'start'}>
        {nowLabel}
      </Label>
      <Label x={width - 1} y={TOP + DEEP + 18} textAnchor="end">
        {endLabel}
      </Label>
    </>
  );
}

function Cell({ x, width, state, missed, notEating }: StripDay & { x: number; width: number }) {
  const middle = x + width / 2;
  return (
    <>
      <Rect
        x={x}
        y={TOP}
        width={width}
        height={DEEP}
        fill={state === 'clear' ? color.shoal2 : state === 'before' ? color.shoal1 : color.raised}
        stroke={state === 'sign' ? color.magenta : state === 'ahead' ? color.rule : 'none'}
        strokeWidth={state === 'sign' ? 2 : 1}
      />
      {state === 'sign' ? (
        <Line
          x1={x + 1}
          x2={x + width - 1}
          y1={TOP + DEEP - 2}
          y2={TOP + 2}
          stroke={color.magenta}
          strokeWidth={2}
        />
      ) : null}
      {notEating ? <Circle cx={middle} cy={TOP + DEEP / 2} r={2.6} fill={color.ink} /> : null}
      {missed ? (
        <Line
          x1={x}
          x2={x + width}
          y1={TOP + DEEP + 4}
          y2={TOP + DEEP + 4}
          stroke={color.watch}
          strokeWidth={3}
        />
      ) : null}
    </>
  );
}
