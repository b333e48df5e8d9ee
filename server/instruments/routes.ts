import * as z from 'zod';
import {
  acknowledgeSchema,
  codeSchema,
  colorimeterReadingSchema,
  colorimeterRequestSchema,
  handedInSchema,
  historySchema,
  instrumentIdSchema,
  instrumentSchema,
  instrumentsSchema,
  MOST_SAMPLES,
  pairedSchema,
  penReadingSchema,
  problemSchema,
  ticketSchema,
  type Instrument,
} from '../../src/core/monitor/protocol';
import { slipSchema } from '../../src/core/monitor/slipSchema';
import type { Household } from './household';
import type { Pairing } from './pairing';
import { defineRoute, Refusal, type Route } from './route';
import { slipAsCsv, slipAsPage } from './slips';
import { streamTo } from './stream';

const one = z.object({ instrument: instrumentIdSchema });
const wait = (waitMs: number, what: string) =>
  new Refusal(
    409,
    `${what} Ask again in ${Math.ceil(waitMs / 1000)} seconds.`,
    Math.ceil(waitMs / 1000),
  );
const notYet = {
  description: 'Not yet; retryAfter says when to ask again.',
  schema: problemSchema,
};

interface Parts {
  household: Household;
  pairing: Pairing;
  now: () => number;
  /** Those behind addresses that the server was given. */
  elsewhere: () => Promise<readonly Instrument[]>;
}

