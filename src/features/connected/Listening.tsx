import { useEffect, useMemo, useRef } from 'react';
import { alarmFirst } from '@/core/monitor/alarms/alarmFirst';
import { alarmTitle } from '@/core/monitor/alarms/alarmWords';
import type { ChannelId, SwitchId } from '@/core/monitor/channels';
import { isNight } from '@/core/monitor/samples/span';
import { watched, watchFrom, type Heard, type Turn } from '@/core/monitor/alarms/watch';
import { liveHead } from '@/core/records/log';
import type { RevisionOf } from '@/core/records/schema/revision';
import { notify } from '@/frame/notify';
import { webInTurn } from '@/storage/locks';
import { holdStream } from '@/storage/monitorLink';
import { othersAnswer, recordNights, recordPast, recordTurn, stillRinging } from '@/store/alarms';
import { instruments, liveConnections, sampleStoreOf } from '@/store/connections';
import { useAppDispatch, useAppSelector, useAppStore } from '@/store/hooks';
import { liveOf, tellLive, useLive } from '@/store/live';
import { selectBands, selectSession } from '@/store/selectors';
import type { LogName } from '@/store/services';
import { buzz, tone } from '@/ui/sound';

type Connection = RevisionOf<'connection'>;

/** How often time is told that goes on, while nothing is heard. */
const TICK_MS = 5000;
/** How often the last nights are looked at. */
const NIGHTS_MS = 10 * 60_000;

/** Holds the streams of all monitors of the open log, whatever screen is shown: one tab does, by a lock. */
export function Listening() {
  const connections = useAppSelector(liveConnections);
  const { which } = useAppSelector(selectSession);
  return connections
    .filter(({ body }) => body.kind === 'monitor')
    .map((connection) => <Listener key={connection.id} connection={connection} which={which} />);
}

const pause = (ms: number, signal: AbortSignal): Promise<void> =>
  new Promise((resolve) => {
    const timer = setTimeout(resolve, ms);
    signal.addEventListener('abort', () => {
      clearTimeout(timer);
      resolve();
    });
  });

/** Rings in this tab: a tone, a buzz, and a notification where the browser may. */
function ring(turn: Turn, name: string, others: boolean): void {
  for (const [hertz, after] of [
    [880, 0],
    [660, 450],
    [880, 900],
  ] as const)
    setTimeout(() => tone(hertz, 0.4), after);
  buzz([400, 200, 400]);
  void notify(alarmTitle(turn.alarm), `${name}: ${alarmFirst(turn.alarm, others)}`, turn.alarm);
}

function Listener({ connection, which }: { connection: Connection; which: LogName }) {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  // What is wanted of alarms may change while the stream goes on.
  const current = useRef(connection);
  useEffect(() => {
    current.current = connection;
  }, [connection]);
  const { id } = connection;
  const { instrument } = connection.body;
  const { pairedAt } = useLive(id);
  const begin = useMemo(
    () => async (signal: AbortSignal) => {
      const samples = sampleStoreOf(which);
      const token = await samples.token(id);
      if (token === null) {
        tellLive(id, { state: 'refused', why: 'This browser has no token for it: pair it again.' });
        return;
      }
      // A pause that another tab asked for, which may be closed by now.
      const pausedUntil = await samples.pausedUntil(id);
      if (pausedUntil > Date.now()) tellLive(id, { pausedUntil });
      let watch = watchFrom(Date.now(), stillRinging(store.getState(), current.current));
      let past: Turn[] = [];
      let nightsAt = 0;
      let turning: Promise<unknown> = Promise.resolve();
      const inTurn = (work: () => Promise<unknown>) => (turning = turning.then(work, work));
      const told = () => {
        const state = store.getState();
        const now = Date.now();
        const zone = liveHead(state.log, current.current.body.tankId, 'tank')?.body.zone ?? 'UTC';
        return {
          now,
          bands: selectBands(state),
          choices: current.current.body.alarms,
          night: isNight(now, zone),
          pausedUntil: liveOf(id).pausedUntil,
        };
      };
      const hear = (heard: Heard) => {
        const step = watched(watch, heard, told());
        watch = step.watch;
        for (const turn of step.turns) {
          if (turn.past) {
            past.push(turn);
            continue;
          }
          // What goes on rings now, and is no longer among what never rang.
          past = past.filter(({ alarm, since }) => alarm !== turn.alarm || since !== turn.since);
          inTurn(async () => {
            const rang = await dispatch(recordTurn(current.current, turn));
            if (rang && turn.until === null)
              ring(turn, current.current.body.name, othersAnswer(store.getState(), id, Date.now()));
          });
        }
      };
      /** What rang nothing is told once the stream has come to now. */
      const tellPast = () => {
        const found = past;
        past = [];
        if (found.length > 0) inTurn(() => dispatch(recordPast(current.current, found)));
      };
      const show = (values: Partial<Record<ChannelId, number | undefined>>, at: number) => {
        const known = Object.entries(values).filter(([, value]) => value !== undefined);
        tellLive(id, {
          values: Object.fromEntries(known) as Partial<Record<ChannelId, number>>,
          at,
        });
      };
      const on = new Set<SwitchId>();
      const ticking = setInterval(() => {
        if (liveOf(id).state !== 'connecting') hear({ at: Date.now() });
        const now = Date.now();
        if (now - nightsAt < NIGHTS_MS || liveOf(id).state !== 'live') return;
        nightsAt = now;
        inTurn(() => dispatch(recordNights(current.current, samples)));
      }, TICK_MS);
      try {
        await holdStream(
          {
            connection: id,
            instrument,
            token,
            instruments,
            store: samples,
            now: () => Date.now(),
            pause,
            on: {
              stored: (batch) => {
                for (const { at, values } of batch) hear({ at, values });
                const last = batch.at(-1);
                if (!last) return;
                show(last.values, last.at);
                tellLive(id, { stored: last.at });
                if (Date.now() - last.at < 2 * 60_000) tellPast();
              },
              quick: (values, at) => {
                hear({ at, values });
                show(values, at);
              },
              switched: (of, isOn, at) => {
                if (isOn) on.add(of);
                else on.delete(of);
                tellLive(id, { on: [...on] });
                hear({ of, on: isOn, at: Math.max(at, watch.saidAt) });
              },
              state: (state, why) => tellLive(id, { state, why }),
              clock: (behind) => tellLive(id, { behind }),
            },
          },
          signal,
        );
      } finally {
        clearInterval(ticking);
        await turning;
      }
    },
    [dispatch, id, instrument, store, which],
  );
  useEffect(() => {
    const stop = new AbortController();
    void webInTurn(`zoarium-stream-${which}-${id}`, async () => {
      if (!stop.signal.aborted) await begin(stop.signal);
    });
    return () => stop.abort();
    // Paired again, it is asked with its new token.
  }, [begin, id, which, pairedAt]);
  return null;
}
