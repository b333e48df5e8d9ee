import { spreadWords } from '../../livestock/planner/spread';
import { lengthNow } from '../../livestock/roster/lodgers';
import { lossesIn } from '../../livestock/roster/losses';
import { isHere, rosterOf } from '../../livestock/roster/roster';
import { animalsCalled } from '../../records/kinds/animals';
import { dateWords } from '../../time/words';
import { countOf, formatPlain } from '../../units/format';
import type { ReportOf, ReportPart } from '../types';

/** Who lives in it, since when, how large, and from where. */
export function rosterPart({ history, now, find }: ReportOf): ReportPart {
  const here = rosterOf(history).filter(isHere);
  const { zone } = history.tank;
  if (here.length === 0) return { lines: ['Nobody is on record in it.'] };
  return {
    lines: [`${countOf(here.length, 'kind')} of animals on record.`],
    table: {
      columns: ['Who', 'Scientific name', 'Since', 'About', 'From'],
      rows: here.map((cohort) => {
        const cm = lengthNow(cohort, now, find);
        return [
          `${animalsCalled(cohort.what, cohort.here ?? undefined)}${cohort.notSure ? ' (not sure)' : ''}`,
          find(cohort.species ?? '')?.scientific ?? '',
          dateWords(cohort.arrivedAt, zone),
          cm > 0 && cohort.group === 'fish' ? `${formatPlain(cm, 0)} cm` : '',
          cohort.source ?? '',
        ];
      }),
    },
  };
}

/** Who is to come, when, and what binds the day. */
export function planPart({ history, plan, log }: ReportOf): ReportPart {
  const wishes = log.wishes.filter(({ body }) => body.tankId === history.tankId).length;
  if (wishes === 0) return { lines: ['Nobody is wished for.'] };
  if (!plan) {
    return { lines: [`${countOf(wishes, 'wish', 'wishes')}, without dates worked out here.`] };
  }
  const { zone } = history.tank;
  return {
    lines: plan.remarks,
    table: {
      columns: ['Who', 'On about', 'Give or take', 'Why then'],
      rows: [
        ...plan.items.map((item) => [
          animalsCalled(item.name, item.count),
          dateWords(item.addOn.p50, zone),
          spreadWords(item, zone),
          item.because,
        ]),
        ...plan.refused.map(({ name, because }) => [name, 'not planned', '', because]),
      ],
    },
  };
}

/** Who was lost, when, and of what as far as anybody knows. */
export function lossesPart({ history, now }: ReportOf): ReportPart {
  const { losses, patterns } = lossesIn(rosterOf(history), now);
  if (losses.length === 0) return { lines: ['No loss is on record.'] };
  return {
    lines: patterns.map(({ text }) => text),
    table: {
      columns: ['Who', 'On', 'Cause, as far as known'],
      rows: losses.map(({ what, count, at, cause }) => [
        animalsCalled(what, count),
        dateWords(at, history.tank.zone),
        cause ?? '',
      ]),
    },
  };
}
