import { z } from 'zod';
import { problem } from '@opsimath/contract/api/problem';
import type { RouteShape } from './route';

const schemaOf = (schema: z.ZodType, io: 'input' | 'output'): Record<string, unknown> => {
  const { $schema: _, ...json } = z.toJSONSchema(schema, { io, unrepresentable: 'any' });
  return json;
};

/** The OpenAPI 3.1 document of the routes, made from the schemas that check them. */
export function openApiDocument(shapes: readonly RouteShape[]): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const shape of shapes) {
    const path = `/api${shape.path.replace(/:(\w+)/g, '{$1}')}`;
    paths[path] = { ...paths[path], [shape.method]: operationOf(shape) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Opsimath',
      version: '1',
      description: 'Everything the interface does, it does through this.',
    },
    paths,
    components: { schemas: { Problem: schemaOf(problem, 'output') } },
  };
}

function operationOf(shape: RouteShape): Record<string, unknown> {
  const inPath = [...shape.path.matchAll(/:(\w+)/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: 'integer', minimum: 1 },
  }));
  const jsonBody = shape.body
    ? { content: { 'application/json': { schema: schemaOf(shape.body, 'input') } } }
    : undefined;
  const answer = shape.answer
    ? { 'application/json': { schema: schemaOf(shape.answer, 'output') } }
    : { [shape.media ?? 'application/octet-stream']: {} };
  return {
    summary: shape.summary,
    tags: [shape.path.split('/').filter((part) => part && !part.startsWith(':'))[0] ?? 'api'],
    parameters: [...inPath, ...(shape.query ? queryParameters(shape.query) : [])],
    ...(jsonBody ? { requestBody: jsonBody } : {}),
    responses: {
      200: { description: 'As asked', content: answer },
      default: {
        description: 'What went wrong',
        content: { 'application/json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    },
  };
}

function queryParameters(schema: z.ZodType): unknown[] {
  const json = schemaOf(schema, 'input') as { properties?: Record<string, unknown>; required?: string[] };
  return Object.entries(json.properties ?? {}).map(([name, property]) => ({
    name,
    in: 'query',
    required: json.required?.includes(name) ?? false,
    schema: property,
  }));
}
