import { ALARM_IDS, type AlarmId } from './alarmIds';
import { ALARMS } from './alarms';
import { alarmFirst } from './alarmFirst';
import { alarmTitle, alarmWorst } from './alarmWords';
import { PROCEDURES } from '../../runs/procedures';
import type { ChannelId } from '../channels';
import {
  watched,
  watchFrom,
  type StillRinging,
  type Circumstances,
  type Heard,
  type Turn,
  type Watch,
} from './watch';

const START = Date.parse('2026-03-02T12:00:00Z');
const MINUTE = 60_000;
const SECOND = 1000;
const BANDS = {
  temperature: { low: 24, high: 26.5 },
  salinity: { low: 33, high: 35.5 },
} satisfies Circumstances['bands'];
const GOOD = { temperature: 25.4, ph: 8.1, salinity: 34.6, freeAmmonia: 0.001 };

/** A monitor that is watched: samples are heard as they are measured unless said otherwise. */
class Watching {
  private watch: Watch;

  constructor(still: readonly StillRinging[] = []) {
    this.watch = watchFrom(START, still);
  }

  at = START;
  turns: Turn[] = [];
  told: Partial<Circumstances> = {};

  hear(heard: Heard, now = heard.at): Turn[] {
    this.at = Math.max(this.at, heard.at);
    const { watch, turns } = watched(this.watch, heard, {
      now,
      bands: BANDS,
      choices: {},
      night: false,
      pausedUntil: 0,
      ...this.told,
    });
    this.watch = watch;
    this.turns.push(...turns);
    return turns;
  }

  /** A sample a minute for some minutes. @param values by the minute */
  minutes(
    count: number,
    values: (minute: number) => Partial<Record<ChannelId, number>> = () => ({}),
  ): this {
    for (let minute = 1; minute <= count; minute += 1)
      this.hear({ at: this.at + MINUTE, values: { ...GOOD, ...values(minute) } });
    return this;
  }

  get rang(): AlarmId[] {
    return this.turns.filter(({ until }) => until === null).map(({ alarm }) => alarm);
  }
}

describe('a sample a minute', () => {
  it('of good water rings nothing in a day', () => {
    expect(new Watching().minutes(1440).turns).toEqual([]);
  });

  it.each<[AlarmId, Partial<Record<ChannelId, number>>, number]>([
    ['temperatureOff', { temperature: 28.1 }, 11],
    ['temperatureOff', { temperature: 21.9 }, 11],
    ['temperatureFar', { temperature: 29.6 }, 1],
    ['temperatureFar', { temperature: 20.9 }, 1],
    ['salinityOff', { salinity: 36.6 }, 31],
    ['salinityFar', { salinity: 30.9 }, 6],
    ['ammoniaUp', { freeAmmonia: 0.021 }, 61],
    ['ammoniaHigh', { freeAmmonia: 0.051 }, 16],
    ['ammoniaNow', { freeAmmonia: 0.101 }, 1],
    ['phHigh', { ph: 8.61 }, 1],
    ['phLow', { ph: 7.59 }, 61],
  ])('%s at %o rings in minute %d and not before', (alarm, values, minute) => {
    // Led there slowly, so that what moves quickly does not ring.
    const watching = new Watching();
    const [[channel, wanted]] = Object.entries(values) as [[ChannelId, number]];
    const from = GOOD[channel];
    watching.told = { choices: { salinityRate: { off: true }, phJump: { off: true } } };
    watching.minutes(5);
    watching.minutes(minute - 1, () => ({ [channel]: wanted }));
    expect(watching.rang).not.toContain(alarm);
    watching.minutes(1, () => ({ [channel]: wanted }));
    expect(watching.rang).toContain(alarm);
    expect(watching.turns.find((turn) => turn.alarm === alarm)?.worst).toBe(wanted);
    expect(from).not.toBe(wanted);
  });

  it('knows a top-off that sticks by its rate, and a salinity that only trembles by nothing', () => {
    const stuck = new Watching()
      .minutes(40)
      .minutes(60, (minute) => ({ salinity: 34.6 - (0.7 * minute) / 60 }));
    expect(stuck.rang).toEqual(['salinityRate']);
    const trembling = new Watching().minutes(600, (minute) => ({
      salinity: 34.6 + 0.15 * Math.sin(minute * 37),
    }));
    expect(trembling.turns).toEqual([]);
  });

  it('knows a jump of pH, and a day that swings by nothing', () => {
    expect(new Watching().minutes(15).minutes(4, () => ({ ph: 8.32 })).rang).toEqual(['phJump']);
    const day = new Watching().minutes(1440, (minute) => ({
      ph: 8.1 + 0.2 * Math.sin((minute / 1440) * 2 * Math.PI),
    }));
    expect(day.turns).toEqual([]);
  });

  it('believes a zero of conductivity with the third', () => {
    const bubble = new Watching()
      .minutes(5)
      .minutes(2, () => ({ salinity: 0 }))
      .minutes(30);
    expect(bubble.turns).toEqual([]);
    const out = new Watching().minutes(5).minutes(9, () => ({ salinity: 0 }));
    expect(out.rang).toContain('salinityFar');
  });

  it('rings once for what swings about its limit, and is over by a margin and two minutes', () => {
    const watching = new Watching().minutes(60, (minute) => ({
      temperature: minute % 2 ? 29.6 : 29.3,
    }));
    expect(watching.rang.filter((alarm) => alarm === 'temperatureFar')).toEqual(['temperatureFar']);
    watching.turns = [];
    watching.minutes(3);
    expect(watching.turns.find(({ alarm }) => alarm === 'temperatureFar')).toMatchObject({
      until: watching.at - 2 * MINUTE,
      worst: 29.6,
    });
  });
});

