import { StyleSheet, View } from 'react-native';
import { sampleOf } from '@/core/practice/kits/sample';
import { worldAt } from '@/core/practice/run/play';
import { LIGHTS, LIGHT_WORDS, type Light } from '@/core/practice/vial/spectra';
import { vialShown } from '@/core/practice/vial/vial';
import { decimalsOfResolution } from '@/core/records/kinds/reading';
import { MINUTE_MS } from '@/core/time/zone';
import { formatFixed, formatPlain } from '@/core/units/format';
import { unitSymbol } from '@/core/units/units';
import type { PracticeShows } from '@/frame/practiceKit';
import type { ComponentProps } from 'react';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { moveClock, selectPlayed } from '@/store/practice';
import { selectNow } from '@/store/selectors';
import { wallClock } from '@/store/wallClock';
import { LinkButton } from '@/ui/Press';
import { color, radius, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import * as z from 'zod';

const styles = StyleSheet.create({
  paper: {
    flexDirection: 'row',
    alignItems: 'flex-end',
    gap: space.l,
    padding: space.m,
    borderRadius: radius.soft,
    borderWidth: 1,
    borderColor: color.rule,
  },
  vial: {
    width: 34,
    height: 72,
    borderBottomLeftRadius: 14,
    borderBottomRightRadius: 14,
    borderWidth: 1.5,
    borderTopWidth: 4,
    borderColor: color.edge,
  },
  card: { flex: 1, flexDirection: 'row', gap: 3, maxWidth: 420 },
  step: { flex: 1, minWidth: 0, alignItems: 'center', gap: 2 },
  patch: { alignSelf: 'stretch', height: 46, borderRadius: radius.fine },
  links: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.l },
});

const lightSchema = z.enum(LIGHTS);

/** What a test shows in practice: a vial beside its card, or the digits of a meter. One reads it oneself. */
export function KitShows({ kitId, kit, dilution, left }: ComponentProps<typeof PracticeShows>) {
  const dispatch = useAppDispatch();
  const played = useAppSelector(selectPlayed);
  const now = useAppSelector(selectNow);
  const [light, setLight] = useDraft<Light>('practice/light', lightSchema, 'daylight');
  if (!played) return null;
  // A clock that ticks by the minute may lag behind the moment at which the wait was begun.
  const minutes = formatPlain(Math.min(kit.waitMinutes, Math.ceil((left ?? 0) / MINUTE_MS)));
  const waits = kit.waitMinutes * MINUTE_MS;
  const waited = left === null || waits === 0 ? 0 : 1 - left / waits;
  // Read at once: nothing was waited for. It has come as far as a minute lets it.
  const developed = waits === 0 ? 1 : left === null ? 1 / kit.waitMinutes : waited;
  const { shown } = sampleOf(kitId, kit, worldAt(played, now), Math.max(0.15, developed));
  if (kit.scale.form === 'digital') {
    const digits = formatFixed(shown, decimalsOfResolution(kit.scale.resolution));
    return (
      <Words as="soft">{`${kit.name} shows **${`${digits} ${unitSymbol(kit.unit)}`.trim()}**`}</Words>
    );
  }
  const seen = vialShown(kit.parameter, kit.scale.steps, shown / dilution, light);
  if (!seen) return null;
  const next = LIGHTS[(LIGHTS.indexOf(light) + 1) % LIGHTS.length] ?? 'daylight';
  return (
    <View style={{ gap: space.xs }}>
      <View
        style={[styles.paper, { backgroundColor: seen.paper }]}
        role="img"
        aria-label={`A vial of the ${kit.name} beside its card, in ${LIGHT_WORDS[light].toLowerCase()}. Compare their colours.`}
      >
        <View style={[styles.vial, { backgroundColor: seen.vial }]} />
        <View style={styles.card}>
          {kit.scale.steps.map((step, n) => (
            <View key={step} style={styles.step}>
              <View style={[styles.patch, { backgroundColor: seen.card[n] }]} />
              <Words as="small" style={{ color: '#2b2b2b' }}>
                {formatPlain(step)}
              </Words>
            </View>
          ))}
        </View>
      </View>
      <View style={styles.links}>
        <LinkButton
          soft
          label={`${LIGHT_WORDS[light]}: try ${LIGHT_WORDS[next].toLowerCase()}`}
          accessibleName={`${LIGHT_WORDS[light]} on ${kit.name}: try ${LIGHT_WORDS[next].toLowerCase()}`}
          onPress={() => setLight(next)}
        />
        {left !== null && left > 0 ? (
          <LinkButton
            soft
            label={`Let the ${minutes} min pass`}
            accessibleName={`Let the ${minutes} min for ${kit.name} pass`}
            onPress={() => void dispatch(moveClock(wallClock() + left))}
          />
        ) : null}
      </View>
    </View>
  );
}
