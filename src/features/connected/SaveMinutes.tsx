import { useState } from 'react';
import { NONE } from '@/core/monitor/samples/block';
import { CHANNEL_IDS, type ChannelId } from '@/core/monitor/channels';
import { minutesCsv } from '@/core/monitor/samples/minutesCsv';
import { dayOf } from '@/core/time/zone';
import type { RevisionOf } from '@/core/records/schema/revision';
import { download } from '@/frame/browserFiles';
import { sampleStoreOf } from '@/store/connections';
import { useAppSelector } from '@/store/hooks';
import { selectSession } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { LinkButton } from '@/ui/Press';
import { Words } from '@/ui/Words';

const DAY_MINUTES = 1440;

/** Hands every minute that a monitor measured over as a spreadsheet, a day at a time so that the page stays free. */
export function SaveMinutes({ connection }: { connection: RevisionOf<'connection'> }) {
  const { which } = useAppSelector(selectSession);
  const [said, setSaid] = useState('');
  const save = async () => {
    const store = sampleStoreOf(which);
    const days = new Set((await store.blocks(connection.id)).map(({ day }) => day));
    if (days.size === 0) return setSaid('Nothing was measured yet.');
    const parts: string[] = [];
    for (const day of [...days].sort((a, b) => a - b)) {
      const first = day * DAY_MINUTES;
      const of = async (channel: ChannelId) =>
        (await store.stretch(connection.id, channel, 1, first, first + DAY_MINUTES - 1)).values;
      const values = await Promise.all(CHANNEL_IDS.map(of));
      const probes = CHANNEL_IDS.map((channel, n) => ({ channel, values: values[n] ?? [NONE] }));
      parts.push(minutesCsv(first, probes, parts.length === 0));
    }
    const name = `zoarium-${LOGS[which].inFiles}minutes-${dayOf(Date.now(), 'UTC')}.csv`;
    download(name, new Blob(parts), 'text/csv');
    setSaid('Saved as a spreadsheet.');
  };
  return (
    <>
      <LinkButton
        label="Save its minutes as a spreadsheet"
        onPress={() => void save().catch(() => setSaid('The minutes cannot be read.'))}
      />
      {said === '' ? null : <Words as="soft">{said}</Words>}
    </>
  );
}
