import { SETTINGS_ID, type Settings } from '../core/records/schema/settings';
import { recordAct, type SaveResult } from './record';
import { selectSettings, selectSettingsRecord } from './selectors';
import type { AppThunk } from './state';

/** Changes the settings, whichever screen it is asked on; their one record is made where there is none yet. */
export function changeSettings(
  change: (settings: Settings) => Settings,
): AppThunk<Promise<SaveResult>> {
  return (dispatch, getState) => {
    const record = selectSettingsRecord(getState());
    const next = change(selectSettings(getState()));
    return dispatch(
      recordAct((act) => {
        if (record) act.revise(record, next);
        else act.createAs(SETTINGS_ID, 'settings', next);
      }, 'Changed the settings'),
    );
  };
}
