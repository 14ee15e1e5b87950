import * as z from 'zod';
import type { Endpoint } from './endpoints';
import { endpoints } from './endpoints';
import { booked } from './movement';
import { problem } from './problem';

/** JSON Schema 2020-12, which is what OpenAPI 3.1 speaks. */
const schemaOf = (type: z.ZodType, io: 'input' | 'output') => {
  const { $schema: _, ...schema } = z.toJSONSchema(type, { io, unrepresentable: 'any' });
  return schema;
};

const parametersOf = (object: z.ZodObject | undefined, place: 'path' | 'query') =>
  Object.entries(object?.shape ?? {}).map(([name, type]) => ({
    name,
    in: place,
    required: place === 'path',
    schema: schemaOf(type as z.ZodType, 'input'), // zod types the shape's values as its internal core type
  }));

function operationOf(name: string, endpoint: Endpoint) {
  const content = (schema: object) => ({ 'application/json': { schema } });
  return {
    operationId: name,
    summary: endpoint.summary,
    parameters: [...parametersOf(endpoint.params, 'path'), ...parametersOf(endpoint.query, 'query')],
    ...(endpoint.body === undefined ? {} : { requestBody: { required: true, content: content(schemaOf(endpoint.body, 'input')) } }),
    responses: {
      // the same key again finds what it has booked
      ...(endpoint.answer === booked
        ? { 200: { description: 'Booked before with this key', content: content(schemaOf(booked, 'output')) } }
        : {}),
      [endpoint.status]: { description: 'Done', content: content(schemaOf(endpoint.answer, 'output')) },
      default: {
        description: 'What is wrong and what to do (RFC 9457)',
        content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    },
  };
}

/** The whole interface as an OpenAPI 3.1 document. */
export function openApi(version: string) {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const [name, endpoint] of Object.entries(endpoints)) {
    const path = endpoint.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [endpoint.method]: operationOf(name, endpoint) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Hygromet',
      version,
      description:
        'Fill limits, cylinders, systems and the mass ledger. SI throughout, the unit in each name; pressures are absolute unless the name says otherwise.',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    paths,
    components: { schemas: { Problem: schemaOf(problem, 'output') } },
  };
}
