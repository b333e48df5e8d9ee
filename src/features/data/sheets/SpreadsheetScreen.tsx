import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import type { EntryBody } from '@/core/records/kinds';
import { netVolume } from '@/core/water/volume';
import { newOf } from '@/core/sheets/bring';
import type { Revision } from '@/core/records/schema/revision';
import { offerBody, type SheetOffer } from '@/core/sheets/read/offer';
import type { SheetReadingResult } from '@/core/sheets/sheet';
import { shortDay } from '@/core/time/words';
import { dayOf, instant } from '@/core/time/zone';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { chooseSheetFile } from '@/frame/browserFiles';
import { TankHead } from '@/frame/TankHead';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { selectLog, selectNow, selectTank, selectTanks } from '@/store/selectors';
import type { Origin } from '@/store/brought';
import { bringSheet } from '@/store/sheets';
import type { AppThunk } from '@/store/state';
import { Field } from '@/ui/Field';
import { Footer } from '@/ui/Footer';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { RememberedMappings } from './RememberedMappings';
import {
  FirstReadings,
  NotTaken,
  OffersPart,
  SheetColumns,
  SheetQuestions,
  UnlikelyReadings,
} from './SheetPreview';
import { MAPPING_DRAFT, useSheet } from './useSheet';

const PASTED = 'the cells that were copied';

/** Remembers what a sheet brought, for the list of changes: its piece is another, and comes with the route. */
export type Remember = (
  origin: Origin,
  fresh: readonly Revision[],
) => Promise<AppThunk<Promise<void>>>;

/** Brings in tests from a spreadsheet: chosen or pasted, shown as it will be read, and only then written. */
export function SpreadsheetScreen({ remember }: { remember: Remember }) {
  const router = useRouter();
  const tank = useAppSelector(selectTank);
  const [pasting, setPasting] = useState(false);
  const [pasted, setPasted, pasteUsed] = useTyped('sheet/pasted');
  const sheet = useSheet();
  const { view, share, refusal } = sheet;
  const offers = useOffers(view?.result);
  if (!tank) {
    return (
      <Screen head={<BackHead title="Spreadsheet" />}>
        <Opening title="First, a tank.">
          Tests belong to a tank. Set yours up, then bring in what was tested before.
        </Opening>
        <Button kind="primary" label="Set up my tank" onPress={() => router.push(to.tanks)} />
      </Screen>
    );
  }
  const choose = async () => {
    const file = await chooseSheetFile();
    if (!file) return;
    if (file.bytes) sheet.open({ from: 'file', bytes: file.bytes }, file.name);
    else sheet.refuse(file.name, 'The browser could not read it. Choose it once more.');
  };
  const done = () => {
    pasteUsed();
    sheet.close();
    router.replace(to.water);
  };
  return (
    <Screen
      head={<BackHead title="Spreadsheet" aside={tank.body.name} />}
      footer={
        view && share === null ? (
          <BringFooter
            remember={remember}
            name={view.name}
            result={view.result}
            offers={offers.chosen}
            onDone={done}
          />
        ) : null
      }
    >
      {view ? (
        <SheetShown {...view} offers={offers} onChange={sheet.change} onClose={sheet.close} />
      ) : (
        <>
          <Opening title="Bring in tests from a spreadsheet.">
            A file (CSV or XLSX) or cells copied from one. You see how each column is read before
            anything is written.
          </Opening>
          <TankHead place="For" />
          <Button kind="primary" label="Choose a file" onPress={() => void choose()} />
          {pasting || pasted !== '' ? (
            <>
              <Field
                label="Cells, as they were copied"
                kind="many"
                value={pasted}
                onChange={setPasted}
                hint="With the row of headings."
              />
              <Button
                label="Read the cells"
                disabled={pasted.trim() === ''}
                onPress={() => sheet.open({ from: 'paste', text: pasted }, PASTED)}
              />
            </>
          ) : (
            <Button label="Paste cells" onPress={() => setPasting(true)} />
          )}
        </>
      )}
      {share !== null ? (
        <>
          <Words as="body" live>{`Reading, ${Math.round(share * 100)} %.`}</Words>
          <LinkButton label="Stop" onPress={sheet.stop} />
        </>
      ) : null}
      {refusal ? (
        <Remark tone="watch" title="That was not read">
          {`${refusal.name}: ${refusal.why} Nothing was changed.`}
        </Remark>
      ) : null}
    </Screen>
  );
}

