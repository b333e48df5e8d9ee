import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { emergencies, type ProcedureId } from '@/core/runs/procedures';
import { BackHead } from '@/frame/BackHead';
import { to } from '@/frame/addresses';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { beginRun, selectLiveRuns } from '@/store/runs';
import { selectTank } from '@/store/selectors';
import { Opening, Screen } from '@/ui/Screen';
import { ToneMark } from '@/ui/Remark';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    minHeight: 68,
    paddingVertical: space.m,
    borderBottomWidth: 1,
    borderColor: color.rule,
  },
  name: { fontSize: 21, lineHeight: 28, fontWeight: '600' },
});

/** What is wrong: one tap begins what is done about it at the tank in view. */
export function EmergencyScreen() {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const live = useAppSelector(selectLiveRuns);
  const tank = useAppSelector(selectTank);
  const [busy, setBusy] = useState(false);
  const open = async (id: ProcedureId) => {
    if (busy) return;
    setBusy(true);
    const goesOn = live.some(({ body }) => body.tankId === tank?.id && body.procedure === id);
    if (tank && !goesOn) await dispatch(beginRun(id, tank.id, {}));
    router.replace(to.run(id));
  };
  return (
    <Screen head={<BackHead title="Emergency" aside={tank?.body.name ?? ''} />}>
      <Opening title="What is wrong?">People first, then oxygen, then the cause.</Opening>
      <View>
        {emergencies().map(({ id, name, sign }) => (
          <Tap
            key={id}
            role="button"
            aria-label={`${name}: ${sign}`}
            onPress={() => void open(id)}
            style={styles.row}
          >
            <View style={{ flex: 1, minWidth: 0 }}>
              <Words as="lead" style={styles.name}>
                {name}
              </Words>
              <Words as="body" style={{ color: color.inkSoft }}>
                {sign}
              </Words>
            </View>
            {id === 'personHurt' ? <ToneMark tone="danger" size={26} /> : null}
          </Tap>
        ))}
      </View>
    </Screen>
  );
}
