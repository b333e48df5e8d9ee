import { useEffect, useRef, useState } from 'react';
import { monthsOf } from '@/core/carry/months';
import { calledHere, holdsAll } from '@/core/carry/receipts';
import { allRevisions } from '@/core/records/log';
import { useCopy } from '@/frame/useCopy';
import type { CarryHead } from '@/core/carry/head';
import type { OpenedRecords } from '@/core/carry/openFile';
import type { TakeOver } from '@/core/carry/takeOver';
import { broughtWords } from '@/core/review/broughtWords';
import { chooseSavedFile } from '@/frame/browserFiles';
import { ownDevice, rememberReceipt, takeOverPlan } from '@/store/carrying';
import { useAppDispatch, useAppStore } from '@/store/hooks';
import { importPlan, importRecords } from '@/store/importing';
import { selectLog } from '@/store/selectors';
import { noticed } from '@/store/sessionSlice';
import { openInWorker } from '@/workers/logs/client';

/** A file of records that was read, and what taking it in would do. */
export interface Found extends OpenedRecords {
  name: string;
  /** The file, or the device that it comes from as it is called here. */
  from: string;
  plan: TakeOver;
  /** What is new in it, in a keeper's words. */
  words: string[];
}

export interface Refusal {
  title: string;
  text: string;
}

const notImported = (name: string, why: string): Refusal => ({
  title: 'That file was not imported',
  text: `${name}: ${why}`,
});

/** Takes in files of records: exported logs, carries of other devices, and photos. */
export function useImport() {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const copy = useCopy();
  const [working, setWorking] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [found, setFound] = useState<Found | null>(null);
  const [photosIn, setPhotosIn] = useState(0);
  const stopReading = useRef<(() => void) | null>(null);
  useEffect(() => () => stopReading.current?.(), []);

  const percent = (what: string) => (share: number) =>
    setWorking(`${what}, ${Math.round(share * 100)} %`);

  const planOf = (carry: CarryHead | null, records: OpenedRecords['records']): TakeOver =>
    carry
      ? dispatch(takeOverPlan(carry, records))
      : { ...dispatch(importPlan(records)), lacking: [] };

  const choose = async () => {
    setRefusal(null);
    const file = await chooseSavedFile();
    if (!file) return;
    const { name, bytes } = file;
    if (!bytes) {
      const why = 'The browser could not read it. Choose it once more.';
      return setRefusal(notImported(name, why));
    }
    const progress = percent('Reading the file');
    progress(0);
    const { opened, stop } = openInWorker(bytes, progress);
    stopReading.current = stop;
    const result = await opened;
    stopReading.current = null;
    setWorking(null);
    if (!result) return;
    if (result.kind === 'refused') {
      return setRefusal(notImported(name, `${result.why} Nothing was changed.`));
    }
    if (result.kind === 'photos') return takeInPhotos(name, result.text);
    const own = dispatch(ownDevice());
    if (result.carry?.from.id === own.id) {
      const text = `${name} was made on this device. Take it over on the other one.`;
      return setRefusal({ title: 'That file is for another device', text });
    }
    const plan = planOf(result.carry, result.records);
    const words = broughtWords(selectLog(store.getState()), plan.fresh);
    const from = result.carry ? calledHere(result.carry.from, own.name) : name;
    setFound({ ...result, name, from, plan, words });
  };

  const takeInPhotos = async (name: string, text: string) => {
    setWorking('Taking in the photos');
    const { importPhotosFile } = await import('@/features/photos');
    const { done, trouble } = await dispatch(importPhotosFile(text));
    setWorking(null);
    setPhotosIn((times) => times + 1);
    if (done) dispatch(noticed({ text: done, undo: null }));
    if (trouble) {
      // What is damaged in it keeps the rest from nothing.
      const partly = { title: 'Not all of that file came in', text: `${name}: ${trouble}` };
      setRefusal(done ? partly : notImported(name, trouble));
    }
  };

  const run = async ({ from: name, plan, carry, photos, words }: Found) => {
    setFound(null);
    const progress = percent(carry ? 'Taking it over' : 'Importing');
    progress(0);
    const origin = carry
      ? { kind: 'carry' as const, name, words }
      : { kind: 'log' as const, name, words };
    const { saved } =
      plan.fresh.length > 0
        ? await dispatch(importRecords(plan, origin, progress))
        : { saved: true };
    if (saved && photos.length > 0) {
      setWorking('Taking in the photos');
      const { importPhotos } = await import('@/features/photos');
      const { trouble } = await dispatch(importPhotos(photos));
      setPhotosIn((times) => times + 1);
      if (trouble) setRefusal({ title: 'Not all of the photos came in', text: trouble });
    }
    // The receipt counts once it is here: before, the next carry would bring it all once more.
    if (saved && carry) {
      dispatch(rememberReceipt(carry));
      // What another device holds as well would not be lost with this browser.
      const months = monthsOf(allRevisions(selectLog(store.getState())));
      if (holdsAll(carry, months)) copy.made();
    }
    setWorking(null);
  };

  return {
    /** What is being done, in words; null while nothing is. */
    working,
    refusal,
    found,
    /** How often photos came in. */
    photosIn,
    choose: () => void choose(),
    /** Ends the reading of a file; null where nothing is being read. */
    stop: working?.startsWith('Reading') ? () => stopReading.current?.() : null,
    run: (one: Found) => void run(one),
    close: () => setFound(null),
  };
}
