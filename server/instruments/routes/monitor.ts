import * as z from 'zod';
import { acknowledgeSchema, historySchema, MOST_SAMPLES } from '../../../src/core/monitor/protocol';
import { defineRoute, Refusal, type Route } from '../route';
import { streamTo } from '../stream';
import { one, theOne, type Parts } from './parts';

/** What a monitor streams, and gives out by number. */
export function monitorRoutes(parts: Parts): Route[] {
  const theMonitor = (id: string) => {
    if (theOne(parts, id).kind !== 'monitor')
      throw new Refusal(404, 'This instrument measures when asked, and streams nothing.');
    return parts.household.monitor;
  };
  return [
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
  ];
}
