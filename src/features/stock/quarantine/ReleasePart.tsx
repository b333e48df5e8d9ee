import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import * as z from 'zod';
import { isoInZone } from '@/core/time/zone';
import { to } from '@/frame/addresses';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { releaseBatch } from '@/store/moving';
import { recordAct } from '@/store/record';
import { selectTanks } from '@/store/selectors';
import { Tick } from '@/ui/Choice';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import type { BatchNow } from './useBatches';

const ticksSchema = z.array(z.string());

/** What is true before a batch moves, and the ways it goes from here. */
export function ReleasePart({ batch }: { batch: BatchNow }) {
  const { head, protocol, view, history, forName } = batch;
  const router = useRouter();
  const dispatch = useAppDispatch();
  const tanks = useAppSelector(selectTanks);
  const [ticked, setTicked] = useDraft(`quarantine/release/${head.id}`, ticksSchema, []);
  const [early, setEarly] = useState(false);
  const { clock } = view;
  const target = tanks.find(({ id }) => id === head.body.forTankId);
  const all = protocol.release.every((line) => ticked.includes(line));
  const ready = clock.isClear && all;
  const end = (words: string, moves: boolean) => {
    void dispatch(
      recordAct((act) => {
        if (moves && target) {
          releaseBatch(act, head, { tankId: target.id, zone: target.body.zone });
          return;
        }
        const endedAt = isoInZone(act.now, history.tank.zone);
        act.revise(head, { ...head.body, endedAt });
      }, words),
    );
    setEarly(false);
    router.replace(to.quarantine);
  };
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title="Before they move" />
      <View>
        {protocol.release.map((line) => (
          <Tick
            key={line}
            label={line}
            value={ticked.includes(line)}
            onChange={(on) =>
              setTicked(on ? [...ticked, line] : ticked.filter((one) => one !== line))
            }
          />
        ))}
      </View>
      {clock.missed > 0 ? (
        <Words as="soft">
          {`Nobody looked on ${clock.missed} of its days; they are marked on the strip.`}
        </Words>
      ) : null}
      <Button
        kind={ready ? 'primary' : 'plain'}
        disabled={!ready || !target}
        label={`Acclimate them to ${forName}`}
        onPress={() => router.push(to.acclimate({ batch: head.id }))}
      />
      <Button
        disabled={!ready || !target}
        label={`They are in ${forName}: log it`}
        onPress={() => end(`Released to ${forName}`, true)}
      />
      <LinkButton soft label="End it otherwise…" onPress={() => setEarly(true)} />
      <Sheet title="End it otherwise" open={early} onClose={() => setEarly(false)}>
        <Remark tone="caution" title="Before it is clear">
          One fish with a parasite can cost the whole tank, and no treatment is possible among rock,
          corals and clean-up crew. Both ways below are kept on record.
        </Remark>
        <Button
          kind="danger"
          disabled={!target}
          label={`Move them to ${forName} all the same`}
          onPress={() => end(`Moved to ${forName} before it was clear`, true)}
        />
        <Button label="Give the batch up; nobody moves" onPress={() => end('Batch ended', false)} />
      </Sheet>
    </View>
  );
}
