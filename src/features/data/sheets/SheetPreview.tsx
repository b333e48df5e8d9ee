import type { EntryBody } from '@/core/records/kinds';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { answered, answerIn, withUse } from '@/core/sheets/guess/answers';
import type { Mapping } from '@/core/sheets/mapping';
import { placeWords } from '@/core/sheets/placeWords';
import { offerWords, type SheetOffer } from '@/core/sheets/read/offer';
import type { SheetReading } from '@/core/sheets/read/found';
import type { SheetReadingResult, ShownColumn } from '@/core/sheets/sheet';
import { dayWords, momentWords } from '@/core/time/words';
import { instant } from '@/core/time/zone';
import { capitalise, listWords } from '@/core/units/format';
import { OptionList, Tick } from '@/ui/Choice';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { LongList } from '@/ui/Table';
import { Words } from '@/ui/Words';
import { ColumnEditor } from './ColumnEditor';
import { readingLine, columnWords } from './sheetWords';

/** Rows that are shown as they will be read. */
const SHOWN = 20;

/** What cannot be told from the sheet, each with its likely answer chosen. */
export function SheetQuestions({
  result: { questions, mapping },
  onChange,
}: {
  result: SheetReadingResult;
  onChange: (mapping: Mapping) => void;
}) {
  return questions.map(({ key, ask, options }) => (
    <Remark key={key} tone="caution" title={ask}>
      <OptionList
        label={ask}
        options={options.map(({ value, label }) => ({ value, label: capitalise(label) }))}
        value={answerIn(mapping, key)}
        onChange={(value) => onChange(answered(mapping, key, value))}
      />
    </Remark>
  ));
}

/** Each column with what it is taken for; a tap says otherwise. */
export function SheetColumns({
  result: { columns, mapping },
  onChange,
}: {
  result: SheetReadingResult;
  onChange: (mapping: Mapping) => void;
}) {
  const [open, setOpen] = useState<Pick<ShownColumn, 'heading' | 'nth'> | null>(null);
  const column = columns.find(({ heading, nth }) => heading === open?.heading && nth === open.nth);
  return (
    <View>
      <SectionHead title="Columns" end="tap one that is meant otherwise" />
      {columns.map((one) => (
        <Row
          key={`${one.heading}/${one.nth}`}
          title={one.heading || `Column ${one.where}`}
          note={one.samples.join(' · ')}
          end={columnWords(one.use)}
          onPress={() => setOpen(one)}
        />
      ))}
      {column ? (
        <ColumnEditor
          column={column}
          mark={mapping.mark}
          onChange={(use) => onChange(withUse(mapping, column.heading, column.nth, use))}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </View>
  );
}

interface Shown {
  readings: readonly SheetReading[];
  zoneOf: (tankId: string) => string;
  now: number;
}

const keyOf = ({ id }: SheetReading) => id;

function ReadingRow({ one, zoneOf, now }: { one: SheetReading } & Omit<Shown, 'readings'>) {
  return (
    <Row
      title={readingLine(one)}
      note={momentWords(instant(one.at), zoneOf(one.tankId), now)}
      end={`${placeWords(one.row, one.column)}: “${one.text}”`}
    />
  );
}

/** Every test that tanks seldom show: bringing it in says that it is what was read. */
export function UnlikelyReadings({ readings, zoneOf, now }: Shown) {
  const odd = useMemo(() => readings.filter(({ unlikely }) => unlikely), [readings]);
  if (odd.length === 0) return null;
  return (
    <View>
      <SectionHead title="Worth a second look" end={`${odd.length}`} />
      <Words as="soft">
        Few tanks ever read this. If a column is meant otherwise, say so below; brought in, it
        counts as what you read.
      </Words>
      <LongList
        items={odd}
        keyOf={keyOf}
        rowHeight={66}
        render={(one) => <ReadingRow one={one} zoneOf={zoneOf} now={now} />}
      />
    </View>
  );
}

/** The first tests as they will be read, each with the cell that it was read from. */
export function FirstReadings({ readings, zoneOf, now }: Shown) {
  if (readings.length === 0) return null;
  const more = readings.length - SHOWN;
  return (
    <View>
      <SectionHead title="As it will be read" end={more > 0 ? `the first ${SHOWN}` : undefined} />
      <Words as="soft">
        {`Times are of ${listWords([...new Set(readings.map(({ tankId }) => zoneOf(tankId)))])}, the zone of the tank; a test without an hour is set at noon.`}
      </Words>
      {readings.slice(0, SHOWN).map((one) => (
        <ReadingRow key={one.id} one={one} zoneOf={zoneOf} now={now} />
      ))}
    </View>
  );
}

/** Every cell and row that is not taken, with its reason. */
export function NotTaken({ result: { refused, without } }: { result: SheetReadingResult }) {
  if (refused.length === 0 && without.length === 0) return null;
  return (
    <View>
      <SectionHead title="Not taken" end={refused.length > 0 ? `${refused.length}` : undefined} />
      {without.map((name) => (
        <Row
          key={name}
          title={name === '' ? 'The sheet' : `The sheet “${name}”`}
          note="No table of tests was found in it: a column of days, and headings with names of tests."
        />
      ))}
      <LongList
        items={refused}
        keyOf={({ where, text }) => `${where}/${text}`}
        rowHeight={58}
        render={({ where, text, why }) => <Row title={`“${text}” ${why}`} note={where} />}
      />
    </View>
  );
}

/** What notes tell of: each can be logged as an entry, and none is unless it is ticked. */
export function OffersPart({
  offers,
  ticked,
  bodyOf,
  onTick,
  zoneOf,
  now,
}: {
  offers: readonly SheetOffer[];
  zoneOf: (tankId: string) => string;
  now: number;
  ticked: ReadonlySet<string>;
  bodyOf: (offer: SheetOffer) => EntryBody | null;
  onTick: (id: string, on: boolean) => void;
}) {
  const known = offers.flatMap((offer) => {
    const body = bodyOf(offer);
    return body ? [{ offer, body }] : [];
  });
  if (known.length === 0) return null;
  return (
    <View>
      <SectionHead title="What notes tell of" />
      <Words as="soft">Tick what is to be logged as an entry of its own, beside the note.</Words>
      {known.map(({ offer, body }) => (
        <Tick
          key={offer.id}
          label={`${offerWords(body)}, ${dayWords(instant(offer.at), zoneOf(offer.tankId), now)}`}
          note={`“${offer.text}”`}
          value={ticked.has(offer.id)}
          onChange={(on) => onTick(offer.id, on)}
        />
      ))}
    </View>
  );
}
