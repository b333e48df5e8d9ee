import { useCallback, useEffect, useRef, useState } from 'react';
import type { RevisionOf } from '@/core/records/schema/revision';
import { InstrumentTrouble } from '@/storage/instruments';
import { sampleStoreOf } from '@/store/connections';
import { useAppSelector } from '@/store/hooks';
import { selectSession } from '@/store/selectors';

/** What an instrument was asked: it may make one wait, and then is asked again by itself. */
export type Asked<T> =
  | { state: 'idle' }
  | { state: 'asking' }
  | { state: 'waiting'; why: string }
  | { state: 'answered'; answer: T }
  /** It did not answer; refused where it knows this browser no longer. */
  | { state: 'trouble'; why: string; refused: boolean };

/** Waits so long at the most before it is left to the keeper to ask again. */
const MOST_TRIES = 20;

/** Asks an instrument with its token, and again after the time that it names. */
export function useAsked<T>(connection: RevisionOf<'connection'>): {
  asked: Asked<T>;
  ask: (question: (instrument: string, token: string) => Promise<T>) => void;
  clear: () => void;
} {
  const { which } = useAppSelector(selectSession);
  const [asked, setAsked] = useState<Asked<T>>({ state: 'idle' });
  const turn = useRef(0);
  useEffect(() => () => void (turn.current += 1), []);
  const { id } = connection;
  const { instrument } = connection.body;
  const ask = useCallback(
    (question: (instrument: string, token: string) => Promise<T>) => {
      turn.current += 1;
      const mine = turn.current;
      const tell = (next: Asked<T>) => {
        if (turn.current === mine) setAsked(next);
      };
      const once = async (tries: number): Promise<void> => {
        const token = await sampleStoreOf(which).token(id);
        if (token === null)
          return tell({
            state: 'trouble',
            why: 'This browser has no token for it: pair it again.',
            refused: true,
          });
        try {
          tell({ state: 'answered', answer: await question(instrument, token) });
        } catch (error) {
          const trouble = error instanceof InstrumentTrouble ? error : null;
          const after = trouble?.retryAfter ?? null;
          if (after === null || tries >= MOST_TRIES)
            return tell({
              state: 'trouble',
              why: trouble?.message ?? 'It did not answer.',
              refused: trouble?.refused ?? false,
            });
          tell({ state: 'waiting', why: trouble?.message.replace(/ Ask again.*/, '') ?? '' });
          setTimeout(() => {
            if (turn.current === mine) void once(tries + 1);
          }, after * 1000);
        }
      };
      tell({ state: 'asking' });
      void once(0);
    },
    [id, instrument, which],
  );
  const clear = useCallback(() => {
    turn.current += 1;
    setAsked({ state: 'idle' });
  }, []);
  return { asked, ask, clear };
}
