import type { Forecast } from '@/core/cycle/forecast/types';
import { binderWords } from '@/core/quarantine/medicine/binder';
import { freeAmmoniaNow } from '@/core/meaning/fishIn';
import { readingWords } from '@/core/history/reading';
import { latestReading, type TankHistory } from '@/core/history/tankHistory';
import { momentInSentence } from '@/core/time/words';
import { DAY_MS } from '@/core/time/zone';
import { formatPlain } from '@/core/units/format';
import { Remark } from '@/ui/Remark';
import { Words } from '@/ui/Words';

const LEVEL_WORDS = {
  comfortable: { tone: 'plain', title: 'Free ammonia is low', act: 'Test again tomorrow.' },
  watch: {
    tone: 'watch',
    title: 'Some of the ammonia is free',
    act: 'Feed nothing today and test again this evening.',
  },
  act: {
    tone: 'caution',
    title: 'Act now: free ammonia',
    act: 'Change a third to half of the water today, matched in temperature and salinity, feed nothing, and test again an hour later: it has to come under 0.02 mg/L today. New water of a higher pH frees more ammonia: keep pH no higher than it is.',
  },
  emergency: {
    tone: 'danger',
    title: 'Emergency: free ammonia',
    act: 'Move the fish to clean salt water of the same temperature and salinity now, or change half of the water, and half again an hour later, until it is under 0.02 mg/L today. Give them air. If they gasp or lie on the bottom, it is an emergency whatever a test reads: ask a veterinarian.',
  },
} as const;

/** How the ammonia stands for fish in a tank whose cycle is not done, and what to do. */
export function FishInRemark({
  history,
  forecast,
  now,
}: {
  history: TankHistory;
  forecast: Forecast | null;
  now: number;
}) {
  const zone = history.tank.zone;
  const ammonia = latestReading(history, 'ammonia');
  const judged = freeAmmoniaNow(history, now);
  if (!ammonia || !judged) {
    return (
      <Remark tone="caution" title="Test ammonia today">
        There are fish in a tank that is still cycling. Test ammonia every day, pH with it: without
        a test nobody can tell what they breathe.
      </Remark>
    );
  }
  const level = LEVEL_WORDS[judged.level];
  const binder =
    level.tone === 'caution' || level.tone === 'danger' ? ` ${binderWords(history, now)}` : '';
  const band = forecast?.bands.free;
  const tomorrow = band?.p90[band.at.findIndex((at) => at >= now + DAY_MS)];
  return (
    <Remark tone={level.tone} title={level.title}>
      <Words as="body">
        {`Ammonia read ${readingWords(ammonia)} ${momentInSentence(ammonia.at, zone, now)}: up to ${formatPlain(judged.range.high, 3)} mg/L of it free. ${level.act}${binder}${tomorrow === undefined ? '' : ` By tomorrow it ${tomorrow > judged.range.high ? 'may reach' : 'is likely under'} ${formatPlain(tomorrow, 3)}.`}`}
      </Words>
    </Remark>
  );
}
