import { createSelector } from '@reduxjs/toolkit';
import type { InstrumentKind } from '../core/monitor/instrumentKinds';
import type { Instrument } from '../core/monitor/protocol';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../core/parameters/registry';
import { liveHead } from '../core/records/log';
import type { Kit } from '../core/records/schema/kit';
import type { RevisionOf } from '../core/records/schema/revision';
import { meterKit } from '../core/records/kitTemplates';
import type { Unit } from '../core/units/units';
import { isoInZone, MINUTE_MS } from '../core/time/zone';
import { Instruments } from '../storage/instruments';
import { SampleStore } from '../storage/sampleStore';
import { tellLive } from './live';
import { recordAct } from './record';
import { LOGS, type LogName } from './services';
import type { AppThunk, RootState } from './state';

const stores = new Map<LogName, SampleStore>();

/** Where the samples and tokens of the open log lie. */
export function sampleStoreOf(which: LogName): SampleStore {
  const known = stores.get(which) ?? new SampleStore(LOGS[which].database);
  stores.set(which, known);
  return known;
}

export const instruments = new Instruments();

/** Connections that are read, in the order in which they were made. */
export const liveConnections = createSelector(
  [(state: RootState) => state.log.connections],
  (all): readonly RevisionOf<'connection'>[] => all.filter(({ body }) => !body.ended),
);

interface Meter {
  unit: Unit;
  resolution: number;
  accuracy: number;
}

const meter = (unit: Meter['unit'], resolution: number, accuracy: number): Meter => ({
  unit,
  resolution,
  accuracy,
});

/** What an instrument of each kind reads of itself, and how finely; a monitor's accuracy is its maker's. */
const READS: Readonly<Record<InstrumentKind, Readonly<Partial<Record<ParameterId, Meter>>>>> = {
  monitor: {
    temperature: meter('°C', 0.01, 0.2),
    ph: meter('pH', 0.001, 0.05),
    salinity: meter('ppt', 0.01, 0.5),
    freeAmmonia: meter('free NH3-N', 0.0001, 0.005),
  },
  pen: { salinity: meter('ppt', 0.01, 0.7) },
  colorimeter: {
    ammonia: meter('ammonia N', 0.01, 0.04),
    nitrite: meter('nitrite N', 0.001, 0.01),
    nitrate: meter('nitrate NO3', 0.1, 1),
    phosphate: meter('ppm PO4', 0.01, 0.04),
  },
  counter: {},
};

/** The meters that stand for what an instrument reads: none of them has a row on the test sheet. */
function kitsOf({ name, kind, accuracy }: Instrument): [ParameterId, Kit][] {
  const told: Readonly<Partial<Record<ParameterId, number>>> = accuracy ?? {};
  return PARAMETER_IDS.flatMap((parameter, n): [ParameterId, Kit][] => {
    const read = READS[kind][parameter];
    if (!read) return [];
    const kit = meterKit(
      parameter,
      `${PARAMETERS[parameter].name}, ${name}`,
      read.unit,
      { resolution: read.resolution, accuracy: told[parameter] ?? read.accuracy },
      { order: 1000 + n, readBy: 'instrument' },
    );
    return [[parameter, kit]];
  });
}

/** Pairs an instrument with a tank by the code on its screen. @throws InstrumentTrouble for a wrong code */
export function pairInstrument(
  instrument: Instrument,
  code: string,
  tankId: string,
): AppThunk<Promise<string | null>> {
  return async (dispatch, getState, { services }) => {
    const { which } = getState().session;
    const { token, instrument: about } = await instruments.pair(instrument.id, code);
    // One that is read at this tank already is paired again: a second would read the same nights twice.
    const known = liveConnections(getState()).find(
      ({ body }) => body.instrument === instrument.id && body.tankId === tankId,
    );
    const id = known?.id ?? services.newId();
    await sampleStoreOf(which).keepToken(id, token);
    tellLive(id, { pairedAt: services.now() });
    if (known) return id;
    const result = await dispatch(
      recordAct((act) => {
        const kits: Partial<Record<ParameterId, string>> = {};
        for (const [parameter, kit] of kitsOf(about)) kits[parameter] = act.create('kit', kit);
        act.createAs(id, 'connection', {
          tankId,
          name: about.name,
          kind: about.kind,
          instrument: instrument.id,
          kits,
          alarms: {},
        });
      }, `Paired: ${about.name}`),
    );
    return result.saved ? id : null;
  };
}

/** Begins a service pause of so many minutes, or ends it with 0: here, in the other tabs, and in those to come. */
export function pauseService(
  connection: RevisionOf<'connection'>,
  minutes: number,
): AppThunk<Promise<void>> {
  return async (_, getState, { services }) => {
    const pausedUntil = minutes === 0 ? 0 : services.now() + minutes * MINUTE_MS;
    tellLive(connection.id, { pausedUntil });
    await sampleStoreOf(getState().session.which).keepPause(connection.id, pausedUntil);
  };
}

/** Ends a connection: its token is forgotten, what it measured stays. */
export function endConnection(connection: RevisionOf<'connection'>): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    await sampleStoreOf(getState().session.which).forgetToken(connection.id);
    await dispatch(
      recordAct(
        (act) => act.revise(connection, { ...connection.body, ended: true }),
        `Ended the connection to ${connection.body.name}`,
      ),
    );
  };
}

/** Logs what an instrument read, as a reading of the meter that stands for it. */
export function recordRead(
  connection: RevisionOf<'connection'>,
  parameter: ParameterId,
  value: number,
  at: number,
  words: string,
): AppThunk<Promise<boolean>> {
  return async (dispatch, getState) => {
    const { tankId, kits } = connection.body;
    const kitId = kits[parameter];
    const kit = liveHead(getState().log, kitId ?? null, 'kit');
    if (kitId === undefined || !kit) return false;
    const zone = liveHead(getState().log, tankId, 'tank')?.body.zone ?? 'UTC';
    const { saved } = await dispatch(
      recordAct(
        (act) =>
          act.create('entry', {
            kind: 'reading',
            tankId,
            at: isoInZone(at, zone),
            parameter,
            kitId,
            value: { form: 'digital', value, unit: kit.body.unit },
            dilution: 1,
          }),
        words,
      ),
    );
    return saved;
  };
}
