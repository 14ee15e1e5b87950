// @ts-check
/** A source of chance that can be repeated: mulberry32. @param {number} seed */
export function chance(seed) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    one: (/** @type {readonly any[]} */ list) => list[Math.floor(next() * list.length)],
    whole: (/** @type {number} */ most) => Math.floor(next() * most),
  };
}

/** @typedef {ReturnType<typeof chance>} Chance */

const ODD_TEXTS = ['', ' ', '\u0000', 'a\u0000b', '\ud800', '\udfff\ud800', '=1+1', '<b>x</b>', 'two\nlines', '\u202e', "'; drop table movement; --", 'x'.repeat(5000), 'é'.normalize('NFD')]; // prettier-ignore
const ODD_NUMBERS = [0, -0, 1e-300, 4.9e-10, 1e-9, -1, 1e9, 1e16, 1e308, -1e308, 2147483647, 2147483648, 9007199254740992, 0.1 + 0.2];
const ODD_DATES = ['0000-01-01T00:00:00Z', '0001-01-01T00:00:00Z', '9999-12-31T23:59:59Z', '2026-02-30T00:00:00Z', '1969-12-31T23:59:59-14:00', '2999-01-01T00:00:00Z']; // prettier-ignore
const ODD_DAYS = ['0000-01-01', '0001-01-01', '9999-12-31', '2026-02-30', '2999-12-31'];
const ODD_THINGS = [null, true, [], {}, [[]], 'x', 7];

/**
 * A value for a JSON schema: good as a rule, odd with the given share; ids and names are of things that exist, now and then.
 * @param {any} schema @param {Chance} by @param {{ odd: number, known: Record<string, string[]> }} how @param {string} [name]
 * @returns {any}
 */
export function valueFor(schema, by, how, name = '') {
  if (by.next() < how.odd / 3) return by.one(ODD_THINGS);
  if (schema.const !== undefined) return schema.const;
  if (schema.enum !== undefined) return by.one(schema.enum);
  const union = schema.anyOf ?? schema.oneOf;
  if (union !== undefined) return valueFor(by.one(union), by, how, name);
  if (schema.allOf !== undefined) return valueFor(schema.allOf[0], by, how, name);
  switch (schema.type) {
    case 'object':
      return objectFor(schema, by, how);
    case 'array':
      return Array.from({ length: by.whole(3) + (schema.minItems ?? 0) }, () => valueFor(schema.items ?? {}, by, how, name));
    case 'number':
    case 'integer':
      return by.next() < how.odd ? by.one(ODD_NUMBERS) : numberFor(schema, by, name);
    case 'boolean':
      return by.next() < 0.5;
    case 'null':
      return null;
    case 'string':
      return textFor(schema, by, how, name);
    default:
      return by.one(ODD_THINGS);
  }
}

/** @param {any} schema @param {Chance} by @param {any} how */
function objectFor(schema, by, how) {
  const required = new Set(schema.required ?? []);
  const fields = Object.entries(schema.properties ?? {}).filter(([key]) => (required.has(key) ? by.next() > how.odd / 4 : by.next() < 0.4));
  const object = Object.fromEntries(fields.map(([key, own]) => [key, valueFor(own, by, how, key)]));
  if (schema.additionalProperties && typeof schema.additionalProperties === 'object')
    object[by.one(['R-32', 'R-125', 'R-134a', 'x'])] = valueFor(schema.additionalProperties, by, how);
  return by.next() < how.odd / 6 ? { ...object, colour: 'grey' } : object;
}

/** @param {any} schema @param {Chance} by @param {string} name */
function numberFor(schema, by, name) {
  if (/Kg$/.test(name)) return Number((8 + 10 * by.next()).toFixed(3));
  if (name === 'volumeM3') return 0.012;
  if (name === 'version' || name === 'factsVersion') return 1 + by.whole(3);
  const least = schema.minimum ?? schema.exclusiveMinimum ?? 0;
  const most = schema.maximum ?? schema.exclusiveMaximum ?? least + 100;
  const value = Math.max(least, -1e6) + by.next() * (Math.min(most, 1e7) - Math.max(least, -1e6));
  return schema.type === 'integer' ? Math.round(value) : value;
}

/** @param {any} schema @param {Chance} by @param {{ odd: number, known: Record<string, string[]> }} how @param {string} name */
function textFor(schema, by, { odd, known }, name) {
  if (by.next() < odd) return by.one([...ODD_TEXTS, ...ODD_DATES, ...ODD_DAYS, '2026-00', '0000-01']);
  if (name === 'key') return uuid(by);
  if (known[name] !== undefined && by.next() < 0.9) return by.one(known[name]);
  if (schema.format === 'uuid') return uuid(by);
  if (schema.format === 'date-time') return '2026-11-25T07:40:00Z';
  if (schema.format === 'date') return '2026-12-01';
  if (schema.pattern?.includes('-')) return '2024-11';
  return `${name || 'word'} ${by.whole(1e6)}`;
}

/** @param {Chance} by */
function uuid(by) {
  const hex = () => by.whole(16).toString(16);
  return 'xxxxxxxx-xxxx-4xxx-8xxx-xxxxxxxxxxxx'.replace(/x/g, hex);
}
