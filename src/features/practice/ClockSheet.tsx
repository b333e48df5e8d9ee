import { useState } from 'react';
import { timeWords, weekdayWords } from '@/core/time/words';
import { useAppSelector } from '@/store/hooks';
import { selectNow, selectZone } from '@/store/selectors';
import { Row } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { useMoves } from './useClock';

/** The clock of a practice tank: it stands until it is moved on, and never goes back. */
export function ClockSheet({ onClose }: { onClose: () => void }) {
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const { moves, move } = useMoves();
  const [moving, setMoving] = useState(false);
  return (
    <Sheet title="Move the clock" open onClose={onClose}>
      <Words as="body">{`It stands at ${timeWords(now, zone)} on ${weekdayWords(now, zone)}. The tank lives on as you move it, and nothing brings an hour back.`}</Words>
      {moves.map((each) => (
        <Row
          key={each.id}
          title={each.label}
          note={each.note}
          onPress={() => {
            if (moving) return;
            setMoving(true);
            void move(each).then(onClose);
          }}
        />
      ))}
    </Sheet>
  );
}
