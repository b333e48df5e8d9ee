import { isStale } from '../cycle/verdict/criteria/zero';
import { latestReading, type TankHistory } from '../history/tankHistory';
import { sideOf, type Bands } from '../parameters/bands';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../parameters/registry';
import { listWords } from '../units/format';

/** Whether what was measured lately lies where it should: what Results and the list of places say first. */
export function waterSentence(history: TankHistory, bands: Bands, now: number) {
  const fresh = PARAMETER_IDS.filter((id) => {
    const last = latestReading(history, id);
    return last && !isStale(last, now);
  });
  const out = fresh.filter((id) => {
    const last = latestReading(history, id);
    const band = bands[id];
    return last && band && sideOf(last.best, band) !== 'within';
  });
  const names = (ids: readonly ParameterId[]) =>
    listWords(ids.map((id) => PARAMETERS[id].inSentence));
  if (PARAMETER_IDS.every((id) => history.readings[id].length === 0)) {
    return {
      title: 'Nothing measured yet.',
      detail: 'What is tested shows here, one line for each test.',
    };
  }
  if (fresh.length === 0) {
    return { title: 'All readings are old.', detail: 'None is recent enough to speak for today.' };
  }
  if (out.length > 0) {
    return {
      title:
        out.length === 1
          ? `One reading is out of band.`
          : `${out.length} readings are out of band.`,
      detail: `${names(out).replace(/^./, (c) => c.toUpperCase())} ${out.length === 1 ? 'lies' : 'lie'} outside; ${fresh.length - out.length} other recent ${fresh.length - out.length === 1 ? 'one is' : 'ones are'} fine.`,
    };
  }
  return {
    title: 'Everything recent is in band.',
    detail: `Recent: ${names(fresh)}.`,
  };
}
