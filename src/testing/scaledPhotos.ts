import type { Scaled } from '../workers/photos/messages';

/** What the worker that scales photos answers. Imported before all that asks it, since it stands in its place. */
export const scaledPhotos: { answer: Scaled | null } = { answer: null };

jest.mock('../workers/photos/client', () => ({
  scalePhoto: async () => scaledPhotos.answer,
}));
