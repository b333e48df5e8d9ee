import * as z from 'zod';
import type { Desk } from './atHand';
import { answerFolder } from './folderDesk';
import { recordsIn } from './recordsIn';
import { copyRequestSchema, type CopyAnswer } from './messages';

// Without eval, which the content policy forbids, Zod's own compiler would only report violations.
z.config({ jitless: true });

const GONE = 'That copy is damaged, or gone. Another one may hold what you miss.';

/**
 * Makes, lists and opens copies of the log. Of two tabs one makes them at a time: what one has written and not
 * listed yet, the other would let go.
 */
export async function answerCopies(data: unknown, desk: Desk): Promise<CopyAnswer> {
  const { store, blocks, exclusive } = desk;
  const request = copyRequestSchema.safeParse(data);
  if (!request.success) return { kind: 'failed', why: 'It was asked for in no way known.' };
  const { data: asked } = request;
  if (asked.ask === 'list') return { kind: 'list', copies: await store.list() };
  if (asked.ask === 'forget') {
    await store.forget();
    return { kind: 'list', copies: [] };
  }
  if (asked.ask === 'take') {
    await exclusive('zoarium-copies', async () => {
      await store.take(await blocks(), asked.about, asked.zone);
    });
    return { kind: 'list', copies: await store.list() };
  }
  if (asked.ask !== 'open') return answerFolder(asked, desk);
  const texts = await store.texts(asked.id);
  if (texts === null) return { kind: 'failed', why: GONE };
  return { kind: 'records', records: recordsIn(texts) };
}