describe('switches', () => {
  it.each<['leak' | 'pumpOff' | 'levelLow' | 'sumpHigh', number]>([
    ['leak', 10],
    ['sumpHigh', 60],
    ['levelLow', 120],
    ['pumpOff', 120],
  ])('%s rings after %d s, and at once no longer when it turns', (of, seconds) => {
    const watching = new Watching();
    watching.hear({ of, on: true, at: START });
    watching.hear({ at: START + (seconds - 1) * SECOND });
    expect(watching.rang).toEqual([]);
    watching.hear({ at: START + seconds * SECOND });
    expect(watching.rang).toEqual([of]);
    expect(watching.hear({ of, on: false, at: START + 200 * SECOND })).toMatchObject([
      { alarm: of, until: START + 200 * SECOND },
    ]);
  });
});

describe('silence', () => {
  it('rings after five minutes and is over with the next sample', () => {
    const watching = new Watching().minutes(3);
    for (let seconds = 20; seconds <= 6 * 60 + 60; seconds += 20)
      watching.hear({ at: START + 3 * MINUTE + seconds * SECOND });
    expect(watching.rang).toEqual(['silent']);
    watching.at = START + 12 * MINUTE;
    watching.minutes(1);
    expect(watching.turns.at(-1)).toMatchObject({ alarm: 'silent', until: START + 13 * MINUTE });
  });
});

describe('a clock that is behind ours, or a monitor that catches up', () => {
  it('is heard although time went on meanwhile, and rings no silence', () => {
    const watching = new Watching();
    const behind = 40 * SECOND;
    for (let minute = 1; minute <= 12; minute += 1) {
      const now = START + minute * MINUTE;
      for (let seconds = 5; seconds < 60; seconds += 5)
        watching.hear({ at: now - MINUTE + seconds * SECOND });
      watching.hear(
        { at: now - behind, values: { ...GOOD, temperature: minute > 6 ? 29.6 : 25 } },
        now,
      );
    }
    expect(watching.rang).toEqual(['temperatureFar']);
  });

  it('tells afterwards what it measured before, while ticks run ahead of it', () => {
    const watching = new Watching();
    const late = START + 48 * 60 * MINUTE;
    for (let minute = 1; minute <= 30; minute += 1) {
      watching.hear({ at: late + minute * SECOND });
      const values = { ...GOOD, temperature: minute > 10 && minute < 20 ? 31 : 25 };
      watching.hear({ at: START + minute * MINUTE, values }, late + minute * SECOND);
    }
    expect(watching.turns.map(({ alarm, past }) => [alarm, past])).toEqual([
      ['temperatureFar', true],
      ['temperatureFar', true],
    ]);
  });

  it('rings for what began while nobody was connected and still goes on', () => {
    const watching = new Watching();
    const end = START + 60 * MINUTE;
    for (let minute = 1; minute <= 60; minute += 1)
      watching.hear({ at: START + minute * MINUTE, values: { ...GOOD, temperature: 31 } }, end);
    expect(
      watching.turns
        .filter(({ alarm }) => alarm === 'temperatureFar')
        .map(({ past, since }) => [past, since]),
    ).toEqual([
      [true, START + MINUTE],
      [false, START + MINUTE],
    ]);
  });

  it('rings no second time after a reload, and is over when the water is back', () => {
    const still = { alarm: 'temperatureFar', since: START - 60 * MINUTE, worst: 30 } as const;
    const watching = new Watching([still]).minutes(5, () => ({ temperature: 31 }));
    expect(watching.rang).not.toContain('temperatureFar');
    watching.minutes(4);
    expect(watching.turns.find(({ alarm }) => alarm === 'temperatureFar')).toMatchObject({
      since: still.since,
      worst: 31,
      until: START + 6 * MINUTE,
    });
  });

  it('what is fetched between what was heard is passed over', () => {
    const watching = new Watching().minutes(10);
    expect(
      watching.hear({ at: START + 3 * MINUTE, values: { temperature: 35 } }, START + 10 * MINUTE),
    ).toEqual([]);
  });
});

