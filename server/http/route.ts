import type Router from '@koa/router';
import type { Context } from 'koa';
import { z } from 'zod';
import { KnownProblem } from '../problems/problem';

/** Ids in paths: plain digits, not all that can be read as a number. */
const pathId = z
  .string()
  .regex(/^[1-9]\d{0,14}$/, 'an id is a whole number')
  .transform(Number);

export interface RouteShape {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** With `:name` parameters, all of them ids. */
  path: string;
  summary: string;
  query?: z.ZodType;
  body?: z.ZodType;
  /** `null` when the answer is no JSON: a file, a stream. */
  answer: z.ZodType | null;
  /** Media type of an answer that is no JSON, or of a body that is none. */
  media?: string;
}

type Read<T> = T extends z.ZodType ? z.output<T> : undefined;
type Parameters<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? { [K in Name]: number } & Parameters<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? { [K in Name]: number }
    : unknown;

interface Asked<S extends RouteShape> {
  params: Parameters<S['path']>;
  query: Read<S['query']>;
  body: Read<S['body']>;
  context: Context;
}
type Answered<S extends RouteShape> = S['answer'] extends z.ZodType ? z.input<S['answer']> : void;

/** Registers routes and remembers their shapes, from which the OpenAPI document is made. */
export class Routes {
  readonly shapes: RouteShape[] = [];

  constructor(private readonly router: Router) {}

  add<const S extends RouteShape>(shape: S, handle: (asked: Asked<S>) => Promise<Answered<S>>): void {
    this.shapes.push(shape);
    this.router[shape.method](shape.path, async (context) => {
      const params = Object.fromEntries(
        Object.entries(context.params as Record<string, string>).map(([name, value]) => [
          name,
          read(pathId, value, name),
        ]),
      );
      const answer = await handle({
        params: params as Asked<S>['params'],
        query: (shape.query ? read(shape.query, context.query, 'query') : undefined) as Asked<S>['query'],
        body: (shape.body ? read(shape.body, context.request.body, 'body') : undefined) as Asked<S>['body'],
        context,
      });
      if (shape.answer !== null) context.body = answer ?? null;
    });
  }
}

function read<T extends z.ZodType>(schema: T, value: unknown, where: string): z.output<T> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  throw new KnownProblem(
    'not-understood',
    `The ${where} is not as expected: ${z.prettifyError(result.error)}`,
  );
}
