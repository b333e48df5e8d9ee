import { fullDayWords, timeWords } from '../time/words';
import type { Settings } from '../records/schema/settings';
import { inMeasures } from '../units/measures';
import { finderWith } from '../livestock/roster/lodgers';
import { isInCycle } from './inCycle';
import type { ReportWords } from './words';
import type { Report, ReportGiven, ReportOf, ReportPart } from './types';
import { carePart } from './sections/care';
import { instrumentsPart } from './sections/instruments';
import { lossesPart, planPart, rosterPart } from './sections/livestock';
import { tankPart } from './sections/tank';
import { verdictPart } from './sections/verdict';
import { waterPart } from './sections/water';

/** The parts of a report in their order: what a stranger asks first comes first. */
const PARTS: readonly { id: string; heading: string; part: (of: ReportOf) => ReportPart }[] = [
  { id: 'verdict', heading: 'How it stands', part: verdictPart },
  { id: 'water', heading: 'Water', part: waterPart },
  { id: 'roster', heading: 'Who lives in it', part: rosterPart },
  { id: 'losses', heading: 'Who was lost', part: lossesPart },
  { id: 'care', heading: 'What was done and seen', part: carePart },
  { id: 'plan', heading: 'Who is to come', part: planPart },
  { id: 'tank', heading: 'The tank', part: tankPart },
  { id: 'instruments', heading: 'What the figures rest on', part: instrumentsPart },
];

/** What a report is, and what it is not. */
export const REPORT_CAUTION =
  'Made from what the keeper logged. It is no diagnosis: sick animals are a veterinarian’s to judge, and medicines go by their labels.';

/** Litres and centimetres of its sentences and tables in the keeper's own units. */
function inOwnMeasures(part: ReportPart, settings: Settings): ReportPart {
  const own = (text: string) => inMeasures(text, settings);
  const { lines, table } = part;
  return {
    ...part,
    lines: lines.map(own),
    ...(table ? { table: { ...table, rows: table.rows.map((row) => row.map(own)) } } : {}),
  };
}

/** One document of a tank, for a shop, a club or a veterinarian. */
export function reportOf(given: ReportGiven, words: ReportWords): Report {
  const { log, history, verdict, bands, settings, now } = given;
  const { tank, tankId } = history;
  const forecast = isInCycle(history) ? given.forecast : null;
  const facts = words.factsOf(log, tankId, tank.zone);
  const of: ReportOf = {
    ...given,
    forecast,
    cycle: isInCycle(history) ? words.cycleSentence(history, verdict, forecast) : null,
    water: words.waterSentence(history, bands, now),
    described: {
      water: words.tankWater(tank, settings),
      parts: words.describeTank({ tank, facts, settings, now }),
    },
    find: finderWith(log.species.map(({ body }) => body)),
  };
  return {
    title: tank.name,
    dated: `${fullDayWords(now, tank.zone)}, ${timeWords(now, tank.zone)} (${tank.zone})`,
    sections: PARTS.map(({ id, heading, part }) => ({
      id,
      heading,
      ...inOwnMeasures(part(of), settings),
    })),
  };
}
