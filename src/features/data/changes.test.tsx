import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { headsOfType } from '@/core/records/log';
import { selectLog } from '@/store/selectors';
import { demoStore, heading, logged, show } from '@/testing/appHarness';
import { ChangesScreen } from './ChangesScreen';

jest.mock('expo-router', () => ({
  useRouter: () => ({ push: jest.fn(), replace: jest.fn(), canGoBack: () => false }),
}));

const undos = () => screen.queryAllByRole('button', { name: /^Undo: / });

describe('every change', () => {
  it('is told by what it was, found by its words, and undone from here', async () => {
    const store = await demoStore();
    await logged(store, [[2, { kind: 'note', text: 'Torch coral looks bleached' }]]);
    await show(store, <ChangesScreen />);
    expect(heading()).toMatch(/^4\d\d changes\.$/);
    fireEvent.change(screen.getByLabelText('Find a change'), { target: { value: 'bleached' } });
    await waitFor(() => expect(undos()).toHaveLength(1));
    const notes = () => headsOfType(selectLog(store.getState()), 'entry').length;
    const before = notes();
    await act(async () => {
      fireEvent.click(
        screen.getByRole('button', { name: 'Undo: Note: Torch coral looks bleached' }),
      );
    });
    await waitFor(() => expect(notes()).toBe(before - 1));
    // The undo is a change of its own, and says what it took away.
    await waitFor(() => expect(undos()).toHaveLength(2));
    expect(screen.getByText('Took away note: Torch coral looks bleached')).toBeTruthy();
  });

  it('is narrowed by tank and by what it was about', async () => {
    await show(await demoStore(), <ChangesScreen />);
    fireEvent.click(screen.getByRole('radio', { name: 'Set-up and plans' }));
    for (const button of undos())
      expect(button.getAttribute('aria-label')).toMatch(/^Undo: (Added|Changed|Took away)/);
    fireEvent.change(screen.getByLabelText('Find a change'), {
      target: { value: 'no such thing' },
    });
    await waitFor(() => expect(screen.queryByText('No change is like that.')).not.toBeNull());
  });
});
