import type { OpenApi, Operation } from './document';
import type { JsonSchema } from './schemas';

const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
const json = (value: unknown): string => `<pre>${escaped(JSON.stringify(value, null, 2))}</pre>`;
const linked = (schema: JsonSchema): string => {
  const text = escaped(JSON.stringify(schema, null, 2));
  return `<pre>${text.replace(/#\/components\/schemas\/(\w+)/g, '<a href="#schema-$1">$1</a>')}</pre>`;
};
const ACCESS: Readonly<Record<string, string>> = {
  public: 'anybody',
  key: 'a program with a key',
  trainee: 'anybody signed in',
  brewer: 'a brewer or a lead',
  lead: 'a lead',
};
type Content = Record<string, { schema?: JsonSchema; example?: unknown }>;
function bodyPart(title: string, content: Content | undefined): string {
  return Object.entries(content ?? {})
    .map(([type, { schema, example }]) => {
      const shown = schema
        ? `<details><summary>${title}, ${type}</summary>${linked(schema)}</details>`
        : `<p>${title}: ${type}</p>`;
      return shown + (example ? `<p>For example</p>${json(example)}` : '');
    })
    .join('');
}
function operationPart(path: string, method: string, o: Operation): string {
  const parameters = (o.parameters ?? []).map(
    (p) =>
      `<li><code>${escaped(String(p.name))}</code> in the ${String(p.in)}${p.required ? '' : ', may be left out'}${
        p.example === undefined ? '' : `; for example <code>${escaped(String(p.example))}</code>`
      }</li>`,
  );
  return `<section id="${o.operationId}">
<h3>${escaped(o.summary)}</h3>
<p><code>${method.toUpperCase()} ${escaped(path)}</code>, for ${ACCESS[o['x-limnos-access']] ?? ''}</p>
${parameters.length > 0 ? `<ul>${parameters.join('')}</ul>` : ''}
${bodyPart('What is sent', o.requestBody?.content as Content | undefined)}
${bodyPart('What is answered', o.responses['200']?.content as Content | undefined)}
</section>`;
}
const STYLE = `body{font:16px/1.5 "Encode Sans Variable",sans-serif;color:#14181c;background:#eef2f5;margin:0}
main{max-width:900px;margin:0 auto;padding:24px}h1{font-size:26px}h2{margin-top:40px;border-bottom:2px solid}
section{border-bottom:1px solid #c3ccd3;padding-bottom:12px}h3{margin-bottom:0}
pre{background:#fbfcfd;border-left:3px solid #1d3f91;padding:8px 12px;overflow-x:auto;font-size:13px}
a{color:#1d3f91}summary{cursor:pointer}nav a{margin-right:14px;display:inline-block}`;

/** The document as a page that needs nothing but itself. */
export function openApiPage(doc: OpenApi): string {
  const operations = Object.entries(doc.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, o]) => ({ path, method, o })),
  );
  const groups = doc.tags.map(({ name }) => {
    const own = operations.filter(({ o }) => o.tags[0] === name);
    if (own.length === 0) return '';
    const parts = own.map(({ path, method, o }) => operationPart(path, method, o));
    return `<h2 id="group-${name}">${name}</h2>${parts.join('\n')}`;
  });
  const schemas = Object.entries(doc.components.schemas).map(
    ([name, schema]) =>
      `<section id="schema-${name}"><h3>${name}</h3><details><summary>as JSON Schema</summary>${linked(schema)}</details></section>`,
  );
  const nav = doc.tags.map(({ name }) => `<a href="#group-${name}">${name}</a>`);
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Limnos for programs</title><style>${STYLE}</style></head>
<body><main><h1>Limnos for programs, version ${doc.info.version}</h1>
<p>${escaped(doc.info.description)}</p>
<p>The same as OpenAPI 3.1: <a href="/api/openapi.json">/api/openapi.json</a>.</p>
<nav aria-label="Groups">${nav.join(' ')}</nav>
${groups.join('\n')}
<h2>Schemas</h2>${schemas.join('\n')}
</main></body></html>
`;
}
