import { useRouter } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { mattered, type Mattered } from '@/core/practice/after/mattered';
import { alikeWords } from '@/core/practice/after/alike';
import { fingerprint } from '@/core/practice/run/fingerprint';
import { followedOf, type Followed } from '@/core/practice/after/followed';
import type { TankHistory } from '@/core/history/tankHistory';
import type { RunHeader, Said } from '@/core/practice/run/header';
import { courseUntil, type Played } from '@/core/practice/run/play';
import { runUntil, writeRun } from '@/core/practice/run/runFile';
import { situationOf } from '@/core/practice/situations/situations';
import type { Course } from '@/core/practice/world/live';
import { entryLine, entryTitle } from '@/core/records/kinds';
import { liveHead } from '@/core/records/log';
import { momentWords, shortDay } from '@/core/time/words';
import { daysBetween, HOUR_MS, instant } from '@/core/time/zone';
import { countOf, formatPlain, listWords } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { to } from '@/frame/addresses';
import { download } from '@/frame/browserFiles';
import { askAlike, answerQuestion, openPractice, openRun, selectPlayed } from '@/store/practice';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import type { Living } from '@/workers/practice/client';
import { selectLog, selectNow, selectSession } from '@/store/selectors';
import { noticed } from '@/store/sessionSlice';
import { selectHistory } from '@/store/inView';
import { daySpan } from '@/ui/chart/span';
import type { ChartSeries } from '@/ui/chart/TimeChart';
import { Choice } from '@/ui/Choice';
import { TimeChart } from '@/ui/Drawing';
import { LinkButton, Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { color } from '@/ui/tokens';
import { useWide } from '@/ui/useWide';
import { Words } from '@/ui/Words';

/** What a made-up tank truly did, laid over what its keeper saw of it. */
export function AfterScreen() {
  const { status } = useAppSelector(selectSession);
  const played = useAppSelector(selectPlayed);
  if (status === 'opening') return <Screen head={<BackHead title="Afterwards" />}>{null}</Screen>;
  if (!played) {
    return (
      <Screen head={<BackHead title="Afterwards" />}>
        <Opening title="No practice is open.">
          Begin one under Practice, or go on with the last one, and come back here.
        </Opening>
      </Screen>
    );
  }
  return <After played={played} />;
}

function After({ played }: { played: Played }) {
  const dispatch = useAppDispatch();
  const { header, start } = played;
  const situation = situationOf(header.situation);
  const course = useMemo(() => courseUntil(played), [played]);
  const deeds = useMemo(() => mattered(played, instant(header.startedAt)), [played, header]);
  const changed = deeds.filter(({ did }) => did.length > 0);
  const day = (at: number) => daysBetween(start.filledAt, at, header.zone);
  return (
    <Screen head={<BackHead title="Afterwards" />}>
      <Opening title={openingTitle(course)}>{asked(header) ? situation.was : undefined}</Opening>
      {situation.question ? (
        <>
          <Choice
            label={situation.question.asks}
            value={header.answer === null ? '' : String(header.answer)}
            onChange={(value) => dispatch(answerQuestion(Number(value)))}
            options={situation.question.answers.map(({ words }, n) => ({
              value: String(n),
              label: words,
            }))}
          />
          {header.answer === null ? (
            <Words as="soft">Answer first: what was hidden is told then.</Words>
          ) : (
            <Words as="body">{`**${situation.question.answers[header.answer]?.right ? 'So it was.' : 'Not quite.'}** ${situation.question.answers[header.answer]?.why ?? ''}`}</Words>
          )}
        </>
      ) : null}
      {asked(header) ? (
        <>
          <SectionHead title="What was in the water" />
          <TruthChart played={played} course={course} />
          <SectionHead title="What you did, and what it did" />
          {changed.length === 0 ? (
            <Words as="body">
              Nothing that you did has changed this tank so far. Waiting is a deed as well.
            </Words>
          ) : null}
          {changed.map((each) => (
            <DeedPart key={each.deed.id} each={each} played={played} day={day(each.deed.at)} />
          ))}
          <SaidPart played={played} />
          <Words as="small">{`This life: ${fingerprint(course)}. Opened on another device it shows the same.`}</Words>
        </>
      ) : null}
    </Screen>
  );
}

/** Whether what was hidden may be told: where a question is asked, once it was answered. */
const asked = (header: RunHeader) =>
  situationOf(header.situation).question === null || header.answer !== null;

function openingTitle({ lived }: Course): string {
  const died = lived.state.deaths.length;
  const there = lived.state.dwellers.reduce((sum, { count }) => sum + count, 0);
  if (died > 0) return `${countOf(died, 'animal')} died of the water.`;
  return there > 0 ? `All ${countOf(there, 'animal')} live.` : 'Nobody was harmed.';
}

/** Hours between two points of the line: a whole life has no more of them than its drawing has room for. */
const POINTS = 300;

function TruthChart({ played, course }: { played: Played; course: Course }) {
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const wide = useWide();
  const { start, header } = played;
  const hours = course.series.ammonia.length;
  const span = daySpan(start.filledAt, now, header.zone, wide ? 5 : 3, 1);
  const series = useMemo<ChartSeries[]>(() => {
    const step = Math.max(1, Math.ceil(hours / POINTS));
    const places = Array.from({ length: Math.ceil(hours / step) }, (_, n) => n * step);
    const at = places.map((hour) => start.filledAt + hour * HOUR_MS);
    const lineOf = (name: 'ammonia' | 'nitrite' | 'nitrate') => {
      const values = places.map((hour) => course.series[name][hour] ?? 0);
      return { at, low: values, middle: values, high: values };
    };
    const points = (name: 'ammonia' | 'nitrite' | 'nitrate') =>
      (history?.readings[name] ?? []).map((reading) => ({
        x: reading.at,
        y: reading.best,
        low: reading.range.low,
        high: Math.min(reading.range.high, reading.best * 1.5),
      }));
    const looks = [
      { id: 'nitrate', marker: 'square', filled: false, stroke: color.inkSoft, dash: '2 3' },
      { id: 'nitrite', marker: 'triangle', filled: false, stroke: color.deep, dash: '6 4' },
      { id: 'ammonia', marker: 'diamond', filled: true, stroke: color.ink },
    ] as const;
    return looks.map((look) => ({
      ...look,
      label: look.id,
      points: points(look.id),
      course: lineOf(look.id),
    }));
  }, [course, hours, history, start]);
  const salinity = course.series.salinity;
  return (
    <View style={{ gap: 4 }}>
      <TimeChart
        series={series}
        from={span.from}
        to={span.to}
        now={now}
        unit="mg N/L"
        zeroBased
        xTicks={span.ticks}
        formatY={(value) => formatPlain(value, 2)}
        height={wide ? 320 : 250}
        legend="Lines are what truly was, hour by hour; marks are what the tests were read as. All as nitrogen."
        summary="Ammonia, nitrite and nitrate as they truly were, with what the tests were read as."
        table={{
          columns: ['Day', 'Ammonia', 'Nitrite', 'Nitrate', 'Alkalinity', 'Salinity'],
          rows: Array.from({ length: Math.ceil(hours / 24) }, (_, day) => [
            String(day),
            ...(['ammonia', 'nitrite', 'nitrate', 'alkalinity'] as const).map((name) =>
              formatPlain(course.series[name][24 * day] ?? 0, 2),
            ),
            formatPlain(salinity[24 * day] ?? 0, 1),
          ]),
        }}
      />
    </View>
  );
}

function DeedPart({ each, played, day }: { each: Mattered; played: Played; day: number }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const log = useAppSelector(selectLog);
  const [words, setWords] = useState<string | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const { deed, did } = each;
  const { zone } = played.header;
  const line = entryLine(deed.entry, {
    netLitres: played.start.beginning.computedLitres,
    zone,
    kitOf: (id) => liveHead(log, id, 'kit')?.body,
  });
  const living = useRef<Living | null>(null);
  useEffect(() => () => living.current?.stop(), []);
  const ask = async () => {
    setShare(0);
    living.current = dispatch(askAlike(deed.id, setShare));
    const answer = (await living.current?.lived) ?? 'failed';
    setShare(null);
    if (answer === 'stopped') return;
    setWords(
      answer === 'failed'
        ? 'That could not be worked out here. Ask once more.'
        : alikeWords(answer),
    );
  };
  const another = async () => {
    const run = dispatch(openRun());
    if (!run) return;
    download(`zoarium-practice-day-${day}.json`, writeRun(run));
    if (await dispatch(openPractice(runUntil(run, deed.at - 1)))) router.replace(to.today);
    else {
      const text = 'The browser did not store the second tank. The first is in the file just saved';
      dispatch(noticed({ text, undo: null }));
    }
  };
  return (
    <View>
      <Row
        title={`Day ${day}: ${entryTitle(deed.entry)}`}
        note={line}
        end={shortDay(deed.at, zone)}
      />
      {did.map((sentence) => (
        <Words key={sentence} as="body">
          {sentence}
        </Words>
      ))}
      {words ? <Words as="body">{words}</Words> : null}
      {share !== null ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', columnGap: 16 }}>
          <Words as="soft">{`Living 200 tanks like it, ${Math.round(100 * share)} %`}</Words>
          <LinkButton soft label="Stop" onPress={() => living.current?.stop()} />
        </View>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 16 }}>
        {words === null && share === null ? (
          <LinkButton
            soft
            label="Was it luck? Ask 200 tanks like it"
            accessibleName={`Was it luck? Ask 200 tanks like it about day ${day}, ${entryTitle(deed.entry)}`}
            onPress={() => void ask()}
          />
        ) : null}
        <LinkButton
          soft
          label="Go on from before it another way"
          accessibleName={`Go on from before day ${day}, ${entryTitle(deed.entry)}, another way`}
          onPress={() => void another()}
        />
      </View>
    </View>
  );
}

