import * as z from 'zod';
import {
  codeSchema,
  instrumentSchema,
  instrumentsSchema,
  pairedSchema,
  problemSchema,
} from '../../../src/core/monitor/protocol';
import { defineRoute, Refusal, type Route } from '../route';
import { one, theOne, type Parts } from './parts';

/** Which instruments are here, whether they work, and how one is paired. */
export function aboutRoutes(parts: Parts): Route[] {
  const { household, pairing, now, elsewhere } = parts;
  const { monitor } = household;
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
        const instrument = theOne(parts, params.instrument);
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
      ({ params, response }) => void response.json(theOne(parts, params.instrument)),
    ),
  ];
}
