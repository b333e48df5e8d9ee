import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { allRevisions, headsOfType } from '@/core/records/log';
import type { Revision } from '@/core/records/schema/revision';
import type { Snapshot } from '@/core/copies/snapshots';
import { openLog } from '@/store/open';
import { storeRevisions, undoKeys } from '@/store/record';
import { selectLog } from '@/store/selectors';
import { createStore, type AppStore } from '@/store/store';
import { ticked } from '@/store/clockSlice';
import { tankChosen } from '@/store/sessionSlice';
import { logged, press, SCREEN_NOW, show } from '@/testing/appHarness';
import { LogBuilder } from '@/testing/logBuilder';
import { testServices } from '@/testing/services';
import type { CopyAnswer, CopyRequest } from '@/workers/copies/messages';
import { CopiesPart } from './CopiesPart';

let opened: AppStore | null = null;
let held: { copy: Snapshot; records: Revision[] } | null = null;
// There are no workers where screens are tested; what they keep is tested where it is kept.
const mockAsk = async (request: CopyRequest): Promise<CopyAnswer> => {
  if (request.ask === 'take' && opened) {
    const copy = { ...request.about, chunks: [{ hash: 'a', bytes: 900 }] };
    held = { copy, records: allRevisions(opened.getState().log) };
  }
  if (request.ask === 'open' && held) return { kind: 'records', records: held.records };
  return { kind: 'list', copies: held ? [held.copy] : [] };
};
jest.mock('@/workers/copies/client', () => ({
  askCopies: (request: CopyRequest) => mockAsk(request),
}));
jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn() }) }));

describe('copies within the browser', () => {
  it('are made, seen into, and brought back by one act that can be undone', async () => {
    const store = createStore(testServices(SCREEN_NOW));
    opened = store;
    store.dispatch(ticked(SCREEN_NOW));
    await store.dispatch(openLog('own'));
    const builder = new LogBuilder();
    builder.entry(SCREEN_NOW - 1000, { kind: 'note', text: 'before' });
    await store.dispatch(storeRevisions(builder.revisions));
    const [tank] = selectLog(store.getState()).tanks;
    store.dispatch(tankChosen(tank?.id ?? null));
    await show(store, <CopiesPart erased={0} />);
    await screen.findByRole('button', { name: 'Make a copy now' });
    await press('Make a copy now');
    const copy = await screen.findByRole('button', { name: /^The copy of today/ });
    await logged(store, [[1, { kind: 'note', text: 'after' }]]);
    const entries = () => headsOfType(selectLog(store.getState()), 'entry').length;
    const before = entries();
    fireEvent.click(copy);
    await screen.findByText(
      '1 record entered since goes away. It is one act, which can be undone.',
    );
    expect(screen.getByText('Took away note: after')).toBeTruthy();
    await press('Bring it back');
    await waitFor(() => expect(entries()).toBe(before - 1));
    await act(async () => {
      await store.dispatch(undoKeys(store.getState().session.notice?.undo ?? []));
    });
    expect(entries()).toBe(before);
  });
});
