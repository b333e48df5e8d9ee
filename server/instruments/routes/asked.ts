import * as z from 'zod';
import {
  colorimeterReadingSchema,
  colorimeterRequestSchema,
  penReadingSchema,
} from '../../../src/core/monitor/protocol';
import { defineRoute, Refusal, type Route } from '../route';
import { notYet, one, theOne, wait, type Parts } from './parts';

/** What a pen and a colorimeter measure when they are asked. */
export function askedRoutes(parts: Parts): Route[] {
  const { household, now } = parts;
  const { pen, colorimeter } = household;
  return [
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
        const { kind } = theOne(parts, params.instrument);
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
        if (theOne(parts, params.instrument).kind !== 'colorimeter')
          throw new Refusal(404, 'This instrument takes no blank.');
        colorimeter.blank(now());
        response.status(204).end();
      },
    ),
  ];
}
