import { useCallback, useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { bandWords } from '@/core/cycle/verdict/criteria/conditions';
import type { TankHistory } from '@/core/history/tankHistory';
import { testsOfChannel } from '@/core/monitor/testsOfChannel';
import { CHANNELS, type ChannelId } from '@/core/monitor/channels';
import {
  drawnOf,
  levelFor,
  minutesOf,
  panned,
  zoomed,
  type Drawn,
  type View as Seen,
} from '@/core/monitor/samples/view';
import { fromCanonical } from '@/core/parameters/convert';
import { PARAMETERS } from '@/core/parameters/registry';
import type { RevisionOf } from '@/core/records/schema/revision';
import { unitFor } from '@/core/records/schema/settings';
import { fullDayWords, shortDay, timeWords } from '@/core/time/words';
import { addDaysIn, DAY_MS, HOUR_MS, MINUTE_MS, startOfDayIn } from '@/core/time/zone';
import { formatPlain } from '@/core/units/format';
import { unitDecimals, unitSymbol } from '@/core/units/units';
import { sampleStoreOf } from '@/store/connections';
import { useAppSelector } from '@/store/hooks';
import { useLive } from '@/store/live';
import { selectBands, selectSession, selectSettings } from '@/store/selectors';
import { Choice } from '@/ui/Choice';
import { DenseChart } from '@/ui/Drawing';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const styles = StyleSheet.create({ stack: { gap: space.s } });

const SPANS = [
  { value: 'day', label: 'Day', ms: DAY_MS },
  { value: 'week', label: 'Week', ms: 7 * DAY_MS },
  { value: 'month', label: 'Month', ms: 30 * DAY_MS },
  { value: 'year', label: 'Year', ms: 365 * DAY_MS },
] as const;
export type SpanId = (typeof SPANS)[number]['value'];
/** Nearer than a tenth of a view to its end, a view goes along with now. */
const FOLLOWS = 0.1;

/** About four round moments within a view. */
function ticksOf({ from, to }: Seen, zone: string): { at: number; label: string }[] {
  const hours = (to - from) / HOUR_MS;
  if (hours <= 60) {
    const step = [1, 2, 3, 6, 12].find((one) => hours / one <= 5) ?? 12;
    const ticks = [];
    for (let at = startOfDayIn(from, zone); at <= to; at += step * HOUR_MS)
      if (at >= from) ticks.push({ at, label: timeWords(at, zone) });
    return ticks;
  }
  const days = hours / 24;
  const step = [1, 2, 7, 14, 30, 91, 182].find((one) => days / one <= 4.5) ?? 365;
  const ticks = [];
  for (let at = startOfDayIn(from, zone); at <= to; at = addDaysIn(at, step, zone))
    if (at >= from) ticks.push({ at, label: shortDay(at, zone) });
  return ticks;
}

/** What a probe measured, from the level that fits the screen, with the keeper's own tests in the same picture. */
export function ProbeChart({
  connection,
  channel,
  history,
  zone,
  now,
  span,
  onSpan,
}: {
  connection: RevisionOf<'connection'>;
  channel: ChannelId;
  history: TankHistory | null;
  zone: string;
  now: number;
  span: SpanId;
  onSpan: (span: SpanId) => void;
}) {
  const { which } = useAppSelector(selectSession);
  const settings = useAppSelector(selectSettings);
  const bands = useAppSelector(selectBands);
  const live = useLive(connection.id);
  // What follows now goes along with it; what was moved back stays where it is.
  const [moved, setMoved] = useState<Seen | null>(null);
  const length = SPANS.find(({ value }) => value === span)?.ms ?? DAY_MS;
  const seen = useMemo(() => moved ?? { from: now - length, to: now }, [moved, now, length]);
  const [pixels, setPixels] = useState(0);
  const [points, setPoints] = useState<readonly Drawn[]>([]);
  const { parameter } = CHANNELS[channel];
  const spec = PARAMETERS[parameter];
  const unit = unitFor(settings, parameter);
  // Asked again as places of its level fill, also while a monitor catches up from far behind.
  const level = levelFor(seen, Math.max(1, pixels));
  const stored = Math.floor(live.stored / (level * MINUTE_MS));
  useEffect(() => {
    if (pixels === 0) return undefined;
    let current = true;
    const { from, to } = minutesOf(seen);
    void sampleStoreOf(which)
      .stretch(connection.id, channel, level, from, to)
      .then(
        (stretch) => {
          if (current) setPoints(drawnOf(channel, stretch));
        },
        () => undefined,
      );
    return () => {
      current = false;
    };
  }, [which, connection.id, channel, seen, pixels, level, stored]);
  const shown = useMemo(() => {
    const convert = (value: number | null) => (value === null ? null : fromCanonical(value, unit));
    return points.map(({ at, least, middle, most }) => ({
      at,
      least: convert(least),
      middle: convert(middle),
      most: convert(most),
    }));
  }, [points, unit]);
  const own = useMemo(
    () =>
      (history ? testsOfChannel(channel, history) : []).map(({ at, value }) => ({
        at,
        value: fromCanonical(value, unit),
      })),
    [history, channel, unit],
  );
  const ownInView = own.some(({ at }) => at >= seen.from && at <= seen.to);
  const band = bands[parameter];
  const shownBand = useMemo(
    () => band && { low: fromCanonical(band.low, unit), high: fromCanonical(band.high, unit) },
    [band, unit],
  );
  const ticks = useMemo(() => ticksOf(seen, zone), [seen, zone]);
  const move = useCallback(
    (view: Seen) =>
      setMoved(
        view.to > now - FOLLOWS * (view.to - view.from) && view.to - view.from === length
          ? null
          : view,
      ),
    [now, length],
  );
  const onPan = useCallback((share: number) => move(panned(seen, share, now)), [move, seen, now]);
  const onZoom = useCallback(
    (factor: number, about: number) => move(zoomed(seen, factor, about, now)),
    [move, seen, now],
  );
  const decimals = Math.max(unitDecimals(unit), spec.zeroBased ? 3 : 1);
  const when = `${fullDayWords(seen.from, zone)} to ${fullDayWords(seen.to, zone)}`;
  const held = shown.filter(({ middle }) => middle !== null);
  return (
    <View style={styles.stack}>
      <Choice
        label="How much is shown"
        value={span}
        onChange={(next) => {
          onSpan(next);
          setMoved(null);
        }}
        options={SPANS.map(({ value, label }) => ({ value, label }))}
      />
      <DenseChart
        seen={seen}
        points={shown}
        own={own}
        {...(shownBand ? { band: shownBand } : {})}
        now={now}
        unit={unitSymbol(unit)}
        zeroBased={spec.zeroBased}
        formatY={(value) => formatPlain(value, decimals)}
        ticks={ticks}
        summary={
          held.length === 0
            ? `${spec.name}, ${when}: nothing was measured.`
            : `${spec.name} as the probe measured it, ${when}.`
        }
        legend={[
          band ? `Shaded: your band, ${bandWords(band, unit)}.` : '',
          ownInView ? 'Diamonds: your own tests.' : '',
        ]
          .filter(Boolean)
          .join(' ')}
        onPan={onPan}
        onZoom={onZoom}
        onWidth={setPixels}
      />
      <Words as="soft">
        {[
          held.length === 0 ? 'Nothing was measured in this time.' : '',
          band ? `Shaded: your band, ${bandWords(band, unit)}.` : '',
          ownInView ? 'Diamonds: your own tests.' : '',
          'Drag it sideways, pinch it, or use the arrow keys, plus and minus.',
        ]
          .filter(Boolean)
          .join(' ')}
      </Words>
    </View>
  );
}