/** What was found, from its sentence to the last row that is not taken. */
function SheetShown({
  name,
  result,
  offers,
  onChange,
  onClose,
}: {
  name: string;
  result: SheetReadingResult;
  offers: ReturnType<typeof useOffers>;
  onChange: (mapping: SheetReadingResult['mapping']) => void;
  onClose: () => void;
}) {
  const tanks = useAppSelector(selectTanks);
  const now = useAppSelector(selectNow);
  const log = useAppSelector(selectLog);
  const { known } = useMemo(() => newOf(log, result), [log, result]);
  const zoneOf = (tankId: string) =>
    tanks.find(({ id }) => id === tankId)?.body.zone ?? tanks[0]?.body.zone ?? 'UTC';
  return (
    <>
      <Opening title={titleOf(result, name)}>{leadOf(result, tanks, zoneOf)}</Opening>
      {known > 0 ? (
        <Words as="body">
          {`${countOf(known, 'of them is', 'of them are')} here already and ${known === 1 ? 'stays' : 'stay'} as ${known === 1 ? 'it is' : 'they are'}.`}
        </Words>
      ) : null}
      <SheetQuestions result={result} onChange={onChange} />
      <UnlikelyReadings readings={result.readings} zoneOf={zoneOf} now={now} />
      <FirstReadings readings={result.readings} zoneOf={zoneOf} now={now} />
      <SheetColumns result={result} onChange={onChange} />
      <OffersPart
        offers={result.offers}
        ticked={offers.ticked}
        bodyOf={offers.bodyOf}
        onTick={offers.tick}
        zoneOf={zoneOf}
        now={now}
      />
      <NotTaken result={result} />
      <RememberedMappings mapping={result.mapping} onUse={onChange} />
      <LinkButton label="Choose another" onPress={onClose} />
    </>
  );
}

const titleOf = ({ readings }: SheetReadingResult, name: string): string =>
  readings.length === 0
    ? `No test was found in ${name}.`
    : `${countOf(readings.length, 'test')} in ${name}.`;

function leadOf(
  { readings, notes, questions, refused }: SheetReadingResult,
  tanks: readonly { id: string; body: { name: string } }[],
  zoneOf: (tankId: string) => string,
): string {
  if (readings.length === 0) {
    return 'Say below which column holds the day, and which hold tests.';
  }
  const moments = readings.map(({ at, tankId }) => ({ at: instant(at), zone: zoneOf(tankId) }));
  const [first, last] = moments.reduce(
    ([low, high], one) => [one.at < low.at ? one : low, one.at > high.at ? one : high],
    [moments[0], moments[0]] as [(typeof moments)[0], (typeof moments)[0]],
  );
  const day = ({ at, zone }: typeof first) =>
    `${shortDay(at, zone)} ${dayOf(at, zone).slice(0, 4)}`;
  const ids = new Set(readings.map(({ tankId }) => tankId));
  const names = tanks.filter(({ id }) => ids.has(id)).map(({ body }) => body.name);
  const span = day(first) === day(last) ? `Of ${day(first)}` : `From ${day(first)} to ${day(last)}`;
  const asked =
    questions.length === 0
      ? ''
      : ` ${countOf(questions.length, 'thing')} ${questions.length === 1 ? 'is' : 'are'} asked first.`;
  const left =
    refused.length === 0
      ? ''
      : ` ${countOf(refused.length, 'cell')} ${refused.length === 1 ? 'is' : 'are'} not taken, for the reasons below.`;
  const beside = notes.length === 0 ? '' : `, with ${countOf(notes.length, 'note')}`;
  return `${span}, in ${names.join(' and ')}${beside}.${asked}${left}`;
}

/** The foot of it: what would be written, and the button that writes it. */
function BringFooter({
  remember,
  name,
  result,
  offers,
  onDone,
}: {
  remember: Remember;
  name: string;
  result: SheetReadingResult;
  offers: readonly { offer: SheetOffer; body: EntryBody }[];
  onDone: () => void;
}) {
  const dispatch = useAppDispatch();
  // Another tab may have brought it in meanwhile.
  const log = useAppSelector(selectLog);
  const [busy, setBusy] = useState(false);
  const { fresh, back, known, notes } = useMemo(() => newOf(log, result), [log, result]);
  const count = fresh + back;
  /** Notes and water changes, which may be new where every test is known. */
  const beside = notes + offers.length;
  const bring = async () => {
    setBusy(true);
    const { saved } = await dispatch(
      bringSheet(result, offers, [MAPPING_DRAFT], async (id, revisions) => {
        await dispatch(await remember({ kind: 'sheet', name, id, words: [] }, revisions));
      }),
    );
    setBusy(false);
    if (saved) onDone();
  };
  const label = () => {
    if (beside > 0 && count === 0) return `Bring in ${countOf(beside, 'entry', 'entries')}`;
    if (count === 0) return known > 0 ? 'All of it is here already' : 'Nothing to bring in';
    return `Bring in ${countOf(count, 'reading')}`;
  };
  return (
    <Footer>
      <Button
        kind="primary"
        label={label()}
        disabled={busy || count + beside === 0}
        onPress={() => void bring()}
        style={{ flex: 1 }}
      />
    </Footer>
  );
}

/** What notes tell of, with what was ticked of it. */
function useOffers(result: SheetReadingResult | undefined) {
  const tanks = useAppSelector(selectTanks);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const bodyOf = (offer: SheetOffer): EntryBody | null => {
    const tank = tanks.find(({ id }) => id === offer.tankId);
    return offerBody(offer, tank ? netVolume(tank.body.volume).net : null);
  };
  const chosen = (result?.offers ?? []).flatMap((offer) => {
    const body = ticked.has(offer.id) ? bodyOf(offer) : null;
    return body ? [{ offer, body }] : [];
  });
  const tick = (id: string, on: boolean) =>
    setTicked((before) => new Set(on ? [...before, id] : [...before].filter((one) => one !== id)));
  return { ticked, bodyOf, tick, chosen };
}
