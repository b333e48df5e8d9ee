import { View } from 'react-native';
import { useHotkeys as useKeys } from 'react-hotkeys-hook';
import { Row } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { KEYS } from './places';

interface Hotkeys {
  enabled: boolean;
  canLog: boolean;
  go: (path: string) => void;
  showKeys: () => void;
}

/** A sheet that is open takes the keys. */
const inSheet = () => document.querySelector('[role="dialog"]') !== null;
const withModifier = (event: KeyboardEvent) => event.ctrlKey || event.metaKey || event.altKey;

/** Single keys that go to places; they are silent while something is being typed. */
export function useHotkeys({ enabled, canLog, go, showKeys }: Hotkeys): void {
  // By the letter printed on the key, wherever a layout has put it.
  const options = { enabled, useKey: true, ignoreEventWhen: inSheet };
  useKeys(
    KEYS.map((place) => place.hotkey),
    ({ key }) => {
      const place = KEYS.find((candidate) => candidate.hotkey === key.toLowerCase());
      if (place) go(place.path);
    },
    options,
  );
  useKeys('l', () => go('/log/test'), { ...options, enabled: enabled && canLog });
  // Layouts disagree on what brings a question mark, so Shift is not looked at.
  useKeys('?', showKeys, {
    ...options,
    ignoreModifiers: true,
    ignoreEventWhen: (event) => inSheet() || withModifier(event),
  });
}

/** The keys, shown with a question mark. */
export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Sheet title="Keys" open={open} onClose={onClose}>
      <View>
        <Row title="Log" end={<Words as="strong">L</Words>} />
        {KEYS.map((place) => (
          <Row
            key={place.path}
            title={place.label}
            end={<Words as="strong">{place.hotkey.toUpperCase()}</Words>}
          />
        ))}
        <Row title="Move along a timeline or chart" end={<Words as="strong">← → + − 0</Words>} />
        <Row title="These keys" end={<Words as="strong">?</Words>} />
      </View>
    </Sheet>
  );
}
