import { drawnIn } from '@/core/runs/procedures/acclimate';
import type { RevisionOf } from '@/core/records/schema/revision';
import { formatExact, parseNumber } from '@/core/units/format';
import { linearFromCanonical, linearToCanonical, unitSymbol } from '@/core/units/units';
import { useAppSelector, useTyped } from '@/store/hooks';
import { selectSettings } from '@/store/selectors';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';

/** The salt water that goes back for what the drip took, before anything else. */
export function ReplacePart({
  run,
  onNote,
}: {
  run: RevisionOf<'run'>;
  onNote: (litres: number) => void;
}) {
  const { volumeUnit } = useAppSelector(selectSettings);
  const drawn = drawnIn(run.body);
  const [text, setText, used] = useTyped(
    `drip/${run.id}/back`,
    formatExact(Math.round(linearFromCanonical(drawn, volumeUnit) * 10) / 10),
  );
  const value = parseNumber(text);
  const litres = value === null ? null : linearToCanonical(value, volumeUnit);
  const short = litres !== null && litres < drawn * 0.7;
  return (
    <>
      <Field
        label="Salt water put back"
        kind="number"
        unit={unitSymbol(volumeUnit)}
        value={text}
        error={
          text.trim() !== '' && (litres === null || litres < 0.1 || litres > 200)
            ? 'An amount above zero.'
            : undefined
        }
        onChange={setText}
      />
      {short ? (
        <Remark tone="watch">
          Less than was drawn: the rest would come as fresh water once the unit is on.
        </Remark>
      ) : null}
      <Button
        kind="primary"
        label="It is back"
        disabled={litres === null || litres < 0.1 || litres > 200}
        onPress={() => {
          if (litres === null) return;
          onNote(Math.round(litres * 100) / 100);
          used();
        }}
      />
    </>
  );
}
