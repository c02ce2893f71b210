/** A part of a JSON schema, as far as it is heeded here. */
export interface Schema {
  type?: string | string[];
  enum?: unknown[];
  const?: unknown;
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
  anyOf?: Schema[];
  oneOf?: Schema[];
  allOf?: Schema[];
  additionalProperties?: Schema | boolean;
  minimum?: number;
  maximum?: number;
  format?: string;
}
export interface Operation {
  method: string;
  path: string;
  parameters: { name: string; in: string; schema?: Schema }[];
  body: Schema | null;
  /** Whether the body is a file. */
  file: boolean;
}

interface Shape {
  parameters?: Operation['parameters'];
  requestBody?: { content: Record<string, { schema?: Schema }> };
}

/** Every operation that an OpenAPI document describes. */
export function operationsOf(document: { paths: Record<string, Record<string, Shape>> }): Operation[] {
  return Object.entries(document.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, { parameters = [], requestBody }]) => {
      const content = requestBody?.content ?? {};
      const json = content['application/json']?.schema ?? null;
      const file = json === null && (Object.keys(content).length > 0 || /body is (the|a) /i.test(path));
      return { method: method.toUpperCase(), path, parameters, body: json, file };
    }),
  );
}