describe('who is not to be woken', () => {
  it('by night hears only what kills, and by day what still goes on', () => {
    const watching = new Watching();
    watching.told = { night: true };
    watching.minutes(80, () => ({ ph: 7.5 }));
    expect(watching.rang).toEqual([]);
    watching.minutes(1, () => ({ temperature: 30, ph: 7.5 }));
    expect(watching.rang).toEqual(['temperatureFar']);
    watching.told = { night: false };
    watching.minutes(1, () => ({ ph: 7.5 }));
    expect(watching.rang).toContain('phLow');
    for (const id of [
      'leak',
      'pumpOff',
      'temperatureFar',
      'ammoniaHigh',
      'ammoniaNow',
      'phJump',
      'salinityRate',
    ] as const)
      expect(ALARMS[id].byNight).toBe(true);
  });

  it('in a service pause hears of a leak, and of the rest once it is over', () => {
    const watching = new Watching();
    watching.told = { pausedUntil: START + 10 * MINUTE };
    watching.hear({ of: 'pumpOff', on: true, at: START });
    watching.minutes(9);
    expect(watching.rang).toEqual([]);
    watching.hear({ of: 'leak', on: true, at: watching.at });
    watching.hear({ at: watching.at + 10 * SECOND });
    expect(watching.rang).toEqual(['leak']);
    watching.minutes(1);
    expect(watching.rang).toEqual(['leak', 'pumpOff']);
  });

  it('is told afterwards of what was measured more than ten minutes ago, and it rings nothing', () => {
    const watching = new Watching();
    const late = START + 3 * 60 * MINUTE;
    for (let minute = 1; minute <= 20; minute += 1)
      watching.hear(
        { at: START + minute * MINUTE, values: { temperature: minute > 10 ? 25 : 30 } },
        late,
      );
    expect(watching.turns.every(({ past }) => past)).toBe(true);
    expect(watching.rang).toContain('temperatureFar');
  });

  it('gets an alarm as it was chosen: off, beyond another figure, after another time', () => {
    const watching = new Watching();
    watching.told = {
      choices: {
        temperatureFar: { off: true },
        temperatureOff: { beyond: 5, minutes: 1 },
        phHigh: { beyond: 9 },
      },
    };
    watching.minutes(30, () => ({ temperature: 30, ph: 8.7 }));
    expect(watching.rang.filter((alarm) => alarm !== 'phJump')).toEqual([]);
    watching.minutes(2, () => ({ temperature: 31.6 }));
    expect(watching.rang).toContain('temperatureOff');
  });
});

it('every alarm says what is wrong and what to do first, and leads to an emergency that there is', () => {
  const known = Object.keys(PROCEDURES);
  for (const id of ALARM_IDS) {
    expect(alarmTitle(id)).toMatch(/^[A-Zp].*[^.]$/);
    expect(alarmFirst(id)).toMatch(/\.$/);
    const { emergency, watches } = ALARMS[id];
    if (emergency !== null) expect(known).toContain(emergency);
    const shows = watches.by !== 'switch' && watches.by !== 'silence';
    expect(alarmWorst(id, 1)).toMatch(shows ? /1/ : /^$/);
  }
  expect(new Set(ALARM_IDS.map(alarmTitle)).size).toBe(ALARM_IDS.length);
});
