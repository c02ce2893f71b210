import { readdirSync } from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { NoRoundTrip, samplesOf } from './arbitraryOf';

/*
 * Everything that crosses a boundary goes as JSON and is read by its schema on the other side: what was sent must be what is
 * read, for every schema of the contract that does not transform.
 */
const folder = (name: string): string => path.join(__dirname, name);
const schemas: [string, z.ZodType][] = ['api', 'source'].flatMap((room) =>
  readdirSync(folder(room))
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .flatMap((file) => {
      // eslint-disable-next-line @typescript-eslint/no-require-imports -- every file of a folder, at once
      const exported = require(path.join(folder(room), file)) as Record<string, unknown>;
      return Object.entries(exported).flatMap(([name, value]): [string, z.ZodType][] =>
        value instanceof z.ZodType ? [[`${room}/${file.replace(/\.ts$/, '')} ${name}`, value]] : [],
      );
    }),
);

const tried = schemas.flatMap(([name, schema]): [string, z.ZodType, unknown[]][] => {
  try {
    const samples = samplesOf(schema);
    // Of some, what is made up at random is hardly ever right.
    return samples.length > 0 ? [[name, schema, samples]] : [];
  } catch (error) {
    // What comes in an address is read from text: it has tests of its own.
    if (error instanceof NoRoundTrip) return [];
    throw error;
  }
});

test('most of the contract is tried', () => {
  expect(tried.length).toBeGreaterThan(0.6 * schemas.length);
  expect(tried.length).toBeGreaterThan(100);
});

test.each(tried)('%s is read as it was sent', (_, schema, samples) => {
  for (const value of samples) {
    const wire = JSON.stringify(schema.parse(value));
    expect(JSON.stringify(schema.parse(JSON.parse(wire)))).toBe(wire);
  }
});
