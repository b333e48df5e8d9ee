import { extent, max, min } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import {
  useCallback,
  useEffect,
  useId,
  useMemo,
  useRef,
  useState,
  type ComponentProps,
} from 'react';
import type { View } from 'react-native';
import { ClipPath, Defs, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { Drawn, View as Seen } from '@/core/monitor/samples/view';
import { isWhole } from '../chart/labels';
import { Frame } from '../Frame';
import { color, font } from '../tokens';
import { useLayoutWidth } from '../useLayoutWidth';

const PAD = { left: 42, right: 12, top: 22, bottom: 24 };
const HEIGHT = 240;
/** After the wheel has stood still so long the view is drawn anew. */
const REST_MS = 140;
/** What a press of an arrow moves, and what plus and minus grow by. */
const STEP = 0.25;
const GROW = 1.5;

interface OwnTest {
  at: number;
  value: number;
}

interface DenseChartProps {
  seen: Seen;
  points: readonly Drawn[];
  /** Tests that the keeper made, in the same unit. */
  own: readonly OwnTest[];
  band?: { low: number; high: number };
  now: number;
  unit: string;
  zeroBased: boolean;
  formatY: (value: number) => string;
  ticks: readonly { at: number; label: string }[];
  summary: string;
  legend: string;
  /** Moved by a share of its length; grown by a factor about a moment. */
  onPan: (share: number) => void;
  onZoom: (factor: number, about: number) => void;
  onWidth: (pixels: number) => void;
}

/** What fingers do on a picture, told as how far it was moved and grown: nothing is drawn until they rest. */
function useFingers(
  element: HTMLElement | null,
  width: number,
  moved: (transform: { dx: number; scale: number; about: number } | null) => void,
  rested: (end: { dx: number; scale: number; about: number }) => void,
): void {
  const latest = useRef({ moved, rested });
  useEffect(() => {
    latest.current = { moved, rested };
  });
  useEffect(() => {
    if (!element || width === 0) return undefined;
    const fingers = new Map<number, number>();
    let began: { middle: number; apart: number } | null = null;
    let end = { dx: 0, scale: 1, about: 0 };
    let resting: ReturnType<typeof setTimeout> | null = null;
    const at = (event: { clientX: number }) => event.clientX - element.getBoundingClientRect().left;
    const shape = () => {
      const xs = [...fingers.values()];
      const [first = 0, second = first] = xs;
      return { middle: (first + second) / 2, apart: Math.max(20, Math.abs(first - second)) };
    };
    const show = () => latest.current.moved(end);
    const rest = () => {
      resting = null;
      if (end.dx !== 0 || end.scale !== 1) latest.current.rested(end);
      end = { dx: 0, scale: 1, about: 0 };
    };
    const down = (event: PointerEvent) => {
      element.setPointerCapture(event.pointerId);
      fingers.set(event.pointerId, at(event));
      began = shape();
    };
    const move = (event: PointerEvent) => {
      if (!began || !fingers.has(event.pointerId)) return;
      fingers.set(event.pointerId, at(event));
      const { middle, apart } = shape();
      end = {
        dx: middle - began.middle,
        scale: fingers.size > 1 ? apart / began.apart : 1,
        about: began.middle,
      };
      show();
    };
    const up = (event: PointerEvent) => {
      if (!fingers.delete(event.pointerId)) return;
      began = fingers.size > 0 ? shape() : null;
      rest();
    };
    const wheel = (event: WheelEvent) => {
      // Up and down belongs to the page unless it is meant for the picture.
      const sideways = Math.abs(event.deltaX) > Math.abs(event.deltaY);
      if (!sideways && !event.ctrlKey && !event.shiftKey) return;
      event.preventDefault();
      if (sideways || event.shiftKey) end = { ...end, dx: end.dx - (event.deltaX || event.deltaY) };
      else end = { dx: 0, scale: end.scale * 0.99 ** event.deltaY, about: at(event) };
      show();
      if (resting) clearTimeout(resting);
      resting = setTimeout(rest, REST_MS);
    };
    element.addEventListener('pointerdown', down);
    element.addEventListener('pointermove', move);
    element.addEventListener('pointerup', up);
    element.addEventListener('pointercancel', up);
    element.addEventListener('wheel', wheel, { passive: false });
    return () => {
      if (resting) clearTimeout(resting);
      element.removeEventListener('pointerdown', down);
      element.removeEventListener('pointermove', move);
      element.removeEventListener('pointerup', up);
      element.removeEventListener('pointercancel', up);
      element.removeEventListener('wheel', wheel);
    };
  }, [element, width]);
}

/**
 * Minutes, hours or months of one probe: moved under the finger by a transform alone, and drawn anew once it rests.
 * Gaps stay gaps; a keeper's own tests stand in the same picture.
 */
export function DenseChart(props: DenseChartProps) {
  const { seen, points, own, band, now, unit, zeroBased, formatY, ticks, onPan, onZoom, onWidth } =
    props;
  const [width, onLayout] = useLayoutWidth('dense');
  const clip = useId().replace(/\W/g, '');
  const [element, setElement] = useState<HTMLElement | null>(null);
  const right = Math.max(PAD.left + 40, width - PAD.right);
  const bottom = HEIGHT - PAD.bottom;
  const x = useMemo(
    () => scaleLinear([seen.from, seen.to], [PAD.left, right]),
    [seen.from, seen.to, right],
  );
  const whole = ticks.filter(({ at, label }) => isWhole(label, x(at), PAD.left, right));
  useEffect(() => {
    if (width > 0) onWidth(right - PAD.left);
  }, [width, right, onWidth]);
  const drawn = useMemo(() => {
    const held = points.flatMap(({ least, most }) => [least, most]).filter((one) => one !== null);
    const seenOwn = own.filter(({ at }) => at >= seen.from && at <= seen.to);
    const [low = zeroBased ? 0 : 0, high = 1] = extent([
      ...held,
      ...seenOwn.map(({ value }) => value),
      ...(band ? [band.low, band.high] : []),
    ]);
    const room = (high - low || Math.abs(high) || 1) * 0.06;
    const y = scaleLinear(
      [zeroBased ? (min([0, low]) ?? 0) : low - room, (max([high]) ?? 1) + room],
      [bottom, PAD.top],
    );
    const middle = line<Drawn>()
      .defined((point) => point.middle !== null)
      .x((point) => x(point.at))
      .y((point) => y(point.middle ?? 0))
      .digits(1);
    const span = area<Drawn>()
      .defined((point) => point.middle !== null)
      .x((point) => x(point.at))
      .y0((point) => y(point.least ?? 0))
      .y1((point) => y(point.most ?? 0))
      .digits(1);
    return { y, line: middle(points) ?? '', span: span(points) ?? '', own: seenOwn };
  }, [points, own, band, zeroBased, seen.from, seen.to, x, bottom]);
  const { y } = drawn;
  const group = () => element?.querySelector(`[data-moves="${clip}"]`) ?? null;
  useFingers(
    element,
    width,
    (transform) => {
      if (!transform) return;
      const { dx, scale, about } = transform;
      group()?.setAttribute(
        'transform',
        `translate(${dx + about * (1 - scale)} 0) scale(${scale} 1)`,
      );
    },
    ({ dx, scale, about }) => {
      group()?.removeAttribute('transform');
      if (scale !== 1) onZoom(1 / scale, x.invert(about));
      if (dx !== 0) onPan(-dx / (right - PAD.left));
    },
  );
  const keep = useCallback(
    (view: View | null) => setElement(view as unknown as HTMLElement | null),
    [],
  );
  const place: ComponentProps<typeof Frame>['place'] = {
    tabIndex: 0,
    style: { touchAction: 'pan-y', cursor: 'grab' } as object,
    ...({
      onKeyDown: (event: { key: string; preventDefault: () => void }) => {
        const keys: Record<string, () => void> = {
          ArrowLeft: () => onPan(-STEP),
          ArrowRight: () => onPan(STEP),
          '+': () => onZoom(1 / GROW, (seen.from + seen.to) / 2),
          '-': () => onZoom(GROW, (seen.from + seen.to) / 2),
        };
        const act = keys[event.key];
        if (!act) return;
        event.preventDefault();
        act();
      },
    } as object),
  };
  return (
    <Frame
      width={width}
      height={HEIGHT}
      onLayout={onLayout}
      onElement={keep}
      place={place}
      summary={props.summary}
      unit={unit}
      legend={props.legend}
      span={{ from: seen.from, to: Math.min(now, seen.to) }}
    >
      <Defs>
        <ClipPath id={clip}>
          <Rect x={PAD.left} y={0} width={Math.max(0, right - PAD.left)} height={HEIGHT} />
        </ClipPath>
      </Defs>
      {band ? (
        <Rect
          x={PAD.left}
          y={y(band.high)}
          width={right - PAD.left}
          height={Math.max(1, y(band.low) - y(band.high))}
          fill={color.shoal1}
        />
      ) : null}
      {y.ticks(5).map((tick) => (
        <G key={tick}>
          <Line
            x1={PAD.left}
            x2={right}
            y1={y(tick)}
            y2={y(tick)}
            stroke={color.rule}
            strokeWidth={1}
          />
          <SvgText
            x={PAD.left - 6}
            y={y(tick) + 4}
            textAnchor="end"
            fontFamily={font.serif}
            fontStyle="italic"
            fontSize={12}
            fill={color.inkSoft}
          >
            {formatY(tick)}
          </SvgText>
        </G>
      ))}
      <SvgText x={PAD.left} y={11} fontFamily={font.sans} fontSize={12} fill={color.inkSoft}>
        {unit}
      </SvgText>
      <G clipPath={`url(#${clip})`}>
        <G {...({ 'data-moves': clip } as object)}>
          <Path d={drawn.span} fill={color.ink} opacity={0.18} />
          <Path d={drawn.line} fill="none" stroke={color.ink} strokeWidth={1.5} />
          {drawn.own.map(({ at, value }) => (
            <Path
              key={at}
              d={`M${x(at) - 6} ${y(value)} l6 -6 l6 6 l-6 6 Z`}
              fill={color.paper}
              stroke={color.magenta}
              strokeWidth={2}
            />
          ))}
          {whole.map((tick) => (
            <SvgText
              key={tick.at}
              x={x(tick.at)}
              y={HEIGHT - 6}
              textAnchor="middle"
              fontFamily={font.sans}
              fontSize={12}
              fill={color.inkSoft}
            >
              {tick.label}
            </SvgText>
          ))}
        </G>
      </G>
    </Frame>
  );
}
