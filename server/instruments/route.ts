import express, { type Request, type Response, type Router } from 'express';
import * as z from 'zod';

/** What goes in and comes out of a route, from which both its checks and its description follow. */
interface RouteAbout<P, Q, B> {
  method: 'get' | 'post';
  /** As Express writes it, below the version: `/:instrument/samples`. */
  path: string;
  summary: string;
  /** Whether it wants the token that pairing gave. */
  token: boolean;
  params?: z.ZodType<P>;
  query?: z.ZodType<Q>;
  body?: z.ZodType<B>;
  /** What it answers with: a schema where that is JSON, else its type. */
  answers: Readonly<Record<number, { description: string; schema?: z.ZodType; type?: string }>>;
}

export interface Asked<P, Q, B> {
  params: P;
  query: Q;
  body: B;
  request: Request;
  response: Response;
}

export interface Route {
  about: RouteAbout<unknown, unknown, unknown>;
  mount: (router: Router, guard: express.RequestHandler) => void;
}

/** What is wrong with a request, answered in words. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly retryAfter?: number,
  ) {
    super(message);
  }
}

const BODY_LIMIT = '16kb';
const json = express.json({ limit: BODY_LIMIT, type: 'application/json' });

function parsed<T>(schema: z.ZodType<T> | undefined, value: unknown, where: string): T {
  if (!schema) return undefined as T;
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const [issue] = result.error.issues;
  const at = issue?.path.join('.') ?? '';
  throw new Refusal(400, `${where}${at ? `, ${at}` : ''}: ${issue?.message ?? 'cannot be read'}.`);
}

/** A route with its checks: what `run` is given has passed its schemas. */
export function defineRoute<P, Q, B>(
  about: RouteAbout<P, Q, B>,
  run: (asked: Asked<P, Q, B>) => void | Promise<void>,
): Route {
  return {
    about,
    mount: (router, guard) => {
      const handlers: express.RequestHandler[] = [];
      if (about.token) handlers.push(guard);
      if (about.body) handlers.push(json);
      router[about.method](about.path, ...handlers, async (request, response) => {
        await run({
          params: parsed(about.params, request.params, 'The address'),
          query: parsed(about.query, request.query, 'The address'),
          body: parsed(about.body, request.body, 'What was sent'),
          request,
          response,
        });
      });
    },
  };
}
