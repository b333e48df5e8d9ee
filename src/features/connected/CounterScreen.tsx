import { useRouter } from 'expo-router';
import * as z from 'zod';
import type { Slip } from '@/core/monitor/slipSchema';
import type { RevisionOf } from '@/core/records/schema/revision';
import { momentWords } from '@/core/time/words';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { draftChanged } from '@/store/draftsSlice';
import { instruments } from '@/store/connections';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { selectNow, selectTank, selectZone } from '@/store/selectors';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { EndConnection } from './EndConnection';
import { NoAnswer } from './PairAgain';
import { useAsked } from './useAsked';

const ticketsSchema = z.array(z.object({ ticket: z.string(), drawnAt: z.number() })).max(50);

/** A shop's counter: water is handed in, and the slip fetched once it is there. */
export function CounterScreen({ connection }: { connection: RevisionOf<'connection'> }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const tank = useAppSelector(selectTank);
  const [tickets, setTickets] = useDraft(`tickets/${connection.id}`, ticketsSchema, []);
  const handing = useAsked<true>(connection);
  const fetching = useAsked<Slip>(connection);
  const handIn = () => {
    const drawnAt = Date.now();
    handing.ask(async (instrument, token) => {
      const { ticket } = await instruments.handIn(
        instrument,
        token,
        drawnAt,
        tank?.body.name ?? '',
      );
      setTickets([{ ticket, drawnAt }, ...tickets].slice(0, 50));
      return true;
    });
  };
  const fetchSlip = (ticket: string) =>
    fetching.ask(async (instrument, token) => {
      const slip = await instruments.slip(instrument, token, ticket);
      dispatch(
        draftChanged({
          name: 'slip',
          value: { text: JSON.stringify(slip), hours: null, units: {} },
        }),
      );
      setTickets(tickets.filter((one) => one.ticket !== ticket));
      router.push(to.slip);
      return slip;
    });
  return (
    <Screen head={<BackHead title={connection.body.name} />}>
      <Opening
        title={
          fetching.asked.state === 'waiting'
            ? fetching.asked.why
            : tickets.length === 0
              ? 'Nothing is at the counter.'
              : 'The water is at the counter.'
        }
      >
        Fill the bottle to the brim, close it under water, and hand it in within the hour: ammonia
        and pH change on the way.
      </Opening>
      <Button
        kind={tickets.length === 0 ? 'primary' : 'plain'}
        label="Hand in water drawn now"
        disabled={handing.asked.state === 'asking'}
        onPress={handIn}
      />
      {tickets.length > 0 ? <SectionHead title="Handed in" /> : null}
      {tickets.map(({ ticket, drawnAt }) => (
        <Row
          key={ticket}
          title="Fetch the slip"
          note={`Drawn ${momentWords(drawnAt, zone, now)}`}
          onPress={() => fetchSlip(ticket)}
        />
      ))}
      {handing.asked.state === 'trouble' ? (
        <NoAnswer connection={connection} asked={handing.asked} onPaired={handing.clear} />
      ) : (
        <NoAnswer connection={connection} asked={fetching.asked} onPaired={fetching.clear} />
      )}
      <EndConnection connection={connection} />
    </Screen>
  );
}
