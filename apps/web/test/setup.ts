import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';
import { deserialize, serialize } from 'node:v8';

setupZonelessTestEnv();

// jsdom lacks it
globalThis.structuredClone ??= (value) => deserialize(serialize(value));
