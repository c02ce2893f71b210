import type { drawer } from '../crash/ledger';
import type { Operation, Schema } from './operations';

type Draw = ReturnType<typeof drawer>;
interface Known {
  market: string;
  date: string;
  keywords: number[];
}

const NASTY: readonly unknown[] = [
  null,
  -1,
  0,
  1e308,
  0.5,
  '',
  '\u0000',
  "'; DROP TABLE keyword; --",
  '‮🚲',
  'x'.repeat(5000),
  [],
  {},
  [[null]],
  true,
  '2026-02-31',
  '9999-12-31',
  2 ** 53,
];
const FILES: readonly string[] = [
  'query,date,clicks,impressions\nx,2026-03-01,1,10\n',
  'keyword,volume,date\n"a,5,2026-03-01\n15" bag,3,2026-03-01\n',
  '',
  '\u0000\u0001\u0002',
  '<html><head><title>t</title></head></html>',
  '<urlset><url><loc>https://tarnwick.example/a</loc></url></urlset>',
  '{"query":"x","volume":3}\n{"query":"y"}',
  'PK\u0003\u0004 no workbook',
];
/** How often a part is something that makes no sense. */
const WRONG = 12;
const DEEPEST = 5;

/** One request of an operation: mostly what its schema says, here and there something else. */
export function requestOf(
  { method, path, parameters, body, file }: Operation,
  known: Known,
  draw: Draw,
): { url: string; init: RequestInit; described: string } {
  const where = path.replace(/\{(\w+)\}/g, (_, name: string) => String(idOf(name, known, draw)));
  const query = new URLSearchParams();
  for (const { name, in: place, schema } of parameters) {
    if (place !== 'query') continue;
    const value =
      name === 'market' && draw.below(WRONG) > 0
        ? known.market
        : name === 'date' && draw.below(WRONG) > 0
          ? known.date
          : draw.below(3) === 0
            ? undefined
            : valueOf(schema ?? {}, name, known, draw, 0);
    if (value !== undefined && value !== null)
      query.set(name, typeof value === 'object' ? JSON.stringify(value) : String(value));
  }
  const url = `${where}${query.size > 0 ? `?${query}` : ''}`;
  if (method === 'GET') return { url, init: {}, described: `GET ${url}` };
  const isFile =
    file || (body === null && draw.below(2) === 0 && /imports|archives|sitemap|saved|outside/.test(path));
  const content = isFile
    ? draw.of(FILES)
    : JSON.stringify(body === null ? {} : valueOf(body, '', known, draw, 0));
  const type = isFile ? 'application/octet-stream' : 'application/json';
  return {
    url,
    init: { method, headers: { 'content-type': type }, body: content ?? '{}' },
    described: `${method} ${url} ${content?.slice(0, 500)}`,
  };
}

function idOf(name: string, known: Known, draw: Draw): number | string {
  if (draw.below(WRONG) === 0) return draw.of([0, 999_999, '0x1', '1e3', '%00', '-1']);
  return name === 'keyword' ? draw.of(known.keywords) : 1 + draw.below(3);
}

function valueOf(schema: Schema, name: string, known: Known, draw: Draw, depth: number): unknown {
  if (draw.below(WRONG * 3) === 0) return draw.of(NASTY);
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return draw.of(schema.enum);
  const either = schema.anyOf ?? schema.oneOf;
  if (either) return valueOf(draw.of(either), name, known, draw, depth);
  if (schema.allOf) return valueOf(schema.allOf[0]!, name, known, draw, depth);
  const type = Array.isArray(schema.type) ? draw.of(schema.type) : schema.type;
  switch (type) {
    case 'object':
      return objectOf(schema, known, draw, depth);
    case 'array': {
      if (depth > DEEPEST) return [];
      const length = draw.of([0, 1, 1, 2, 5]);
      return Array.from({ length }, () => valueOf(schema.items ?? {}, name, known, draw, depth + 1));
    }
    case 'integer':
    case 'number':
      return numberOf(schema, name, known, draw);
    case 'boolean':
      return draw.below(2) === 0;
    case 'null':
      return null;
    default:
      return textOf(schema, name, known, draw);
  }
}

function objectOf(schema: Schema, known: Known, draw: Draw, depth: number): object {
  const entries = Object.entries(schema.properties ?? {}).filter(
    ([name]) => (schema.required ?? []).includes(name) || draw.below(3) > 0,
  );
  return Object.fromEntries(
    entries.map(([name, part]) => [
      name,
      depth > DEEPEST ? null : valueOf(part, name, known, draw, depth + 1),
    ]),
  );
}

function numberOf(schema: Schema, name: string, known: Known, draw: Draw): number {
  if (/keyword/.test(name)) return draw.of(known.keywords);
  const least = Math.max(schema.minimum ?? 0, -1e6);
  const most = Math.min(schema.maximum ?? least + 50, least + 200);
  const value = least + (most - least) * (draw.below(1001) / 1000);
  return schema.type === 'integer' ? Math.round(value) : value;
}

function textOf(schema: Schema, name: string, known: Known, draw: Draw): string {
  if (name === 'market') return known.market;
  if (schema.format === 'date' || /date|^from$|^to$/i.test(name))
    return draw.of([known.date, '2025-12-14', '2026-01-31']);
  if (/target|address/i.test(name))
    return draw.of(['tarnwick.example', 'cobblemoor.example/a', 'nobody.example']);
  return draw.of(['bike bag', 'pannier', 'fit', 'x', 'rain cover', 'für', '-volume', 'a b c']);
}