const FOLLOWED: Record<Followed, string> = {
  made: 'it was made.',
  partly: 'part of it was made.',
  'not made': 'it was not made.',
  ahead: 'that day lies ahead.',
  none: '',
};

/** The next test that was named, and whether one followed it. */
function nextWords(said: Said, history: TankHistory, now: number, zone: string): string {
  const followed = followedOf(said, history, now);
  if (!said.nextTest || followed === 'none') return '';
  return `Next test, ${listWords(said.nextTest.tests)} on ${shortDay(instant(said.nextTest.at), zone)}: ${FOLLOWED[followed]}`;
}

/** What verdict and forecast had said at the time, and whether it was so. */
function SaidPart({ played }: { played: Played }) {
  const { header } = played;
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const [all, setAll] = useState(false);
  const shown = all ? header.said : header.said.slice(-6);
  if (header.said.length === 0) return null;
  return (
    <>
      <SectionHead title="What was said at the time" />
      {shown.map((said) => {
        const at = instant(said.at);
        const dates = said.forecast
          ? `Both clear between ${shortDay(instant(said.forecast[0]), header.zone)} and ${shortDay(instant(said.forecast[2]), header.zone)}. `
          : '';
        return (
          <Row
            key={said.at}
            title={`Day ${daysBetween(played.start.filledAt, at, header.zone)}: ${said.verdict}`}
            note={[
              `${dates}${said.because}`,
              history ? nextWords(said, history, now, header.zone) : '',
            ]
              .filter(Boolean)
              .join(' ')}
            end={momentWords(at, header.zone, now)}
          />
        );
      })}
      {header.said.length > shown.length ? (
        <Button label={`All ${header.said.length} times`} onPress={() => setAll(true)} />
      ) : null}
    </>
  );
}
