import { useRouter } from 'expo-router';
import { Fragment, type ComponentType } from 'react';
import { StyleSheet, View } from 'react-native';
import Plus from 'lucide-react-native/icons/plus';
import { Tap } from '@/ui/press/Tap';
import { TapLink } from '@/ui/press/TapLink';
import { color, radius } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { GroupPlaces } from './GroupPlaces';
import { scrollToTop } from './kept';
import { BAR, placeOf, stepTo } from './places';

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    borderTopWidth: 1,
    borderColor: color.rule,
    backgroundColor: color.raised,
  },
  place: {
    flex: 1,
    alignItems: 'center',
    paddingTop: 10,
    paddingBottom: 10,
    gap: 3,
    minHeight: 64,
  },
  label: { fontSize: 12.5, lineHeight: 16, color: color.inkSoft },
  here: { color: color.ink, fontWeight: '700' },
  mark: { height: 2, width: 28, backgroundColor: 'transparent', marginTop: 1 },
  markHere: { backgroundColor: color.ink },
  log: { flex: 1, alignItems: 'center', justifyContent: 'center' },
  logFace: {
    minHeight: 48,
    width: 62,
    borderRadius: radius.soft,
    backgroundColor: color.ink,
    alignItems: 'center',
    justifyContent: 'center',
  },
});

/** Before which of the places Log stands: in the middle, under either thumb. */
const LOG_AT = 2;

/** The foot of a phone: the places of the group one is in, then the groups, with Log in their middle. */
export function Bar({ path, canLog }: { path: string; canLog: boolean }) {
  const place = placeOf(path);
  return (
    <View role="navigation" aria-label="Places">
      {place && path === place.path ? <GroupPlaces path={path} group={place.group} /> : null}
      <View style={styles.bar}>
        {BAR.map(({ path: to, label, icon, groups }, i) => (
          <Fragment key={to}>
            {i === LOG_AT && canLog ? <Log /> : null}
            <GroupLink
              to={to}
              label={label}
              icon={icon}
              from={path}
              here={to === path || (place !== null && groups.includes(place.group))}
            />
          </Fragment>
        ))}
      </View>
    </View>
  );
}

/** Opens the test sheet, whose first value is the next tap. */
function Log() {
  const router = useRouter();
  return (
    <View style={styles.log}>
      <Tap
        role="button"
        aria-label="Log"
        onPress={() => router.push('/log/test')}
        style={styles.logFace}
      >
        <Plus size={18} color={color.paper} />
        <Words as="small" style={[styles.label, { color: color.paper, fontWeight: '700' }]}>
          Log
        </Words>
      </Tap>
    </View>
  );
}

function GroupLink({
  to,
  label,
  icon: Icon,
  from,
  here,
}: {
  to: string;
  label: string;
  icon: ComponentType<{ size?: number; color?: string; strokeWidth?: number }>;
  from: string;
  here: boolean;
}) {
  return (
    <TapLink
      href={to}
      {...stepTo(from, to)}
      {...(here ? { 'aria-current': 'page' } : {})}
      onPress={from === to ? scrollToTop : undefined}
      style={{ flex: 1, textDecorationLine: 'none', display: 'flex' } as object}
    >
      <View style={styles.place}>
        <Icon size={20} color={here ? color.ink : color.inkSoft} strokeWidth={here ? 2.4 : 1.8} />
        <Words as="small" style={[styles.label, here && styles.here]}>
          {label}
        </Words>
        <View style={[styles.mark, here && styles.markHere]} />
      </View>
    </TapLink>
  );
}
