import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { CAUTIONS } from '@/core/cautions';
import { lengthNow, type Finder } from '@/core/livestock/roster/lodgers';
import { lossesIn } from '@/core/livestock/roster/losses';
import { stockSentence } from '@/core/livestock/planner/sentence';
import type { Cohort } from '@/core/livestock/roster/roster';
import { feedAdds } from '@/core/livestock/food/feeding';
import { findAnimals } from '@/core/livestock/search';
import { FOODS_AS_FED } from '@/core/records/kinds/feed';
import { animalsCalled } from '@/core/records/kinds/animals';
import { agoWords, shortDay } from '@/core/time/words';
import { countOf, formatPlain } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { CautionRemark } from '@/frame/CautionRemark';
import { TankHead } from '@/frame/TankHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { selectTankId } from '@/store/selectors';
import { recordAct } from '@/store/record';
import { isoInZone } from '@/core/time/zone';
import { ReadMore } from '@/frame/ReadMore';
import { DemandBar } from '@/ui/Drawing';
import { Field } from '@/ui/Field';
import { Button, LinkButton } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { color, radius, space, touch } from '@/ui/tokens';
import { useWide } from '@/ui/useWide';
import { Words } from '@/ui/Words';
import { AnimalFacts } from './AnimalScreen';
import { Moves, PlanFailed, PlanList } from './PlanList';
import { Portrait } from './Portrait';
import { Silhouette } from './Silhouette';
import { useStock, type StockView } from './useStock';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  ask: {
    minHeight: touch + 4,
    borderWidth: 1.5,
    borderColor: color.ink,
    borderRadius: radius.soft,
    backgroundColor: color.raised,
    paddingHorizontal: space.m,
    justifyContent: 'center',
  },
  columns: { flexDirection: 'row', gap: space.xl, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0, gap: space.s },
});

/** Who lives here, whether there is room, and the plan of whom is wished for. */
export function StockScreen() {
  const stock = useStock();
  const wide = useWide();
  const tankId = useAppSelector(selectTankId);
  const moves = useAppSelector((state) => state.computed.moves[tankId ?? '']?.value);
  const all = useAppSelector((state) => state.log.wishes);
  const router = useRouter();
  if (!stock) return null;
  const { history, plan, here, isReady } = stock;
  const { zone } = history.tank;
  const { title, text } = stockSentence(plan, { isReady, cohorts: here });
  const next = plan?.items.find(({ group }) => group === 'fish') ?? null;
  const wishes = all.filter(({ body }) => body.tankId === history.tankId).length;
  const planPart = (
    <View style={{ gap: space.s }}>
      <SectionHead
        title="The plan"
        end={
          <LinkButton
            soft
            label={wishes === 0 ? 'Wish for animals' : `${wishes} wished for`}
            onPress={() => router.push(to.stockPage('wishes'))}
          />
        }
      />
      {moves && moves.length > 0 ? <Moves moves={moves} zone={zone} /> : null}
      {plan && wishes > 0 ? (
        <PlanList plan={plan} zone={zone} />
      ) : stock.failed ? (
        <PlanFailed />
      ) : (
        <Words as="soft">
          {plan
            ? 'Nobody is wished for yet. Wishes become dates: the order, the quarantine, and why not sooner.'
            : 'The plan is being worked out.'}
        </Words>
      )}
    </View>
  );
  return (
    <Screen head={<TankHead place="Stock" />} aside={wide ? planPart : undefined}>
      <Opening title={title}>{text}</Opening>
      {plan ? <DemandBar load={plan.load} next={next} /> : null}
      <Tap
        role="button"
        aria-label="Can I add … today?"
        onPress={() => router.push(to.stockPage('add'))}
        style={styles.ask}
      >
        <Words as="body" style={{ color: color.inkSoft }}>
          Can I add … today?
        </Words>
      </Tap>
      {wide ? (
        <View style={styles.columns}>
          <View style={styles.column}>
            <Residents stock={stock} />
          </View>
          <View style={styles.column}>
            <CatalogueBeside find={stock.find} />
          </View>
        </View>
      ) : (
        <>
          {planPart}
          <Residents stock={stock} />
        </>
      )}
      <View>
        <SectionHead title="More of it" />
        <Row
          title="Species"
          note="What each animal needs, and whom it harms"
          onPress={() => router.push('/catalogue')}
        />
        <Row
          title="What grows here?"
          note="Name a growth by its look, and what to do"
          onPress={() => router.push(to.stockPage('growth'))}
        />
        <Row
          title="Where the corals stand"
          note="Light, flow and sting range, from above"
          onPress={() => router.push(to.stockPage('corals'))}
        />
      </View>
    </Screen>
  );
}

