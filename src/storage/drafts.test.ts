import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { DraftStore } from './drafts';

let serial = 0;
const fresh = () => createAsyncStorage(`drafts-${(serial += 1)}`);

describe('drafts', () => {
  it('come back after a reload, until they are emptied', async () => {
    const database = fresh();
    await new DraftStore(database).save('test', { ph: '8.' });
    expect(await new DraftStore(database).load()).toEqual({ test: { ph: '8.' } });
    await new DraftStore(database).save('test', null);
    expect(await new DraftStore(database).load()).toEqual({});
  });

  it('are found under what they are called since, unless they were typed or emptied anew', async () => {
    const database = fresh();
    await new DraftStore(database).save('bench/salt-mix', { litres: '40' });
    await new DraftStore(database).save('typed/rhythm/sought', 'skim');
    const names = { 'calculators/salt-mix': { litres: '40' }, 'typed/chores/sought': 'skim' };
    expect(await new DraftStore(database).load()).toEqual(names);
    await new DraftStore(database).save('calculators/salt-mix', { litres: '50' });
    await new DraftStore(database).save('typed/chores/sought', null);
    expect(await new DraftStore(database).load()).toEqual({
      'calculators/salt-mix': { litres: '50' },
    });
  });

  it('that are damaged are let go', async () => {
    const database = fresh();
    await database.setItem('draft/test', '{"ph":');
    expect(await new DraftStore(database).load()).toEqual({});
  });
});
