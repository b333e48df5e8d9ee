import * as z from 'zod';
import {
  createDocument,
  type ZodOpenApiOperationObject,
  type ZodOpenApiPathsObject,
} from 'zod-openapi';
import {
  helloSchema,
  problemSchema,
  PROTOCOL,
  quickSchema,
  sampleSchema,
  switchSchema,
} from '../../src/core/monitor/protocol';
import type { Route } from './route';

/** Events of the stream, which no answer of its own carries: named here, so that the document has them. */
const eventSchemas = {
  Hello: helloSchema,
  Sample: sampleSchema,
  Quick: quickSchema,
  Switch: switchSchema,
};

function answersOf(about: Route['about']): ZodOpenApiOperationObject['responses'] {
  const problem = (description: string) => ({
    description,
    content: { 'application/json': { schema: problemSchema } },
  });
  return {
    ...Object.fromEntries(
      Object.entries(about.answers).map(([status, { description, schema, type }]) => [
        status,
        schema
          ? { description, content: { 'application/json': { schema } } }
          : type
            ? { description, content: { [type]: { schema: z.string() } } }
            : { description },
      ]),
    ),
    ...(about.token
      ? { 401: problem('The token is missing, wrong or of another instrument.') }
      : {}),
    ...(about.params || about.query || about.body
      ? { 400: problem('What was sent cannot be read.') }
      : {}),
    429: problem('Too many requests; retryAfter says when to ask again.'),
  };
}

/** The interface as OpenAPI 3.1, written from the schemas that every request passes. */
export function openApiOf(routes: readonly Route[]): object {
  const paths: ZodOpenApiPathsObject = {};
  for (const { about } of routes) {
    const path = about.path.replace(/:(\w+)/g, '{$1}');
    const operation: ZodOpenApiOperationObject = {
      summary: about.summary,
      ...(about.token ? { security: [{ token: [] }] } : {}),
      requestParams: {
        ...(about.params instanceof z.ZodObject ? { path: about.params } : {}),
        ...(about.query instanceof z.ZodObject ? { query: about.query } : {}),
      },
      ...(about.body
        ? {
            requestBody: {
              required: true,
              content: { 'application/json': { schema: about.body } },
            },
          }
        : {}),
      responses: answersOf(about),
    };
    paths[path] = { ...paths[path], [about.method]: operation };
  }
  return createDocument({
    openapi: '3.1.0',
    info: {
      title: 'Instruments that Zoarium reads',
      version: PROTOCOL,
      description:
        'What an instrument, or a bridge to a real one, has to answer. Pair once by the code on its screen; the token goes into the header Authorization, never into an address.',
    },
    servers: [{ url: `/instruments/${PROTOCOL}` }],
    paths,
    components: {
      securitySchemes: { token: { type: 'http', scheme: 'bearer' } },
      schemas: eventSchemas,
    },
  });
}