/** Everything that instruments answer to: checks, description and deed of each in one place. */
export function routesOf({ household, pairing, now, elsewhere }: Parts): Route[] {
  const { monitor, pen, colorimeter, counter } = household;
  const theOne = (id: string): Instrument => {
    const found = household.instruments.find((each) => each.id === id);
    if (!found) throw new Refusal(404, 'There is no instrument of that name here.');
    return found;
  };
  const theMonitor = (id: string) => {
    if (theOne(id).kind !== 'monitor')
      throw new Refusal(404, 'This instrument measures when asked, and streams nothing.');
    return monitor;
  };
  return [
    defineRoute(
      {
        method: 'get',
        path: '/',
        summary: 'Which instruments are here',
        token: false,
        answers: { 200: { description: 'Every instrument.', schema: instrumentsSchema } },
      },
      async ({ response }) => {
        response.json({ instruments: [...household.instruments, ...(await elsewhere())] });
      },
    ),
    defineRoute(
      {
        method: 'get',
        path: '/health',
        summary: 'Whether it works',
        token: false,
        answers: {
          200: {
            description: 'It does.',
            schema: z.strictObject({ ok: z.literal(true), listening: z.int() }),
          },
        },
      },
      ({ response }) => void response.json({ ok: true, listening: monitor.listening }),
    ),
    defineRoute(
      {
        method: 'post',
        path: '/:instrument/pair',
        summary: 'The code on its screen against a token',
        token: false,
        params: one,
        body: codeSchema,
        answers: {
          200: { description: 'The token, told this once.', schema: pairedSchema },
          403: { description: 'The code is wrong, used or over.', schema: problemSchema },
          404: { description: 'No such instrument.', schema: problemSchema },
        },
      },
      ({ params, body, response }) => {
        const instrument = theOne(params.instrument);
        const token = pairing.pair(instrument.id, body.code, now());
        if (token === null)
          throw new Refusal(
            403,
            'This code is not, or no longer, on its screen. Open its screen and type the one there.',
          );
        response.json({ token, instrument });
      },
    ),
    defineRoute(
      {
        method: 'get',
        path: '/:instrument',
        summary: 'What it is',
        token: true,
        params: one,
        answers: { 200: { description: 'The instrument.', schema: instrumentSchema } },
      },
      ({ params, response }) => void response.json(theOne(params.instrument)),
    ),
    defineRoute(
      {
        method: 'get',
        path: '/:instrument/stream',
        summary:
          'What it measures from now on, as server-sent events: hello, then sample, quick and switch',
        token: true,
        params: one,
        answers: {
          200: {
            description:
              'Events by name: hello (Hello), sample (Sample), quick (Quick), switch (Switch). A comment every 15 seconds shows that it is there. Who reads too slowly is cut off.',
            type: 'text/event-stream',
          },
        },
      },
      ({ params, response }) => streamTo(theMonitor(params.instrument), response),
    ),
    defineRoute(
      {
        method: 'get',
        path: '/:instrument/samples',
        summary: 'Samples by number, for what a stream missed',
        token: true,
        params: one,
        query: z.object({
          epoch: z.string().max(40),
          from: z.coerce.number().int().min(1),
          count: z.coerce.number().int().min(1).max(MOST_SAMPLES).default(MOST_SAMPLES),
        }),
        answers: { 200: { description: 'As many as it holds, rising.', schema: historySchema } },
      },
      ({ params, query, response }) =>
        void response.json(
          theMonitor(params.instrument).history(query.epoch, query.from, query.count),
        ),
    ),
    defineRoute(
      {
        method: 'post',
        path: '/:instrument/acknowledged',
        summary: 'Every sample up to a number is written: it may let them go',
        token: true,
        params: one,
        body: acknowledgeSchema,
        answers: { 204: { description: 'Noted.' } },
      },
      ({ params, body, response }) => {
        theMonitor(params.instrument).acknowledge(body.epoch, body.upTo);
        response.status(204).end();
      },
    ),
    defineRoute(
      {
        method: 'post',
        path: '/:instrument/measure',
        summary: 'One reading of a pen or a colorimeter',
        token: true,
        params: one,
        body: colorimeterRequestSchema.partial(),
        answers: {
          200: {
            description: 'What it shows.',
            schema: z.union([penReadingSchema, colorimeterReadingSchema]),
          },
          409: notYet,
        },
      },
      ({ params, body, response }) => {
        const { kind } = theOne(params.instrument);
        if (kind === 'pen') {
          const answer = pen.measure(now());
          if ('waitMs' in answer) throw wait(answer.waitMs, 'It is warming up.');
          response.json(answer.reading);
          return;
        }
        if (kind !== 'colorimeter')
          throw new Refusal(404, 'This instrument takes no single reading.');
        if (!body.parameter) throw new Refusal(400, 'Name the parameter to measure.');
        const answer = colorimeter.measure(body.parameter, now());
        if ('needsBlank' in answer)
          throw new Refusal(409, 'Put the vial with tank water alone in first, as the blank.');
        if ('waitMs' in answer) throw wait(answer.waitMs, 'The reagent takes its time.');
        response.json(answer.reading);
      },
    ),
    defineRoute(
      {
        method: 'post',
        path: '/:instrument/blank',
        summary: 'The vial in it is the blank',
        token: true,
        params: one,
        answers: { 204: { description: 'It is zero to it for ten minutes.' } },
      },
      ({ params, response }) => {
        if (theOne(params.instrument).kind !== 'colorimeter')
          throw new Refusal(404, 'This instrument takes no blank.');
        colorimeter.blank(now());
        response.status(204).end();
      },
    ),
    defineRoute(
      {
        method: 'post',
        path: '/:instrument/handed-in',
        summary: 'A bottle of water is handed in at a counter',
        token: true,
        params: one,
        body: handedInSchema,
        answers: { 202: { description: 'Come back with this ticket.', schema: ticketSchema } },
      },
      ({ params, body, response }) => {
        if (theOne(params.instrument).kind !== 'counter')
          throw new Refusal(404, 'Nothing is handed in at this instrument.');
        if (body.drawnAt > now()) throw new Refusal(400, 'This water is drawn later than now.');
        response.status(202).json(counter.handIn(body.drawnAt, body.label, now()));
      },
    ),
    defineRoute(
      {
        method: 'get',
        path: '/:instrument/slips/:ticket',
        summary: 'The slip of a ticket, as JSON, CSV or a page to print',
        token: true,
        params: one.extend({ ticket: z.string().regex(/^[0-9a-f]{16}$/) }),
        query: z.object({ as: z.enum(['json', 'csv', 'page']).default('json') }),
        answers: { 200: { description: 'The slip.', schema: slipSchema }, 409: notYet },
      },
      ({ params, query, response }) => {
        if (theOne(params.instrument).kind !== 'counter')
          throw new Refusal(404, 'This instrument writes no slips.');
        const answer = counter.slip(params.ticket, now());
        if (!answer) throw new Refusal(404, 'Nobody here gave out this ticket.');
        if ('waitMs' in answer) throw wait(answer.waitMs, 'It is still being tested.');
        if (query.as === 'csv') response.type('text/csv').send(slipAsCsv(answer.slip));
        else if (query.as === 'page') response.type('html').send(slipAsPage(answer.slip));
        else response.json(answer.slip);
      },
    ),
  ];
}
