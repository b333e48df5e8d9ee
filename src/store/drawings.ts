import type { PageDrawing } from '../core/guide/pageDrawings';
import type { AppThunk } from './state';

/** Asks for what a page of the Guide shows, drawn away from the screen: null where it shows nothing. */
export function drawPage(page: string): AppThunk<Promise<PageDrawing | null>> {
  return (_dispatch, _getState, { services }) =>
    services.jobs.run('draw', { page }, { lane: 'draw', hash: page });
}
