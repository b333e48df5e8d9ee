import { useRouter } from 'expo-router';
import * as z from 'zod';
import { upkeepOf } from '@/core/maintenance/load';
import { upkeepOfNew } from '@/core/maintenance/upkeepOfNew';
import { aboutSpan } from '@/core/units/duration';
import { formatPlain } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppSelector, useDraft } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { selectSettings } from '@/store/selectors';
import { Choice } from '@/ui/Choice';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Opening, Screen } from '@/ui/Screen';
import { litresTyped, NetWater } from './NetWater';
import { useHistories, useMaintenance } from './useMaintenance';

const draftSchema = z.object({ litres: z.string(), sump: z.enum(['yes', 'no']) });

/** One more tank: what it takes each week, beside those there are. */
export function AddTankScreen() {
  const router = useRouter();
  const measured = useMeasures();
  const history = useAppSelector(selectHistory);
  const histories = useHistories();
  const maintenance = useMaintenance();
  const { volumeUnit } = useAppSelector(selectSettings);
  const [draft, setDraft] = useDraft('moving/add', draftSchema, { litres: '', sump: 'no' });
  const litres = litresTyped(draft.litres, volumeUnit);
  if (!history) return null;
  const more = litres === null ? null : upkeepOfNew(history, litres, draft.sump === 'yes');
  const now = histories.reduce((sum, one) => sum + upkeepOf(one, maintenance).minutes, 0);
  return (
    <Screen head={<BackHead title="One more tank" />}>
      <Opening
        title={more === null ? 'How large?' : `About ${aboutSpan(more.minutes)} more each week.`}
      >
        {more === null
          ? 'Its upkeep in minutes and litres, before it is bought.'
          : measured(
              `And ${formatPlain(more.litres, 0)} L of new salt water a week, once it runs. Your tanks take ${aboutSpan(now)} now; tests come on top.`,
            )}
      </Opening>
      <NetWater
        label="Net water"
        unit={volumeUnit}
        value={draft.litres}
        onChange={(text) => setDraft({ ...draft, litres: text })}
      />
      <Choice
        label="With a sump"
        value={draft.sump}
        onChange={(sump) => setDraft({ ...draft, sump })}
        options={[
          { value: 'no', label: 'No' },
          { value: 'yes', label: 'Yes' },
        ]}
      />
      <Remark>
        A sponge in a sump that runs, begun now, seeds it in about six weeks. Hands, nets and cups
        of its own: what goes from tank to tank carries disease.
      </Remark>
      <Button kind="primary" label="Set it up" onPress={() => router.push('/tanks/new')} />
    </Screen>
  );
}
