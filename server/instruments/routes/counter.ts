import * as z from 'zod';
import { handedInSchema, ticketSchema } from '../../../src/core/monitor/protocol';
import { slipSchema } from '../../../src/core/monitor/slipSchema';
import { defineRoute, Refusal, type Route } from '../route';
import { slipAsCsv, slipAsPage } from '../slips';
import { notYet, one, theOne, wait, type Parts } from './parts';

/** What is handed in at a counter, and fetched there. */
export function counterRoutes(parts: Parts): Route[] {
  const { household, now } = parts;
  const { counter } = household;
  return [
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
        if (theOne(parts, params.instrument).kind !== 'counter')
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
        if (theOne(parts, params.instrument).kind !== 'counter')
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
