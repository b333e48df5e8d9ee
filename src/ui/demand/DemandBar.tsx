import { scaleLinear } from 'd3-scale';
import { Line, Rect } from 'react-native-svg';
import type { PlanLoad } from '@/core/livestock/planner/types';
import { formatPlain } from '@/core/units/format';
import { Label, Plot, Sounding } from '../Plot';
import { color } from '../tokens';

const HEIGHT = 112;
const TOP = 36;
const DEEP = 30;
/** A letter of a label, px: enough to know whether two of them meet. */
const LETTER = 6.6;

export interface DemandBarProps {
  load: PlanLoad;
  /** The next addition of the plan. */
  next: { name: string; nitrogen: number } | null;
}

/** What the bar says, in its own letters. */
function lettersOf({ load: { now, feedingLimit, carries }, next }: DemandBarProps) {
  const mg = (value: number) => formatPlain(value, value < 10 ? 1 : 0);
  return {
    now: `made now ${mg(now)} mg N a day`,
    carries: carries ? `can clear ${mg(carries.low)}–${mg(carries.usual)}` : '',
    feedingLimit: feedingLimit === null ? '' : `this month’s feeding limit, ${mg(feedingLimit)}`,
    next: next ? `+ ${next.name.toLowerCase()} ${mg(next.nitrogen)}` : '',
  };
}

/** What is fed and what could be carried, as one drawing: the load, the next addition, and both limits. */
export function DemandBar(props: DemandBarProps) {
  const letters = lettersOf(props);
  const summary = [
    letters.now,
    letters.carries && `${letters.carries} mg N a day`,
    letters.feedingLimit && `${letters.feedingLimit} mg N a day`,
    letters.next,
  ];
  return (
    <Plot height={HEIGHT} summary={summary.filter(Boolean).join('; ')}>
      {(width) => <Bar {...props} letters={letters} width={width} />}
    </Plot>
  );
}

function Bar({
  load,
  next,
  letters,
  width,
}: DemandBarProps & { letters: ReturnType<typeof lettersOf>; width: number }) {
  const { now, feedingLimit, carries } = load;
  const after = now + (next?.nitrogen ?? 0);
  const far = Math.max(carries?.usual ?? 0, feedingLimit ?? 0, after, 1);
  // A filter far beyond what is fed would press the rest into a corner.
  const end = Math.min(far, Math.max(after, feedingLimit ?? 0, 1) * 3.2) * 1.08;
  const x = scaleLinear([0, end], [0, width]).clamp(true);
  const stacked = (letters.now.length + letters.carries.length) * LETTER > width - 12;
  const feedingLimitAt = x(feedingLimit ?? 0);
  const feedingLimitRight = feedingLimitAt + letters.feedingLimit.length * LETTER < width;
  return (
    <>
      <Label x={0} y={stacked ? 12 : 26}>
        {letters.now}
      </Label>
      {carries ? (
        <Label x={width} y={28} textAnchor="end" fill={color.deep}>
          {letters.carries}
        </Label>
      ) : null}
      <Rect x={0} y={TOP} width={width} height={DEEP} fill={color.shoal1} />
      {carries ? (
        <>
          <Rect
            x={0}
            y={TOP}
            width={x(carries.usual)}
            height={DEEP}
            fill={color.shoal2}
            opacity={0.55}
          />
          <Rect x={0} y={TOP} width={x(carries.low)} height={DEEP} fill={color.shoal2} />
          {carries.low < end ? (
            <Line
              x1={x(carries.low)}
              x2={x(carries.low)}
              y1={TOP - 4}
              y2={TOP + DEEP + 4}
              stroke={color.deep}
              strokeWidth={2}
            />
          ) : null}
        </>
      ) : null}
      <Rect
        x={0}
        y={TOP + 8}
        width={Math.max(x(now), now > 0 ? 2 : 0)}
        height={DEEP - 16}
        fill={color.ink}
      />
      {next && next.nitrogen > 0 ? (
        <Rect
          x={x(now)}
          y={TOP + 8}
          width={Math.max(3, x(after) - x(now))}
          height={DEEP - 16}
          fill="none"
          stroke={color.ink}
          strokeWidth={1.5}
          strokeDasharray="3 2.5"
        />
      ) : null}
      {feedingLimit === null ? null : (
        <>
          <Line
            x1={feedingLimitAt}
            x2={feedingLimitAt}
            y1={TOP - 4}
            y2={TOP + DEEP + 22}
            stroke={color.ink}
            strokeWidth={2}
          />
          <Label
            x={feedingLimitRight ? Math.max(0, feedingLimitAt - 2) : width}
            y={TOP + DEEP + 38}
            textAnchor={feedingLimitRight ? 'start' : 'end'}
          >
            {letters.feedingLimit}
          </Label>
        </>
      )}
      {letters.next ? (
        <Sounding
          x={feedingLimit === null ? x(now) : Math.min(x(now), feedingLimitAt - 6)}
          textAnchor={
            feedingLimit !== null && x(now) + letters.next.length * LETTER > feedingLimitAt
              ? 'end'
              : 'start'
          }
          y={TOP + DEEP + 17}
          fontSize={13}
          fill={color.inkSoft}
        >
          {letters.next}
        </Sounding>
      ) : null}
    </>
  );
}
