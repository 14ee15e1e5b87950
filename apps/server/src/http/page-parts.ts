import { readFileSync } from 'node:fs';
import * as z from 'zod';

const kept = z.array(z.object({ path: z.string(), parts: z.array(z.string()) }));

/**
 * What an answer says in its head of the parts that the page at an address is loaded in: they then come together with the first ones, not
 * after them. Written by the build, in the order of the routes; without it a page loads its parts by itself, one after the other.
 */
export function pagePartsOf(file: string): (address: string) => string | undefined {
  const pages = read(file).map(({ path, parts }) => ({ at: patternOf(path), link: linkOf(parts) }));
  return (address) => pages.find(({ at }) => at.test(address))?.link;
}

function read(file: string): z.infer<typeof kept> {
  try {
    return kept.parse(JSON.parse(readFileSync(file, 'utf8')));
  } catch {
    return [];
  }
}

/** `:name` stands for whatever has no slash. */
const patternOf = (path: string) => new RegExp(`^${path.replace(/[^a-z/:-]/g, '\\$&').replace(/:[a-z]+/g, '[^/]+')}/?$`);

const linkOf = (parts: readonly string[]) => parts.map((part) => `</${part}>; rel=modulepreload`).join(', ');
