import { readFileSync } from 'node:fs';
import path from 'node:path';
import { senmlPack } from '@hygromet/contract/instrument';
import { senmlSchema } from '@hygromet/contract/senml-schema';

const docs = path.resolve(__dirname, '../../../../docs');

test('the schema that is documented is the one that is used', () => {
  expect(JSON.parse(readFileSync(path.join(docs, 'senml.schema.json'), 'utf8'))).toEqual(JSON.parse(JSON.stringify(senmlSchema())));
});

test('the worked example of the documents is one', () => {
  const page = readFileSync(path.join(docs, 'instruments.md'), 'utf8');
  const example: unknown = JSON.parse(/```json\n([\s\S]*?)```/.exec(page)?.[1] ?? '');
  expect(senmlPack.safeParse(example).success).toBe(true);
});
