import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { latestReading, type TankHistory } from '@/core/history/tankHistory';
import { formatIn, fromCanonical } from '@/core/parameters/convert';
import { unitFor, type Settings } from '@/core/records/schema/settings';
import { cleanUpCrewFor } from '@/core/growth/cleanUpCrew';
import {
  FEATURE_IDS,
  FEATURES,
  identify,
  loggedAs,
  nextLook,
  surenessWords,
  type FeatureId,
  type Seen,
} from '@/core/growth/identify';
import {
  extentMove,
  growthMeasureEffects,
  type GrowthMeasureEffect,
} from '@/core/growth/growthMeasures';
import { GROWTHS, GROWTH_WORDS } from '@/core/records/kinds/sighting';
import { shortDay } from '@/core/time/words';
import { DAY_MS } from '@/core/time/zone';
import { countOf, formatPlain, listWords } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useAppSelector } from '@/store/hooks';
import { selectSettings } from '@/store/selectors';
import { Choice } from '@/ui/Choice';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { PestPart } from './PestPart';
import { useStock, type StockView } from './useStock';

/** From here on another look would change nothing that is done, 0 to 1. */
const SURE = 0.97;

/** Names a growth by its look, says what to do and what not, and how large a clean-up crew it feeds. */
export function GrowthScreen() {
  const stock = useStock();
  const router = useRouter();
  const [seen, setSeen] = useState<Seen>({});
  if (!stock) return null;
  const { history, now } = stock;
  const weeks = history.start === null ? null : (now - history.start) / (7 * DAY_MS);
  const likely = identify(seen, weeks);
  const [first, second] = likely;
  const answered = FEATURE_IDS.filter((id) => seen[id] !== undefined);
  const next = nextLook(seen, weeks);
  const open = answered.length === 0 || (first?.chance ?? 0) < SURE;
  // Colour and feel are what anybody sees first; after them the look that would tell most.
  const asked = new Set<FeatureId>([
    'colour',
    'texture',
    ...answered,
    ...(answered.length > 0 && open && next ? [next.feature] : []),
  ]);
  const kind = first ? loggedAs(first.growth) : undefined;
  const sure = surenessWords(first?.chance ?? 0);
  return (
    <Screen
      head={<BackHead title="Stock" aside={history.tank.name} />}
      aside={
        <>
          <CleanUpCrew stock={stock} />
          <GrowthMeasures history={history} now={now} />
        </>
      }
    >
      {answered.length === 0 || !first ? (
        <Opening title="What grows here?">
          A look or two, and it has a name: what passes by itself, what to do, and what would make
          it worse.
        </Opening>
      ) : (
        <View aria-live="polite">
          <Opening title={`${first.growth.name}, ${sure}.`}>
            {second && first.chance < SURE
              ? `It could be ${second.growth.name.toLowerCase()} as well.`
              : `${first.growth.plain.charAt(0).toUpperCase()}${first.growth.plain.slice(1)}, as keepers say.`}
          </Opening>
        </View>
      )}
      {[...asked].map((id) => (
        <Choice
          key={id}
          label={FEATURES[id].ask}
          value={seen[id] ?? null}
          onChange={(value: string) => setSeen({ ...seen, [id]: value })}
          options={Object.entries(FEATURES[id].options).map(([value, label]) => ({ value, label }))}
        />
      ))}
      {answered.length > 0 ? (
        <LinkButton soft label="Begin again" onPress={() => setSeen({})} />
      ) : null}
      {answered.length > 0 && first ? (
        <>
          {first.chance < SURE ? (
            <Remark title="What would tell it apart">{first.growth.tellsApart}</Remark>
          ) : null}
          {first.chance >= 0.45 ? (
            <View>
              <SectionHead title="What to do" />
              {first.growth.do.map((line) => (
                <Row key={line} title={line} />
              ))}
            </View>
          ) : null}
          {first.chance >= 0.45 ? (
            <Remark tone="caution" title="What not">
              {first.growth.not.join(' ')}
            </Remark>
          ) : null}
          <ButtonRow>
            {kind ? (
              <Button
                label="Log it as seen"
                kind="primary"
                onPress={() => router.push(to.log('sighting', { growth: kind, extent: 'patches' }))}
              />
            ) : (
              <Button
                label="Log it as seen"
                kind="primary"
                onPress={() =>
                  router.push(to.log('observation', { text: `${first.growth.name} seen.` }))
                }
              />
            )}
            <Button label="Log a measure" onPress={() => router.push(to.log('growthMeasure'))} />
          </ButtonRow>
        </>
      ) : null}
      <PestPart />
    </Screen>
  );
}

