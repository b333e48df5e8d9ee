import { useTyped } from '@/store/hooks';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { chanceWords } from '@/core/cycle/words/chanceWords';
import { chanceReadyBy } from '@/core/cycle/forecast/chance';
import { dateRangeWords } from '@/core/cycle/forecast/dates/rangeWords';
import type { Forecast, ValueRange } from '@/core/cycle/forecast/types';
import type { TankHistory } from '@/core/history/tankHistory';
import { momentInSentence, shortDay } from '@/core/time/words';
import { addDaysIn, atTimeOn, dayOf } from '@/core/time/zone';
import { dayInWords } from '@/core/time/calendar';
import { DayField } from '@/ui/DayField';
import { formatPlain, formatSignificant } from '@/core/units/format';
import { Sheet } from '@/ui/Sheet';
import { color, space, touch } from '@/ui/tokens';
import { Figure, Words } from '@/ui/Words';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  strip: { flexDirection: 'row', flexWrap: 'wrap', borderTopWidth: 1, borderColor: color.rule },
  cell: {
    flexGrow: 1,
    flexBasis: 150,
    minHeight: touch + 16,
    paddingVertical: space.s,
    paddingRight: space.s,
    borderBottomWidth: 1,
    borderColor: color.rule,
  },
  name: { textDecorationLine: 'underline', textDecorationStyle: 'dotted' },
});

/** How a figure came about: what it stands for, from what, by which sum, and what would change it. */
interface Working {
  title: string;
  value: string;
  unit?: string;
  spread: string;
  /** Paragraphs, first what it is. */
  words: string[];
  /** Whether it answers for a day of the keeper's choice. */
  asksDay?: true;
}

/** Less than this of a capacity nobody could measure, mg N/L/day. */
const TOO_SMALL = 0.01;

function capacityFigure(value: number): string {
  return value < TOO_SMALL ? `under ${TOO_SMALL}` : formatSignificant(value, 2);
}

function spreadWords({ p10, p90 }: ValueRange): string {
  if (p90 < TOO_SMALL) return 'too little to measure';
  return `${p10 < TOO_SMALL ? '0' : formatSignificant(p10, 2)}–${formatSignificant(p90, 2)}`;
}

function workings(forecast: Forecast, history: TankHistory, now: number): Working[] {
  const zone = history.tank.zone;
  const basis = `From ${forecast.readings} readings and every dose, bottle and water change in the log, as of ${momentInSentence(forecast.at, zone, now)}. ${forecast.kits
    .filter((kit) => kit.parameter !== 'nitrate')
    .map(
      (kit) =>
        `${kit.name} seems to read ${formatPlain(kit.bias.p50 * 100, 0)} % of the truth (${formatPlain(kit.bias.p10 * 100, 0)}–${formatPlain(kit.bias.p90 * 100, 0)} %).`,
    )
    .join(' ')}`;
  const method =
    'Some hundreds of tanks whose filter bacteria could have made these readings are run forward, each with its own size, growth and kit. A card step counts as the range nearest to it. The range shown held 8 in 10 of the dates of test tanks made by another model.';
  const change =
    'A new test changes it most; so do alkalinity, temperature and anything that went in and is not logged.';
  const capacity = (side: 'ammonia' | 'nitrite') => ({
    title: side === 'ammonia' ? 'Clears ammonia' : 'Clears nitrite',
    value: capacityFigure(forecast.clears[side].p50),
    unit: 'ppm N a day',
    spread: spreadWords(forecast.clears[side]),
    words: [
      `What the filter bacteria can turn over in a day with plenty to feed on, here and now: at this tank’s temperature, pH and alkalinity, as nitrogen. ${side === 'ammonia' ? 'Divide by 0.78 for ppm as NH4.' : 'Times 3.28 for ppm as NO2.'}`,
      basis,
      method,
      change,
    ],
  });
  const { ready } = forecast.milestones;
  const proof = forecast.nextTest?.purpose === 'challenge' ? forecast.nextTest : null;
  const week = addDaysIn(now, 7, zone);
  return [
    capacity('ammonia'),
    capacity('nitrite'),
    {
      title: 'Ready by your rule for done',
      value: proof ? `from ${shortDay(proof.at, zone)}` : dateRangeWords(ready, zone),
      spread: proof
        ? 'if a dose now is gone by then'
        : ready.p50 !== null && ready.p50 > now
          ? `${chanceWords(chanceReadyBy(forecast, week))} within a week`
          : 'if tests show it',
      asksDay: true,
      words: [
        'When the water is likely to meet your rule for done, if nothing more is dosed than that rule asks for. Only tests grant it.',
        basis,
        method,
        change,
        ready.p90 === null ? 'In some of these tanks it does not come within four months.' : '',
      ].filter(Boolean),
    },
  ];
}

/** The chance of being ready by a day that the keeper has in mind. */
function ReadyBy({ forecast, zone, now }: { forecast: Forecast; zone: string; now: number }) {
  const today = dayOf(now, zone);
  const [day, setDay] = useTyped('readyBy/figures', dayOf(addDaysIn(now, 14, zone), zone));
  const known = dayInWords(day);
  return (
    <View style={{ gap: space.s }}>
      <DayField label="Ready by the evening of" value={day} onChange={setDay} today={today} />
      <Words as="body" live>
        {known === null
          ? 'Write a day, and the chance of being ready by then stands here.'
          : day < today
            ? 'That day has gone by.'
            : `By ${known}: **${chanceWords(chanceReadyBy(forecast, atTimeOn(day, 20, 0, zone)))}**.`}
      </Words>
    </View>
  );
}

/** The forecast's three figures; each opens to how it came about. */
export function Figures({
  forecast,
  history,
  now,
}: {
  forecast: Forecast;
  history: TankHistory;
  now: number;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const list = workings(forecast, history, now);
  const shown = list.find((working) => working.title === open);
  return (
    <>
      <View style={styles.strip}>
        {list.map((working) => (
          <Tap
            key={working.title}
            role="button"
            aria-label={`${working.title}: ${working.value} ${working.unit ?? ''}, ${working.spread}. How it is worked out`}
            onPress={() => setOpen(working.title)}
            style={styles.cell}
          >
            <Words as="small" style={styles.name}>
              {working.title}
            </Words>
            <Figure value={working.value} unit={working.unit} size={19} />
            <Words as="small">{working.spread}</Words>
          </Tap>
        ))}
      </View>
      {shown ? (
        <Sheet title={shown.title} open onClose={() => setOpen(null)}>
          <Figure value={shown.value} unit={shown.unit} size={30} />
          <Words as="soft">{shown.spread}</Words>
          {shown.asksDay ? (
            <ReadyBy forecast={forecast} zone={history.tank.zone} now={now} />
          ) : null}
          {shown.words.map((words) => (
            <Words key={words} as="body">
              {words}
            </Words>
          ))}
        </Sheet>
      ) : null}
    </>
  );
}
