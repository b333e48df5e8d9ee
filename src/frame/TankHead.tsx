import { to } from './addresses';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { dayWords } from '@/core/time/words';
import { daysBetween } from '@/core/time/zone';
import { formatIn } from '@/core/parameters/convert';
import { netVolume } from '@/core/water/volume';
import { selectHistory } from '@/store/inView';
import { selectNow, selectSettings, selectTank, selectTanks } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { tankChosen } from '@/store/sessionSlice';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { color, space, touch } from '@/ui/tokens';
import { useWide } from '@/ui/useWide';
import { Words } from '@/ui/Words';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space.m,
    minHeight: touch,
  },
  switch: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 5,
    minHeight: touch,
    flexShrink: 1,
    minWidth: 0,
  },
});

const KIND_WORDS = { display: 'display', quarantine: 'quarantine', other: 'other' } as const;

/** The head of a tank's screens: which place, which tank, and the way to another. */
export function TankHead({ place }: { place?: string }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const tank = useAppSelector(selectTank);
  const tanks = useAppSelector(selectTanks);
  const settings = useAppSelector(selectSettings);
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const [open, setOpen] = useState(false);
  // The name comes before the volume, which its own button says as well.
  const wide = useWide();
  if (!tank) return null;
  const volume = formatIn(netVolume(tank.body.volume).net, settings.volumeUnit, 0);
  const day =
    history?.start != null ? `, day ${daysBetween(history.start, now, tank.body.zone)}` : '';
  return (
    <View style={styles.head}>
      <Tap
        role="button"
        aria-label={`${tank.body.name}, ${volume} net${day}. Switch tank`}
        onPress={() => setOpen(true)}
        style={styles.switch}
      >
        <Words as="strong" lines={1} style={{ flexShrink: place ? 0 : 1 }}>
          {place ?? tank.body.name}
        </Words>
        {place || wide ? (
          <Words as="body" lines={1} style={{ color: color.inkSoft, flexShrink: place ? 1 : 0 }}>
            {place ? tank.body.name : `${volume} net`}
          </Words>
        ) : null}
        <ChevronDown size={16} color={color.inkSoft} style={{ flexShrink: 0 }} />
      </Tap>
      {place ? null : (
        <Words as="body" style={{ color: color.inkSoft, flexShrink: 0 }}>
          {dayWords(now, tank.body.zone, now)}
        </Words>
      )}
      <Sheet title="Your tanks" open={open} onClose={() => setOpen(false)}>
        <View>
          {tanks.map((other) => (
            <Row
              key={other.id}
              title={other.body.name}
              note={`${formatIn(netVolume(other.body.volume).net, settings.volumeUnit, 0)} net, ${KIND_WORDS[other.body.kind]}`}
              current={other.id === tank.id}
              onPress={() => {
                dispatch(tankChosen(other.id));
                setOpen(false);
              }}
            />
          ))}
        </View>
        <Button
          label="Change this tank"
          onPress={() => {
            setOpen(false);
            router.push(to.tank(tank.id));
          }}
        />
        <Button
          label="Add a tank"
          onPress={() => {
            setOpen(false);
            router.push('/tanks/new');
          }}
        />
      </Sheet>
    </View>
  );
}
