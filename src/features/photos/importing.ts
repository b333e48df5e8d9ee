import { readPhotosFile } from '@/core/photos/file';
import { countOf } from '@/core/units/format';
import { importPhotos } from '@/store/photos';
import type { AppThunk } from '@/store/state';

/** Takes in a file of photos. @returns what was done, and what kept the rest out; null where nothing did */
export function importPhotosFile(
  text: string,
): AppThunk<Promise<{ done: string | null; trouble: string | null }>> {
  return async (dispatch) => {
    const reading = readPhotosFile(text);
    if (!reading.ok) return { done: null, trouble: `${reading.why} Nothing was changed.` };
    const { photos, damaged } = reading;
    if (photos.length === 0) {
      return {
        done: null,
        trouble:
          damaged > 0
            ? 'Every photo in it is damaged, and none was taken in.'
            : 'There is no photo in it.',
      };
    }
    const { fresh, trouble } = await dispatch(importPhotos(photos));
    const left =
      damaged > 0
        ? `${countOf(damaged, 'photo')} in it ${damaged === 1 ? 'is' : 'are'} damaged and ${damaged === 1 ? 'was' : 'were'} left out.`
        : null;
    return {
      done: fresh > 0 ? `Took in ${countOf(fresh, 'photo')}` : 'Every photo in it is here already',
      trouble: trouble ? `${countOf(fresh, 'photo')} came in, the rest did not. ${trouble}` : left,
    };
  };
}
