import { endpoints } from './endpoints';
import { booked } from './movement';
import { openApi } from './openapi';

const document = openApi('1.2.3');

test('every endpoint stands in the document, with an answer and the shape of its errors', () => {
  for (const [name, { method, path, status, answer }] of Object.entries(endpoints)) {
    const operation = document.paths[path.replace(':id', '{id}')]![method] as { operationId: string; responses: object };
    expect(operation.operationId).toBe(name);
    expect(Object.keys(operation.responses)).toEqual([...new Set([...(answer === booked ? ['200'] : []), String(status), 'default'])]);
  }
});

test('a parameter of the path is declared', () => {
  const operation = document.paths['/api/cylinders/{id}']!['get'];
  expect(operation).toMatchObject({ parameters: [{ name: 'id', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } }] });
});

test('the fill-limit request names its fields with their units', () => {
  const operation = document.paths['/api/fill-limits']!['post'] as {
    requestBody: { content: { 'application/json': { schema: { properties: object } } } };
  };
  const { properties } = operation.requestBody.content['application/json'].schema;
  expect(Object.keys(properties)).toEqual([
    'refrigerant',
    'composition',
    'unknown',
    'volumeM3',
    'tareKg',
    'contentKg',
    'hottestK',
    'stamp',
    'servicePressurePa',
    'testPressurePa',
    'oilShare',
    'airShare',
    'incoming',
  ]);
});
