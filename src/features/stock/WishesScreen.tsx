import { useState } from 'react';
import { shortDay } from '@/core/time/words';
import { countOf } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectTank } from '@/store/selectors';
import { Opening, Screen } from '@/ui/Screen';
import { SortableList } from '@/ui/SortableList';
import { AnimalPicker } from './AnimalPicker';
import { PaceChoice } from './PaceChoice';
import { Moves, PlanFailed } from './PlanList';
import { ReadyBy } from './ReadyBy';
import { useFinder, useStock } from './useStock';
import { WishRow, type WishHead } from './WishRow';
import { orderAt } from './wishOrder';

/** Whom the keeper wishes for, in order, each with its date; pins, and rules set aside with a reason. */
export function WishesScreen({ given }: { given: Readonly<Record<string, string>> }) {
  const stock = useStock();
  const find = useFinder();
  const dispatch = useAppDispatch();
  const tank = useAppSelector(selectTank);
  const all = useAppSelector((state) => state.log.wishes);
  const moves = useAppSelector((state) => state.computed.moves[tank?.id ?? '']?.value);
  const [open, setOpen] = useState<string | null>(given.wish ?? null);
  const [text, setText] = useTyped('wishes/sought');
  if (!tank || !stock) return null;
  const { plan } = stock;
  const { zone } = tank.body;
  const wishes = all
    .filter(({ body }) => body.tankId === tank.id)
    .sort((a, b) => a.body.order - b.body.order || (a.id < b.id ? -1 : 1));
  const called = (id: string) => find(id)?.names[0] ?? id;
  const nameOf = ({ body }: WishHead) =>
    body.partner === undefined
      ? called(body.species)
      : `${called(body.species)} with ${called(body.partner)}`;
  const move = (id: string, place: number) => {
    const head = wishes.find((wish) => wish.id === id);
    if (!head) return;
    const others = wishes.filter((wish) => wish !== head).map(({ body }) => body.order);
    void dispatch(
      recordAct(
        (act) => act.revise(head, { ...head.body, order: orderAt(others, place) }),
        'Order changed',
      ),
    );
  };
  const add = (species: string) => {
    const order = Math.max(0, ...wishes.map(({ body }) => body.order)) + 1;
    setText('');
    void dispatch(
      recordAct(
        (act) => act.create('wish', { tankId: tank.id, species, count: 1, order }),
        'Wished for',
      ),
    );
  };
  const planned = plan?.items.length ?? 0;
  const last = plan?.items.at(-1);
  return (
    <Screen
      head={<BackHead title="Stock" aside={tank.body.name} />}
      aside={
        <>
          <PaceChoice tank={tank} />
          {plan && planned > 0 ? <ReadyBy plan={plan} zone={zone} /> : null}
        </>
      }
    >
      <Opening
        title={
          wishes.length === 0
            ? 'Nobody wished for yet.'
            : !plan
              ? stock.failed
                ? 'Their days could not be worked out.'
                : 'Their days are being worked out.'
              : last
                ? `${countOf(planned, 'wish', 'wishes')} by ${shortDay(last.addOn.p50, zone)}.`
                : 'No date for any of them yet.'
        }
      >
        {wishes.length === 0
          ? 'Say whom you would like: each gets a day and the reason for it.'
          : 'Drag to change which comes first where two could. A pinned day holds; the rest moves around it.'}
      </Opening>
      {stock.failed ? <PlanFailed /> : null}
      {moves && moves.length > 0 ? <Moves moves={moves} zone={zone} /> : null}
      <SortableList
        label="Wishes"
        items={wishes}
        nameOf={nameOf}
        onMove={move}
        render={(wish) => (
          <WishRow
            wish={wish}
            name={nameOf(wish)}
            plan={plan}
            zone={zone}
            open={open === wish.id}
            onToggle={() => setOpen(open === wish.id ? null : wish.id)}
          />
        )}
      />
      <AnimalPicker
        label="Wish for another"
        value={text}
        picked={false}
        onChange={setText}
        onPick={(animal) => add(animal.id)}
      />
    </Screen>
  );
}
