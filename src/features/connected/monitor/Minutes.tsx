import { useState } from 'react';
import { View } from 'react-native';
import { minuteOf, momentOf, NONE } from '@/core/monitor/samples/block';
import { CHANNEL_IDS, type ChannelId } from '@/core/monitor/channels';
import { minutesCsv } from '@/core/monitor/samples/minutesCsv';
import { readSamplesFile, samplesFile } from '@/core/monitor/samples/samplesFile';
import { dayOf } from '@/core/time/zone';
import type { RevisionOf } from '@/core/records/schema/revision';
import { countOf, formatPlain } from '@/core/units/format';
import { chooseSavedFile, download } from '@/frame/browserFiles';
import { sampleStoreOf } from '@/store/connections';
import { useAppSelector } from '@/store/hooks';
import { liveOf, tellLive } from '@/store/live';
import { selectSession } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';

const DAY_MINUTES = 1440;

const values = (count: number) => `${formatPlain(count, 0)} ${count === 1 ? 'value' : 'values'}`;

type OfFile = Extract<ReturnType<typeof readSamplesFile>, { ok: true }>;

/** What a monitor measured as files: a spreadsheet, and one that another browser takes in. */
export function Minutes({ connection }: { connection: RevisionOf<'connection'> }) {
  const { which } = useAppSelector(selectSession);
  const [said, setSaid] = useState('');
  // A file of another connection is brought in only once the keeper has said so.
  const [foreign, setForeign] = useState<OfFile | null>(null);
  const { id } = connection;
  const { name } = connection.body;
  const store = sampleStoreOf(which);
  const nameOf = (what: string, kind: string) =>
    `zoarium-${LOGS[which].inFiles}${what}-${dayOf(Date.now(), 'UTC')}.${kind}`;
  const attempt = (work: () => Promise<string>) => {
    setForeign(null);
    void work()
      .catch(
        () =>
          'The minutes that are kept here cannot be reached. Close other tabs, then try it again.',
      )
      .then(setSaid);
  };

  const saveSheet = async () => {
    const days = new Set((await store.blocks(id)).map(({ day }) => day));
    if (days.size === 0) return 'Nothing was measured yet.';
    const parts: string[] = [];
    // A day at a time, so that the page stays free.
    for (const day of [...days].sort((a, b) => a - b)) {
      const first = day * DAY_MINUTES;
      const of = async (channel: ChannelId) =>
        (await store.stretch(id, channel, 1, first, first + DAY_MINUTES - 1)).values;
      const minutes = await Promise.all(CHANNEL_IDS.map(of));
      const probes = CHANNEL_IDS.map((channel, n) => ({ channel, values: minutes[n] ?? [NONE] }));
      parts.push(minutesCsv(first, probes, parts.length === 0));
    }
    download(nameOf('minutes', 'csv'), new Blob(parts), 'text/csv');
    return 'Saved as a spreadsheet.';
  };

  const saveFile = async () => {
    const blocks = await store.blocks(id);
    if (blocks.length === 0) return 'Nothing was measured yet.';
    download(nameOf('samples', 'json'), samplesFile({ id, name }, blocks, Date.now()));
    return 'Saved. Take the log over to the other browser first, then bring this file in on the same page there.';
  };

  const bringIn = async ({ days, leftOut }: OfFile) => {
    const came = await store.fill(id, days).catch(() => null);
    if (!came)
      return 'Not all of it could be kept: this browser may be full. What came in stays; make room, then bring the file in once more.';
    // Charts ask again when the newest minute moves on.
    const { newest } = (await store.held(id)) ?? { newest: minuteOf(liveOf(id).stored) };
    tellLive(id, { stored: Math.max(liveOf(id).stored + 1, momentOf(newest)) });
    return [
      came.filled === 0
        ? 'Nothing new: all that the file holds is here already.'
        : `Brought in ${values(came.filled)}.`,
      came.filled > 0 && came.held > 0 ? `${values(came.held)} stood here already and stayed.` : '',
      leftOut > 0 ? `${countOf(leftOut, 'part')} of the file could not be read: left out.` : '',
    ]
      .filter(Boolean)
      .join(' ');
  };

  const choose = async () => {
    const chosen = await chooseSavedFile();
    if (!chosen) return '';
    if (!chosen.bytes) return 'The browser cannot read that file. Copy it to this device first.';
    const file = readSamplesFile(new TextDecoder().decode(chosen.bytes), Date.now());
    if (!file.ok) return `“${chosen.name}” was not brought in. ${file.why}`;
    if (file.connection.id === id) return bringIn(file);
    setForeign(file);
    return '';
  };

  return (
    <>
      <SectionHead title="What it measured" end="kept in this browser alone" />
      <Words as="soft">
        A copy of the log holds its nightly readings and alarms, not each minute. Take the minutes
        along as a file of their own.
      </Words>
      <ButtonRow>
        <Button label="Save its minutes as a file" onPress={() => attempt(saveFile)} />
        <Button label="Bring in saved minutes" onPress={() => attempt(choose)} />
      </ButtonRow>
      <LinkButton label="Save its minutes as a spreadsheet" onPress={() => attempt(saveSheet)} />
      {foreign ? (
        <Remark tone="watch" title="This file was saved for another instrument">
          <Words>
            {`It holds what “${foreign.connection.name}” measured, an instrument that was paired separately. Bring it in only if it measured this tank.`}
          </Words>
          <LinkButton
            label="It measured this tank: bring it in"
            onPress={() => attempt(() => bringIn(foreign))}
          />
        </Remark>
      ) : null}
      <View role="status">{said === '' ? null : <Words>{said}</Words>}</View>
    </>
  );
}
