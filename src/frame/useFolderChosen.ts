import * as z from 'zod';
import { useDraft } from '@/store/hooks';

const chosenSchema = z.boolean();

/** Whether a folder was chosen: kept beside the log, so that nobody without one asks a worker for it. */
export const useFolderChosen = () => useDraft('data/folder', chosenSchema, false);
