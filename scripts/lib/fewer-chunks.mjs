// @ts-check
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/**
 * The builder cuts whatever two pages share into a file of its own: a page then asks for fifty files, each a wait of its own, most of them
 * smaller than its headers. Here the small ones that many parts share become one file, and what the first page needs of them another: it carries
 * nothing for the others.
 */

/** Shared by so many parts that are loaded later, it is common; by so many that the first page has a share in, it goes with that. */
const COMMON_TO = 3;
const COMMON_TO_FIRST = 2;
/** Characters: what is larger stays by itself, and is loaded by those who need it. */
const SMALL = 20_000;

const STATIC = /(?:from|import)\s*"\.\/([\w-]+\.js)"/g;
const LATER = /import\("\.\/([\w-]+\.js)"\)/g;

/** @param {string} code @param {RegExp} pattern */
const named = (code, pattern) => [...code.matchAll(pattern)].map(([, file]) => file ?? '');

/** A file with all that it cannot be without. @param {string} file @param {Record<string, string>} codes @param {Set<string>} seen */
function withNeeds(file, codes, seen = new Set()) {
  const code = codes[file];
  if (code === undefined || seen.has(file)) return seen;
  seen.add(file);
  for (const need of named(code, STATIC)) withNeeds(need, codes, seen);
  return seen;
}

/**
 * Which file each of the small shared ones becomes a part of.
 * @param {Record<string, string>} codes of each file, as esbuild wrote them
 * @param {{ main: string, firstPage: string }} entries the file that is loaded first, and the one of the page that is seen first
 * @returns {(file: string) => 'first' | 'common' | undefined} undefined: it stays as it is
 */
export function groupOf(codes, { main, firstPage }) {
  const atOnce = withNeeds(main, codes);
  const ofFirst = withNeeds(firstPage, codes);
  /** @type {Map<string, number>} */
  const shares = new Map();
  for (const part of new Set(Object.values(codes).flatMap((code) => named(code, LATER))))
    for (const file of withNeeds(part, codes)) shares.set(file, (shares.get(file) ?? 0) + 1);
  return (file) => {
    const shared = shares.get(file) ?? 0;
    if (atOnce.has(file)) return undefined;
    if (ofFirst.has(file) && shared >= COMMON_TO_FIRST) return 'first';
    return shared >= COMMON_TO && (codes[file]?.length ?? 0) < SMALL ? 'common' : undefined;
  };
}

/** Bundles them anew. @param {Record<string, string>} codes @param {{ main: string, firstPage: string }} entries */
async function bundledAnew(codes, entries) {
  const { rolldown } = await import('rolldown');
  const group = groupOf(codes, entries);
  const bundle = await rolldown({
    input: entries.main,
    preserveEntrySignatures: 'allow-extension',
    plugins: [
      {
        name: 'files-of-the-builder',
        resolveId: (source) => (source.replace(/^\.\//, '') in codes ? source.replace(/^\.\//, '') : { id: source, external: true }),
        load: (id) => codes[id],
      },
    ],
  });
  const { output } = await bundle.generate({
    minify: { mangle: false, compress: false }, // it is minified
    hashCharacters: 'base36',
    entryFileNames: 'main-[hash:8].js',
    chunkFileNames: 'chunk-[hash:8].js',
    codeSplitting: {
      includeDependenciesRecursively: false,
      groups: [
        { name: 'first', priority: 1, test: (id) => group(id) === 'first' },
        { name: 'common', test: (id) => group(id) === 'common' },
      ],
    },
  });
  await bundle.close();
  return output.filter((file) => file.type === 'chunk');
}

/**
 * Puts fewer files in the place of those that the builder wrote, and their names into the page.
 * @param {string} folder where index.html lies
 * @param {string} firstPage what only the file of the first page says, as its selector
 */
export async function fewerChunks(folder, firstPage) {
  const files = readdirSync(folder).filter((file) => /^(main|chunk)-\w+\.js$/.test(file));
  const codes = Object.fromEntries(files.map((file) => [file, readFileSync(path.join(folder, file), 'utf8')]));
  const main = files.find((file) => file.startsWith('main-'));
  const first = files.find((file) => codes[file]?.includes(`"${firstPage}"`));
  if (main === undefined || first === undefined) throw new Error(`${folder} holds no main file, or none with ${firstPage}.`);
  const bundled = await bundledAnew(codes, { main, firstPage: first });
  for (const file of files) rmSync(path.join(folder, file));
  for (const { fileName, code } of bundled) writeFileSync(path.join(folder, fileName), code);
  const entry = bundled.find(({ isEntry }) => isEntry);
  if (entry === undefined) throw new Error('The bundler made no main file.');
  const page = path.join(folder, 'index.html');
  const preloads = entry.imports.filter((file) => file.startsWith('chunk-')).map((file) => `<link rel="modulepreload" href="${file}">`);
  const html = readFileSync(page, 'utf8')
    .replace(/<link rel="modulepreload"[^>]*>/g, '')
    .replace(main, entry.fileName)
    .replace('<script src="main-', `${preloads.join('')}<script src="main-`);
  writeFileSync(page, html);
}
