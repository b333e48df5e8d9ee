import * as z from 'zod';
import {
  colorimeterReadingSchema,
  historySchema,
  instrumentsSchema,
  pairedSchema,
  penReadingSchema,
  problemSchema,
  PROTOCOL,
  ticketSchema,
  type ColorimeterReading,
  type History,
  type Instrument,
  type Paired,
  type PenReading,
} from '../core/monitor/protocol';
import { slipSchema, type Slip } from '../core/monitor/slipSchema';
import type { Ranges } from '../core/monitor/samples/ranges';

const BASE = `/instruments/${PROTOCOL}`;
const PATIENCE_MS = 15_000;

/** An instrument did not answer as it should; its message is for the keeper. */
export class InstrumentTrouble extends Error {
  constructor(
    message: string,
    /** The token counts no longer: it has to be paired anew. */
    readonly refused = false,
    /** Seconds after which it may answer. */
    readonly retryAfter: number | null = null,
  ) {
    super(message);
  }
}

export type Fetch = (address: string, init?: RequestInit) => Promise<Response>;

/** What is asked of instruments behind the app's own server: no address ever comes from elsewhere. */
export class Instruments {
  constructor(private readonly fetcher: Fetch = (address, init) => fetch(address, init)) {}

  private async ask(path: string, init: RequestInit = {}, token?: string): Promise<Response> {
    let answer: Response;
    try {
      answer = await this.fetcher(BASE + path, {
        ...init,
        cache: 'no-store',
        credentials: 'omit',
        signal: init.signal ?? AbortSignal.timeout(PATIENCE_MS),
        headers: {
          ...(token === undefined ? {} : { Authorization: `Bearer ${token}` }),
          ...(init.body === undefined ? {} : { 'Content-Type': 'application/json' }),
        },
      });
    } catch {
      throw new InstrumentTrouble(
        'The server that reads the instruments does not answer. See whether it runs, and whether this device is in its network.',
      );
    }
    if (answer.ok) return answer;
    const problem = problemSchema.safeParse(await answer.json().catch(() => null)).data;
    throw new InstrumentTrouble(
      problem?.error ??
        'The server has no instruments at this address. Start it with npm run demo, or behind one that has.',
      answer.status === 401,
      problem?.retryAfter ?? null,
    );
  }

  private async read<T>(schema: z.ZodType<T>, answer: Response): Promise<T> {
    const read = schema.safeParse(await answer.json().catch(() => null));
    if (read.success) return read.data;
    throw new InstrumentTrouble('The instrument answered with something that cannot be read.');
  }

  private readonly post = (body: object): RequestInit => ({
    method: 'POST',
    body: JSON.stringify(body),
  });

  async list(): Promise<Instrument[]> {
    return (await this.read(instrumentsSchema, await this.ask('/'))).instruments;
  }

  /** A token for the code on its screen. @throws InstrumentTrouble for one that is wrong or over */
  async pair(instrument: string, code: string): Promise<Paired> {
    return this.read(pairedSchema, await this.ask(`/${instrument}/pair`, this.post({ code })));
  }

  /** Opens the stream; its body ends when either side does. */
  async stream(instrument: string, token: string, signal: AbortSignal): Promise<Response> {
    return this.ask(`/${instrument}/stream`, { signal }, token);
  }

  async samples(
    instrument: string,
    token: string,
    epoch: string,
    from: number,
    count: number,
  ): Promise<History> {
    const query = new URLSearchParams({ epoch, from: String(from), count: String(count) });
    return this.read(
      historySchema,
      await this.ask(`/${instrument}/samples?${String(query)}`, {}, token),
    );
  }

  async acknowledge(instrument: string, token: string, epoch: string, have: Ranges): Promise<void> {
    const [first] = have;
    if (!first) return;
    await this.ask(`/${instrument}/acknowledged`, this.post({ epoch, upTo: first[1] }), token);
  }

  async penReading(instrument: string, token: string): Promise<PenReading> {
    return this.read(
      penReadingSchema,
      await this.ask(`/${instrument}/measure`, this.post({}), token),
    );
  }

  async blank(instrument: string, token: string): Promise<void> {
    await this.ask(`/${instrument}/blank`, this.post({}), token);
  }

  async colorimeterReading(
    instrument: string,
    token: string,
    parameter: ColorimeterReading['parameter'],
  ): Promise<ColorimeterReading> {
    return this.read(
      colorimeterReadingSchema,
      await this.ask(`/${instrument}/measure`, this.post({ parameter }), token),
    );
  }

  async handIn(
    instrument: string,
    token: string,
    drawnAt: number,
    label: string,
  ): Promise<z.infer<typeof ticketSchema>> {
    return this.read(
      ticketSchema,
      await this.ask(`/${instrument}/handed-in`, this.post({ drawnAt, label }), token),
    );
  }

  async slip(instrument: string, token: string, ticket: string): Promise<Slip> {
    return this.read(slipSchema, await this.ask(`/${instrument}/slips/${ticket}`, {}, token));
  }
}