function cohortNote(cohort: Cohort, stock: StockView): string {
  const share = stock.demand.shares.find(({ cohortId }) => cohortId === cohort.id);
  const cm = lengthNow(cohort, stock.now, stock.find);
  return [
    `since ${shortDay(cohort.arrivedAt, stock.history.tank.zone)}`,
    ...(cm > 0 && cohort.group === 'fish' ? [`about ${formatPlain(cm, 0)} cm`] : []),
    ...(share && share.share >= 0.01
      ? [`${formatPlain(share.share * 100, 0)} % of what is made`]
      : []),
    ...(cohort.notSure ? ['not sure which'] : []),
    ...(cohort.lent > 0 ? [`${cohort.lent} lent`] : []),
  ].join(', ');
}

function Residents({ stock }: { stock: StockView }) {
  const measured = useMeasures();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { here, cohorts, history, now, demand } = stock;
  const { losses } = lossesIn(cohorts, now);
  const lastFeed = history.entries.feed.at(-1);
  const { zone } = history.tank;
  const feedAgain = () => {
    if (!lastFeed) return;
    const { food, amount } = lastFeed.entry;
    void dispatch(
      recordAct(
        (act) =>
          act.create('entry', {
            kind: 'feed',
            tankId: history.tankId,
            at: isoInZone(act.now, zone),
            food,
            amount,
          }),
        'Fed as the last time',
      ),
    );
  };
  return (
    <View>
      <SectionHead
        title="Who lives here"
        end={
          <LinkButton soft label="Log who came" onPress={() => router.push(to.stockPage('add'))} />
        }
      />
      {here.length === 0 ? (
        <>
          <Words as="soft">Nobody on record. Log them as they come, and each gets a page.</Words>
          <ReadMore page="first-fish" />
        </>
      ) : null}
      {here.map((cohort) => (
        <Row
          key={cohort.id}
          lead={
            <Portrait
              cohort={cohort}
              form={stock.find(cohort.species ?? '')?.form ?? cohort.group}
            />
          }
          title={animalsCalled(cohort.what, cohort.here ?? undefined)}
          note={measured(cohortNote(cohort, stock))}
          onPress={() => router.push(to.cohort(cohort.id))}
        />
      ))}
      {here.length > 0 ? (
        <View style={{ gap: space.s, paddingTop: space.m }}>
          <Words as="soft">
            {demand.by === 'food'
              ? `Reckoned by the food you logged: ${formatPlain(demand.nitrogen.low, 0)} to ${formatPlain(demand.nitrogen.high, 0)} mg N a day, and ${formatPlain(demand.grown, 0)} once all are grown on this feeding.`
              : `Reckoned by their bodies: ${formatPlain(demand.nitrogen.low, 0)} to ${formatPlain(demand.nitrogen.high, 0)} mg N a day, and ${formatPlain(demand.grown, 0)} once all are grown. Log what is fed, and it goes by that.`}
          </Words>
          {feedAdds(history, now).map(({ food, grams, nitrate, phosphate }) => (
            <Words key={food} as="soft">
              {`**${FOODS_AS_FED[food].name}**, ${formatPlain(grams, 1)} g a week: up to ${formatPlain(nitrate, 1)} mg/L of nitrate (NO3) and ${formatPlain(phosphate, 2)} of phosphate (PO4) before anything is taken out.`}
            </Words>
          ))}
          {lastFeed ? (
            <Button
              label={`Fed as the last time (${agoWords(lastFeed.at, zone, now)})`}
              onPress={feedAgain}
            />
          ) : (
            <Button label="Log a feeding" onPress={() => router.push(to.log('feed'))} />
          )}
        </View>
      ) : null}
      {losses.length > 0 ? (
        <Row
          title={`${countOf(
            losses.reduce((sum, { count }) => sum + count, 0),
            'loss',
            'losses',
          )} on record`}
          note="What they have in common, if anything"
          onPress={() => router.push(to.stockPage('losses'))}
        />
      ) : null}
    </View>
  );
}

/** The catalogue beside who lives here: a search, and one animal in full. */
function CatalogueBeside({ find }: { find: Finder }) {
  const [sought, setSought] = useTyped('stock/sought');
  const [chosen, setChosen] = useState<string | null>(null);
  const router = useRouter();
  const animal = chosen === null ? undefined : find(chosen);
  const found = sought.trim() === '' ? [] : findAnimals(sought).slice(0, 6);
  return (
    <View style={{ gap: space.s }}>
      <SectionHead title="Look one up" />
      <Field
        label="Find an animal"
        value={sought}
        onChange={(text) => {
          setSought(text);
          setChosen(null);
        }}
        placeholder="any of its names"
      />
      {animal ? (
        <>
          <Words as="section">{animal.names[0] ?? animal.scientific}</Words>
          <AnimalFacts animal={animal} />
          <Button
            label="Can I add it today?"
            onPress={() => router.push(to.stockPage('add', { species: animal.id }))}
          />
        </>
      ) : (
        found.map((one) => (
          <Row
            key={one.id}
            lead={<Silhouette form={one.form} size={34} />}
            title={one.names[0] ?? one.scientific}
            note={one.scientific}
            onPress={() => setChosen(one.id)}
          />
        ))
      )}
      {animal ? null : <CautionRemark caution={CAUTIONS.venom} />}
    </View>
  );
}
