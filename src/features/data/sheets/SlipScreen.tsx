import papaparse from 'papaparse';
import { useMemo, useState } from 'react';
import { useRouter } from 'expo-router';
import * as z from 'zod';
import { withUnit } from '@/core/parameters/convert';
import { PARAMETERS } from '@/core/parameters/registry';
import { judgeSlip, readSlip, type Judged } from '@/core/monitor/slip';
import { measureKey, measureOptions } from '@/core/sheets/guess/measure';
import { HOUR_MS } from '@/core/time/zone';
import { countOf, formatPlain, parseNumber } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { chooseSheetFile } from '@/frame/browserFiles';
import { selectHistory } from '@/store/inView';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { selectLog, selectNow, selectTank, selectZone } from '@/store/selectors';
import { besideOwn, bringSlip } from '@/store/slips';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';

/** Nobody tests water that is older. */
const LONGEST_HOURS = 24 * 14;
/** A larger file is no slip. */
const MOST_BYTES = 200_000;
const draftSchema = z.object({
  text: z.string(),
  /** As it is typed; null where the slip says when. */
  hours: z.string().nullable(),
  units: z.record(z.string(), z.string()),
});
const EMPTY: z.infer<typeof draftSchema> = { text: '', hours: null, units: {} };

/** What a shop found, from a file or typed from its paper, kept apart from one's own tests. */
export function SlipScreen() {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const tank = useAppSelector(selectTank);
  const history = useAppSelector(selectHistory);
  const log = useAppSelector(selectLog);
  const [draft, setDraft] = useDraft('slip', draftSchema, EMPTY);
  const [trouble, setTrouble] = useState('');
  const slip = useMemo(() => {
    const rows = papaparse.parse<string[]>(draft.text, { skipEmptyLines: true }).data;
    return readSlip(draft.text, rows);
  }, [draft.text]);
  const typed = (draft.hours ?? '').trim();
  const ago = typed === '' ? 0 : parseNumber(typed);
  const drawnAt =
    draft.hours === null && slip.drawnAt !== null
      ? Math.min(now, slip.drawnAt)
      : now - Math.min(LONGEST_HOURS, Math.max(0, ago ?? 0)) * HOUR_MS;
  const hours = ((slip.testedAt ?? now) - drawnAt) / HOUR_MS;
  const chosen = Object.fromEntries(
    slip.lines.flatMap((line, n) => {
      const [one] = judgeSlip([line], hours);
      const option =
        one?.parameter &&
        measureOptions(one.parameter).find(({ value }) => value === draft.units[String(n)]);
      return option ? [[n, option.measure]] : [];
    }),
  );
  const judged = judgeSlip(slip.lines, hours, chosen);
  const kept = judged.filter((one) => one.kept);
  const beside = history ? besideOwn(judged, history, drawnAt, (id) => log.everyKit[id]) : [];
  const choose = async () => {
    const file = await chooseSheetFile();
    if (!file) return;
    if (!file.bytes || file.bytes.length > MOST_BYTES) {
      setTrouble(
        'This file cannot be read, or is too large for a slip. A CSV or JSON of a few lines is taken.',
      );
      return;
    }
    setTrouble('');
    setDraft({ ...EMPTY, text: new TextDecoder().decode(file.bytes) });
  };
  const bring = async () => {
    if (!tank) return;
    if (await dispatch(bringSlip(judged, tank.id, zone, drawnAt))) {
      setDraft(null);
      router.replace(to.water);
    }
  };
  return (
    <Screen head={<BackHead title="A slip from a shop" />}>
      <Opening
        title={
          kept.length === 0
            ? 'What did the shop find?'
            : `${countOf(kept.length, 'figure')} to bring in.`
        }
      >
        The shop’s figures are kept apart from your own tests and laid beside them. Its advice is
        not taken in.
      </Opening>
      <Button label="Choose a file" onPress={() => void choose()} />
      {trouble ? <Remark tone="watch">{trouble}</Remark> : null}
      <Field
        label="Or type it, a line for each figure"
        kind="many"
        placeholder={'nitrate 5 mg/L NO3\nalkalinity 8.1 dKH'}
        value={draft.text}
        onChange={(text) => setDraft({ ...draft, text })}
      />
      <Field
        label="Hours since the water was drawn"
        kind="number"
        unit="h"
        value={
          draft.hours ??
          (slip.drawnAt === null ? '' : formatPlain((now - slip.drawnAt) / HOUR_MS, 1))
        }
        {...(ago === null ? { error: 'Enter how many hours ago, 0 for just now.' } : {})}
        onChange={(hours) => setDraft({ ...draft, hours })}
      />
      {judged.length > 0 ? <SectionHead title="What becomes of it" /> : null}
      {judged.map((one, n) => (
        <Line
          key={n}
          judged={one}
          chosen={draft.units[String(n)]}
          onUnit={(unit) => setDraft({ ...draft, units: { ...draft.units, [String(n)]: unit } })}
        />
      ))}
      {draft.text.trim() !== '' && judged.length === 0 ? (
        <Remark tone="watch">
          No line has a name and a figure. Write them as: nitrate 5 mg/L NO3.
        </Remark>
      ) : null}
      {beside.map((words) => (
        <Words key={words} as="body">
          {words}
        </Words>
      ))}
      {kept.length > 0 && ago !== null ? (
        <Button kind="primary" label="Bring it in" onPress={() => void bring()} />
      ) : null}
    </Screen>
  );
}

function Line({
  judged,
  chosen,
  onUnit,
}: {
  judged: Judged;
  chosen: string | undefined;
  onUnit: (unit: string) => void;
}) {
  const { parameter, value, unit, kept, why, line } = judged;
  const asks = kept && parameter !== null && (why.startsWith('No unit') || chosen !== undefined);
  const options = parameter === null ? [] : measureOptions(parameter);
  return (
    <>
      <Row
        title={parameter === null ? line.what : PARAMETERS[parameter].name}
        {...(why ? { note: why } : {})}
        end={
          kept && value !== null && unit !== null
            ? withUnit(formatPlain(value, 3), unit)
            : 'left out'
        }
      />
      {asks ? (
        <Choice
          label={`The unit of ${PARAMETERS[parameter].inSentence}`}
          value={chosen ?? (options[0] ? measureKey(options[0].measure) : '')}
          onChange={onUnit}
          options={options}
        />
      ) : null}
    </>
  );
}
