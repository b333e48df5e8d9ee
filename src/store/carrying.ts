import { createSelector } from '@reduxjs/toolkit';
import { makeCarry, writeCarry, type Carry } from '../core/carry/carry';
import type { CarryHead } from '../core/carry/head';
import type { Device } from '../core/carry/device';
import { receiptsSchema, withReceipt, type Receipt, type Receipts } from '../core/carry/receipts';
import { planTakeOver, type TakeOver } from '../core/carry/takeOver';
import { photosShown } from '../core/photos/shown';
import { mergeRevisions, EMPTY_LOG } from '../core/records/log';
import type { Revision } from '../core/records/schema/revision';
import { PhotoStore } from '../storage/photos';
import { draftChanged } from './draftsSlice';
import type { AppThunk, RootState, ThunkExtra } from './state';

const RECEIPTS = 'data/receipts';

const photosIn = ({ databases }: ThunkExtra) => new PhotoStore(databases.opened.storage);

/** What is known of the other devices. */
export const selectReceipts = createSelector(
  [({ drafts }: RootState) => drafts[RECEIPTS]],
  (kept): Receipts => receiptsSchema.safeParse(kept).data ?? {},
);

/** A carry that is ready to go, and the photos that could go along with it. */
export interface ReadyCarry {
  carry: Carry;
  /** Photos that the animals in it show and that are here. */
  photos: string[];
  /** Photos that the other device asked for and that are here. */
  asked: string[];
}

/** Makes a carry. @param receipt what the other device held; null for one of which nothing is known */
export function prepareCarry(receipt: Receipt | null): AppThunk<Promise<ReadyCarry>> {
  return async (_dispatch, getState, extra) => {
    const { log, session } = getState();
    const { services } = extra;
    const { id, name } = services.device.read();
    // Whoever takes it over sees that it is no log of anybody's.
    const called = session.which === 'demo' ? `${name.slice(0, 30)} (demo)` : name;
    const kept = await photosIn(extra)
      .list()
      .catch(() => []);
    const here = new Set(kept.map(({ id }) => id));
    const about = {
      id: services.newId(),
      from: { id, name: called },
      madeAt: new Date(services.now()).toISOString(),
      wants: [...photosShown(log)].filter((id) => !here.has(id)).sort(),
    };
    const carry = makeCarry(log, about, receipt);
    const along = photosShown(mergeRevisions(EMPTY_LOG, carry.records));
    return {
      carry,
      photos: [...along].filter((id) => here.has(id)),
      asked: (receipt?.wants ?? []).filter((id) => here.has(id)),
    };
  };
}

/** The text of a carry's file. @param photos ids of photos that go along */
export function carryText(carry: Carry, photos: Iterable<string>): AppThunk<Promise<string>> {
  return async (_dispatch, _getState, extra) => {
    const along = await photosIn(extra)
      .all(photos)
      .catch(() => []);
    return writeCarry(carry, Object.fromEntries(along.map(({ id, text }) => [id, text])));
  };
}

/** What taking a carry over would do to the log that is open. */
export function takeOverPlan(head: CarryHead, records: readonly Revision[]): AppThunk<TakeOver> {
  return (_dispatch, getState, { services }) =>
    planTakeOver(getState().log, head, records, services.device.read().id);
}

/** Keeps what a carry says of the device that it comes from. */
export function rememberReceipt(head: CarryHead): AppThunk {
  return (dispatch, getState, { services }) => {
    // A carry of one's own says nothing of another device.
    if (head.from.id === services.device.read().id) return;
    const value = withReceipt(selectReceipts(getState()), head);
    dispatch(draftChanged({ name: RECEIPTS, value }));
  };
}

/** Which device this is. */
export const ownDevice =
  (): AppThunk<Device> =>
  (_dispatch, _getState, { services }) =>
    services.device.read();

/** Calls this device something else on the others. */
export const nameDevice =
  (name: string): AppThunk<Device> =>
  (_dispatch, _getState, { services }) =>
    services.device.rename(name);
