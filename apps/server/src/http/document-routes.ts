import { openApi } from '@hygromet/contract/openapi';
import { Hono } from 'hono';
import { html, raw } from 'hono/html';
import type { Deps, Env } from './env';

/** The interface for machines, and the same for people to read. */
export const documentRoutes = ({ version }: Deps) => {
  const document = openApi(version);
  const page = readablePage(document);
  return new Hono<Env>().get('/api/openapi.json', (c) => c.json(document)).get('/api/docs', (c) => c.html(page));
};

type Document = ReturnType<typeof openApi>;

const json = (value: unknown) => JSON.stringify(value, null, 2);

function readablePage(document: Document) {
  const operations = Object.entries(document.paths).flatMap(
    ([path, methods]) => Object.entries(methods).map(([method, operation]) => ({ method, path, ...(operation as Operation) })), // as openApi made it
  );
  return html`<!doctype html>
    <html lang="en">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>Hygromet: the interface for programs</title>
        <style>
          ${raw(style)}
        </style>
      </head>
      <body>
        <h1>Hygromet, version ${document.info.version}</h1>
        <p>${document.info.description} The same as a document: <a href="/api/openapi.json">/api/openapi.json</a> (OpenAPI 3.1).</p>
        ${operations.map(section)}
      </body>
    </html>`;
}

interface Operation {
  readonly operationId: string;
  readonly summary: string;
  readonly requestBody?: { readonly content: Record<string, { schema: unknown }> };
  readonly responses: Record<string, { readonly content: Record<string, { schema: unknown }> }>;
}

const section = ({ method, path, operationId, summary, requestBody, responses }: Operation & { method: string; path: string }) => {
  const [status, answer] = Object.entries(responses)[0] ?? [];
  return html`<section id="${operationId}">
    <h2><code>${method.toUpperCase()} ${path}</code></h2>
    <p>${summary}</p>
    ${
      requestBody === undefined
        ? ''
        : html`<details>
            <summary>Request</summary>
            <pre>${json(requestBody.content['application/json']?.schema)}</pre>
          </details>`
    }
    <details>
      <summary>Answer ${status}</summary>
      <pre>${json(answer?.content['application/json']?.schema)}</pre>
    </details>
  </section>`;
};

const style = `
  :root { color-scheme: light dark; }
  body { font: 17px/1.5 system-ui, sans-serif; max-width: 60rem; margin: 2rem auto; padding: 0 1.25rem; }
  section { border-top: 1px solid #857f71; padding: 0.5rem 0 1rem; }
  h2 { font-size: 1.1rem; margin: 0.75rem 0 0.25rem; }
  summary { cursor: pointer; padding: 0.25rem 0; }
  pre { overflow-x: auto; font-size: 0.85rem; }`;