/** How large a clean-up crew what grows here would feed. */
function CleanUpCrew({ stock }: { stock: StockView }) {
  const { history, here, find } = stock;
  const seen = GROWTHS.flatMap((growth) => {
    const last = history.entries.sighting.findLast(({ entry }) => entry.growth === growth);
    return last ? [{ growth, extent: last.entry.extent }] : [];
  });
  const cleanUpCrew = here
    .filter(({ species }) => {
      const animal = species === undefined ? undefined : find(species);
      return animal?.group === 'invertebrate' && animal.kept === 'cleanUpCrew';
    })
    .reduce((sum, cohort) => sum + (cohort.here ?? 1), 0);
  const { addNow, because, bySnails, byGrazers, waitDays, starves } = cleanUpCrewFor(
    history.netLitres,
    seen,
    cleanUpCrew,
  );
  return (
    <View style={{ gap: 8 }}>
      <SectionHead
        title="Clean-up crew"
        end={cleanUpCrew > 0 ? countOf(cleanUpCrew, 'animal') : undefined}
      />
      <Words as="strong">
        {addNow > 0
          ? `${countOf(addNow, 'small snail or hermit', 'small snails and hermits')} now.`
          : 'None more now.'}
      </Words>
      {starves ? (
        <Remark tone="watch" title="They may starve">
          {because}
        </Remark>
      ) : (
        <Words as="body">{because}</Words>
      )}
      <Words as="soft">
        {`Look again after ${waitDays} days. Rules of thumb would say ${bySnails} by one to 4 L, or ${byGrazers} large grazers by one to 19 L. Look each over for parasites and eggs, and set it upright on the rock.`}
      </Words>
    </View>
  );
}

function valueWords(
  parameter: 'nitrate' | 'phosphate',
  { before, after }: { before: number; after: number },
  settings: Settings,
): string {
  const unit = unitFor(settings, parameter);
  const show = (value: number) =>
    formatPlain(fromCanonical(value, unit), parameter === 'phosphate' ? 3 : 1);
  return `${parameter} ${show(before)} → ${show(after)}`;
}

function effectWords(effect: GrowthMeasureEffect, settings: Settings): string {
  const parts = [
    ...effect.growths.map(
      ({ growth, before, after }) =>
        `${GROWTH_WORDS[growth].name.toLowerCase()} ${extentMove(before, after)}`,
    ),
    ...(effect.nitrate ? [valueWords('nitrate', effect.nitrate, settings)] : []),
    ...(effect.phosphate ? [valueWords('phosphate', effect.phosphate, settings)] : []),
  ];
  return parts.length > 0
    ? `Since then: ${listWords(parts)}.`
    : 'Nothing was seen or tested since that would tell.';
}

/** What was done about growth, and what was seen since. */
function GrowthMeasures({ history, now }: { history: TankHistory; now: number }) {
  const settings = useAppSelector(selectSettings);
  const router = useRouter();
  const effects = growthMeasureEffects(history, now);
  const phosphate = latestReading(history, 'phosphate');
  return (
    <View style={{ gap: 8 }}>
      <SectionHead
        title="What was done"
        end={
          <LinkButton
            soft
            label="Log a measure"
            onPress={() => router.push(to.log('growthMeasure'))}
          />
        }
      />
      {effects.length === 0 ? <Words as="soft">No measure on record.</Words> : null}
      {effects.map((effect) => (
        <Row
          key={`${effect.measure}/${effect.begunAt}`}
          title={`${effect.name}${effect.strengths.length > 0 ? `, ${effect.strengths.join(', then ')}` : ''}`}
          note={`${shortDay(effect.begunAt, history.tank.zone)}${effect.endedAt === null ? '' : ` to ${shortDay(effect.endedAt, history.tank.zone)}`}. ${effectWords(effect, settings)}`}
        />
      ))}
      {phosphate ? (
        <Words as="soft">{`Phosphate read last: ${formatIn(phosphate.best, unitFor(settings, 'phosphate'), 3)}.`}</Words>
      ) : null}
    </View>
  );
}
