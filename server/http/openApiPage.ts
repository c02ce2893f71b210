import { escaped } from '../files/escape';

interface Operation {
  summary: string;
  tags: string[];
  parameters: { name: string; in: string; required: boolean }[];
  requestBody?: unknown;
  responses: unknown;
}

/** A plain page that shows the OpenAPI document: no script, nothing fetched. */
export function openApiPage(document: Record<string, unknown>): string {
  const paths = document.paths as Record<string, Record<string, Operation>>;
  const groups = new Map<string, string[]>();
  for (const [path, methods] of Object.entries(paths)) {
    for (const [method, operation] of Object.entries(methods)) {
      const group = operation.tags[0]!;
      groups.set(group, [...(groups.get(group) ?? []), section(method, path, operation)]);
    }
  }
  const body = [...groups]
    .map(([group, sections]) => `<h2>${escaped(group)}</h2>${sections.join('')}`)
    .join('');
  return `<!doctype html><html lang="en"><meta charset="utf-8"><title>Opsimath API</title>
<style>body{font:14px/1.5 Georgia,serif;background:#f6f3ea;color:#22303a;max-width:60rem;margin:2rem auto;padding:0 1rem}
code,pre{font:12px/1.45 ui-monospace,monospace}h2{border-bottom:1px solid #cfc7b3;margin-top:2rem}
details{border-bottom:1px solid #e2dccb;padding:.35rem 0}summary{cursor:pointer}b{color:#1f5f66;text-transform:uppercase;font-size:11px;letter-spacing:.05em}
pre{background:#fffdf7;padding:.6rem;overflow:auto;max-height:24rem}</style>
<h1>Opsimath API</h1><p>The document itself: <a href="/api/openapi.json">/api/openapi.json</a></p>${body}</html>`;
}

function section(method: string, path: string, operation: Operation): string {
  const parameters = operation.parameters
    .map(
      (parameter) =>
        `<li><code>${escaped(parameter.name)}</code> in ${parameter.in}${parameter.required ? ', required' : ''}</li>`,
    )
    .join('');
  const shapes = JSON.stringify({ body: operation.requestBody, answers: operation.responses }, null, 2);
  return `<details><summary><b>${method}</b> <code>${escaped(path)}</code> ${escaped(operation.summary)}</summary>
<ul>${parameters}</ul><pre>${escaped(shapes)}</pre></details>`;
}
