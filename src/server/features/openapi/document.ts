import type { z } from 'zod';
import { CONTRACTS } from '#contracts/all';
import { Bytes, type Endpoint } from '#contracts/endpoint';
import type { Access } from '#contracts/routes';
import { COOKIE } from '../people';
import { API_VERSION } from './announced';
import { EXAMPLES } from './examples';
import { type JsonSchema, schemasOf } from './schemas';
import { SUMMARIES } from './summaries';

export type Operation = {
  operationId: string;
  summary: string;
  tags: string[];
  security: Record<string, string[]>[];
  'x-limnos-access': Access;
  parameters?: JsonSchema[];
  requestBody?: JsonSchema;
  responses: Record<string, JsonSchema>;
};
export type OpenApi = {
  openapi: '3.1.0';
  info: { title: string; version: string; description: string };
  servers: { url: string }[];
  tags: { name: string }[];
  paths: Record<string, Record<string, Operation>>;
  components: { schemas: Record<string, JsonSchema>; securitySchemes: Record<string, JsonSchema> };
};

const named = Object.entries(CONTRACTS).flatMap(([tag, module]) =>
  Object.entries(module)
    .filter((e): e is [string, Endpoint] => isEndpoint(e[1]))
    .map(([name, endpoint]) => ({ name, tag, endpoint })),
);
function isEndpoint(v: unknown): v is Endpoint {
  return typeof v === 'object' && v !== null && 'path' in v && 'access' in v;
}

/** "changeVessel" as a sentence, where nobody wrote one. */
const spoken = (name: string): string => {
  const words = name.replace(/([A-Z])/g, ' $1').toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
};
const FILE_TYPES: Readonly<Record<string, string>> = {
  pdf: 'application/pdf',
  svg: 'image/svg+xml',
  csv: 'text/csv',
  jsonld: 'application/ld+json',
};
function typeOfBytes(path: string): string {
  if (path.endsWith('/live')) return 'text/event-stream';
  return FILE_TYPES[path.split('.').at(-1) ?? ''] ?? 'application/octet-stream';
}
const securityOf = (access: Access): Record<string, string[]>[] => {
  if (access === 'public') return [];
  return access === 'key' ? [{ programKey: [] }] : [{ session: [] }];
};
const propertiesOf = (schema: JsonSchema | undefined): [string, JsonSchema][] =>
  Object.entries((schema?.properties ?? {}) as Record<string, JsonSchema>);
const isEmpty = (schema: JsonSchema | undefined): boolean =>
  schema?.type === 'object' && propertiesOf(schema).length === 0;

const failure = (description: string): JsonSchema => ({
  description,
  content: { 'application/json': { schema: { $ref: '#/components/schemas/Error' } } },
});
function responsesOf(e: Endpoint, schema: JsonSchema): Record<string, JsonSchema> {
  const content =
    (e.response as unknown) === Bytes
      ? { [typeOfBytes(e.path)]: {} }
      : { 'application/json': { schema } };
  return {
    '200': { description: 'Done.', content },
    ...(e.access === 'public'
      ? {}
      : { '401': failure('Nobody is signed in, or the key is none.') }),
    ...(e.access === 'public' || e.access === 'key'
      ? {}
      : { '403': failure('Not for this role.') }),
    '422': failure('Something given is not as it should be; `fields` says what and where.'),
    default: failure('Any other failure, in words.'),
  };
}
function parametersOf(
  place: 'path' | 'query',
  schema: JsonSchema | undefined,
  examples: Readonly<Record<string, string | number>> | undefined,
): JsonSchema[] {
  const required = new Set((schema?.required ?? []) as string[]);
  return propertiesOf(schema).map(([name, of]) => ({
    name,
    in: place,
    required: place === 'path' || required.has(name),
    schema: of,
    ...(examples?.[name] === undefined ? {} : { example: examples[name] }),
  }));
}

/** Every endpoint of this server as OpenAPI 3.1, from the contracts that it runs by. */
export function openApiDocument(): OpenApi {
  const sent = new Map<string, z.ZodType>();
  const answered = new Map<string, z.ZodType>();
  for (const { name, endpoint } of named) {
    for (const part of ['params', 'query', 'body'] as const)
      sent.set(`${name}.${part}`, endpoint[part]);
    answered.set(`${name}.response`, endpoint.response);
  }
  const { of, components } = schemasOf(sent, answered);
  const paths: OpenApi['paths'] = {};
  for (const { name, tag, endpoint: e } of named) {
    const example = EXAMPLES[name];
    const parameters = [
      ...parametersOf('path', of[`${name}.params`], example?.params),
      ...parametersOf('query', of[`${name}.query`], example?.query),
    ];
    const body = of[`${name}.body`];
    const picture = e.brings === 'picture';
    const requestBody = {
      required: true,
      content: {
        [picture ? 'image/*' : 'application/json']: picture
          ? {}
          : { schema: body, ...(example?.body ? { example: example.body } : {}) },
      },
    };
    const path = e.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = {
      ...paths[path],
      [e.method.toLowerCase()]: {
        operationId: name,
        summary: SUMMARIES[name] ?? spoken(name),
        tags: [tag],
        security: securityOf(e.access),
        'x-limnos-access': e.access,
        ...(parameters.length > 0 ? { parameters } : {}),
        ...(e.method === 'GET' || isEmpty(body) ? {} : { requestBody }),
        responses: responsesOf(e, of[`${name}.response`] ?? {}),
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Limnos',
      version: API_VERSION,
      description:
        'Every request of this house. Instants are milliseconds since 1970, volumes millilitres, temperatures degrees Celsius, masses grams, durations seconds, whatever the screens show. Records get their id (UUID version 7) where they are made: sent again, a request does nothing twice.',
    },
    servers: [{ url: '/' }],
    tags: Object.keys(CONTRACTS)
      .sort()
      .map((name) => ({ name })),
    paths,
    components: {
      schemas: components,
      securitySchemes: {
        session: {
          type: 'apiKey',
          in: 'cookie',
          name: COOKIE,
          description: 'Of somebody who signed in. A write needs the header Origin of this host.',
        },
        programKey: { type: 'http', scheme: 'bearer', description: 'Made by a lead, of one site.' },
      },
    },
  };
}
