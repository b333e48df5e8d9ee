import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { entryEvents } from '@/core/history/events';
import { momentWords } from '@/core/time/words';
import { to } from '@/frame/addresses';
import { EventRow } from '@/frame/EventRow';
import { TankHead } from '@/frame/TankHead';
import { useAppSelector } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { selectNow } from '@/store/selectors';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';

/** Doses that are listed here; the rest stands in the Journal. */
const SHOWN = 12;

/** What can be worked out of a dose, where each is done. */
const MINERALS = [
  {
    sum: 'alkalinity',
    title: 'Alkalinity',
    note: 'Baking soda or soda ash, by the step it may take',
  },
  { sum: 'calcium', title: 'Calcium', note: 'Grams for a rise, with the ions it brings along' },
  { sum: 'magnesium', title: 'Magnesium', note: 'Grams for a rise, over the days it may take' },
  { sum: 'two-part', title: 'Two-part doses', note: 'Millilitres a day for what the tank uses' },
  {
    sum: 'consumption',
    title: 'What the tank uses',
    note: 'From two tests and what went in between',
  },
] as const;

/** What went in last, and where each dose is worked out. */
export function DosingScreen() {
  const router = useRouter();
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  if (!history) return null;
  const { zone } = history.tank;
  const doses = entryEvents(history, history.entries.dose, SHOWN);
  const [last] = doses;
  const animals = history.standing.animalsSince !== null;
  return (
    <Screen head={<TankHead place="Dosing" />}>
      <Opening title={last ? `Last dosed: ${last.title.toLowerCase()}.` : 'No dose is logged.'}>
        {last
          ? `${last.note ? `${last.note}, ` : ''}${momentWords(last.at, zone, now)}. Test before the next: a dose is sized by what is there.`
          : 'Test first: a dose is sized by what is there, and by the net water of the tank.'}
      </Opening>
      <Button kind="primary" label="Log a dose" onPress={() => router.push(to.log('dose'))} />
      <View>
        <SectionHead title="To cycle" />
        {animals ? (
          <Words as="soft">
            No ammonia is dosed with an animal in: what they are fed keeps the filter bacteria fed.
          </Words>
        ) : (
          <Row
            title="Ammonia"
            note="Drops or grams of your bottle for 1 or 2 ppm"
            onPress={() => router.push(to.cycleTool('dose'))}
          />
        )}
        <Row
          title="A bottle’s programme"
          note="Its own schedule of days, by its label"
          onPress={() => router.push(to.cycleTool('programme'))}
        />
      </View>
      <View>
        <SectionHead title="Minerals" />
        {MINERALS.map(({ sum, title, note }) => (
          <Row key={sum} title={title} note={note} onPress={() => router.push(to.sum(sum))} />
        ))}
      </View>
      {last ? (
        <View>
          <SectionHead title="Dosed lately" />
          {doses.map((event) => (
            <EventRow key={event.id} event={event} zone={zone} now={now} />
          ))}
        </View>
      ) : null}
    </Screen>
  );
}
