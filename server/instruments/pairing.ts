import { createHash, randomBytes, randomInt, timingSafeEqual } from 'node:crypto';
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import * as z from 'zod';

/** A code on a screen is good for so long. */
export const CODE_MS = 10 * 60_000;
/** Tokens of one instrument at a time: the oldest goes. */
const MOST_TOKENS = 20;
/** Wrong codes after which a new one has to be read from the screen. */
const MOST_WRONG = 5;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const tokensSchema = z.record(z.string(), z.array(z.string().regex(/^[0-9a-f]{64}$/)));

/** Codes on the screens of instruments, and the tokens that were given for them, of which only hashes are kept. */
export class Pairing {
  private readonly codes = new Map<string, { code: string; until: number; wrong: number }>();
  private tokens: Record<string, string[]>;

  /** @param file where hashes are kept over a restart; null to forget them with the process */
  constructor(private readonly file: string | null) {
    this.tokens = file === null ? {} : read(file);
  }

  /** The code on an instrument's screen. */
  codeOf(instrument: string, now: number): { code: string; until: number } {
    const known = this.codes.get(instrument);
    if (known && now < known.until) return known;
    const made = {
      code: String(randomInt(1_000_000)).padStart(6, '0'),
      until: now + CODE_MS,
      wrong: 0,
    };
    this.codes.set(instrument, made);
    return made;
  }

  /** A token for a code; null for one that is wrong or over. A code is good once. */
  pair(instrument: string, code: string, now: number): string | null {
    const known = this.codes.get(instrument);
    if (!known || now >= known.until) return null;
    if (!timingSafeEqual(Buffer.from(hashOf(known.code)), Buffer.from(hashOf(code)))) {
      known.wrong += 1;
      if (known.wrong >= MOST_WRONG) this.codes.delete(instrument);
      return null;
    }
    this.codes.delete(instrument);
    const token = randomBytes(32).toString('hex');
    this.tokens[instrument] = [...(this.tokens[instrument] ?? []), hashOf(token)].slice(
      -MOST_TOKENS,
    );
    this.keep();
    return token;
  }

  /** Whether a token was given for an instrument. */
  admits(instrument: string, token: string): boolean {
    const asked = Buffer.from(hashOf(token));
    return (this.tokens[instrument] ?? []).some((hash) =>
      timingSafeEqual(Buffer.from(hash), asked),
    );
  }

  /** Every token counts no longer. */
  forget(): void {
    this.tokens = {};
    this.keep();
  }

  private keep(): void {
    if (this.file === null) return;
    mkdirSync(path.dirname(this.file), { recursive: true });
    const beside = `${this.file}.new`;
    writeFileSync(beside, JSON.stringify(this.tokens), { mode: 0o600 });
    renameSync(beside, this.file);
  }
}

function read(file: string): Record<string, string[]> {
  try {
    return tokensSchema.parse(JSON.parse(readFileSync(file, 'utf8')));
  } catch {
    // None yet, or damaged: instruments are paired anew then.
    return {};
  }
}
