import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import { Row } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { BAR, MORE } from './places';

interface Hotkeys {
  enabled: boolean;
  canLog: boolean;
  go: (path: string) => void;
  showKeys: () => void;
}

const PLACES = [...BAR, ...MORE].filter((place) => place.hotkey !== undefined);

function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);
}

/** Single keys that go to places; they are silent while something is being typed. */
export function useHotkeys(hotkeys: Hotkeys): void {
  const latest = useRef(hotkeys);
  useEffect(() => {
    latest.current = hotkeys;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { enabled, canLog, go, showKeys } = latest.current;
      if (!enabled || event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target))
        return;
      if (document.querySelector('[role="dialog"]')) return;
      if (event.key === '?') return showKeys();
      if (event.key === 'l' && canLog) return go('/log/test');
      const place = PLACES.find((candidate) => candidate.hotkey === event.key);
      if (place) go(place.path);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

/** The keys, shown with a question mark. */
export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Sheet title="Keys" open={open} onClose={onClose}>
      <View>
        <Row title="Log" end={<Words as="strong">L</Words>} />
        {PLACES.map((place) => (
          <Row
            key={place.path}
            title={place.label}
            end={<Words as="strong">{place.hotkey?.toUpperCase()}</Words>}
          />
        ))}
        <Row title="Move along a course or chart" end={<Words as="strong">← → + − 0</Words>} />
        <Row title="These keys" end={<Words as="strong">?</Words>} />
      </View>
    </Sheet>
  );
}
