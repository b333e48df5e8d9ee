import { View } from 'react-native';
import { isCounted, newcomersOf } from '@/core/acclimation/run';
import type { RevisionOf } from '@/core/records/schema/revision';
import { useAppDispatch } from '@/store/hooks';
import { changeRun } from '@/store/runs';
import { Button, ButtonRow } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Figure, Words } from '@/ui/Words';

/** A clean-up crew counted through: a tap for each that is clean, another for one that is set aside. */
export function CountThrough({ run }: { run: RevisionOf<'run'> }) {
  const dispatch = useAppDispatch();
  const cleanUpCrew = newcomersOf(run.body).filter(isCounted);
  if (cleanUpCrew.length === 0 || run.body.given.pods === 'yes') return null;
  const all = cleanUpCrew.reduce((sum, { count }) => sum + count, 0);
  const clean = Number(run.body.given.clean ?? 0);
  const aside = Number(run.body.given.aside ?? 0);
  const add = (name: 'clean' | 'aside', by: number) =>
    void dispatch(
      changeRun(run, (body) => ({
        ...body,
        given: { ...body.given, [name]: Math.max(0, Number(body.given[name] ?? 0) + by) },
      })),
    );
  const left = all - clean - aside;
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title="Each shell, one by one" end={`${left} left`} />
      <Figure value={String(clean + aside)} size={56} />
      <Words as="body">
        {`${clean} clean, ${aside} set aside, of ${all}. Turn each over: a flap or a small shell stuck to it, jelly or egg capsules, a worm's tube, an empty house.`}
      </Words>
      <ButtonRow>
        <Button kind="primary" label="Clean" disabled={left <= 0} onPress={() => add('clean', 1)} />
        <Button label="Set aside" disabled={left <= 0} onPress={() => add('aside', 1)} />
        <Button label="One back" disabled={clean <= 0} onPress={() => add('clean', -1)} />
      </ButtonRow>
      {aside > 0 ? (
        <Remark tone="caution" title="Those set aside stay out">
          Parasitic snails are picked off with tweezers and the carrier watched apart for weeks;
          eggs are scraped off; one that stinks is dead. None of them, nor their water, goes to the
          wild.
        </Remark>
      ) : null}
    </View>
  );
}
