// @ts-check

/**
 * The parts that a page of the web application is loaded in, by its address: the server names them in the head of its answer, and they come
 * together with the first ones instead of after them.
 *
 * @typedef {{ entryPoint?: string, imports: { path: string, kind: string }[] }} Output of the build
 * @typedef {{ path: string, parts: string[] }} PageParts an address as the router has it, and files
 */

const APP = 'apps/web/src/app/';
const FIRST = ['apps/web/src/main.ts', 'angular:polyfills:polyfills'];
const STAGES = /visit\/stages\/([a-z-]+)\.stage\.ts$/;

/**
 * In the order of the routes; a stage of a visit is an address of its own.
 * @param {Record<string, Output>} outputs @param {string} routes the source of the routes @returns {PageParts[]}
 */
export function pageParts(outputs, routes) {
  const first = new Set(FIRST.flatMap((entry) => [...closureOf(outputs, fileOf(outputs, entry))]));
  /** @param {(string | undefined)[]} entries */
  const partsOf = (entries) => [...new Set(entries.flatMap((entry) => [...closureOf(outputs, entry)]))].filter((file) => !first.has(file));
  const stages = Object.entries(outputs).flatMap(([file, { entryPoint = '' }]) => {
    const stage = STAGES.exec(entryPoint)?.[1];
    return stage === undefined ? [] : [{ stage, file }];
  });
  return pagesIn(routes).flatMap(({ path, page }) => {
    const file = fileOf(outputs, `${APP}${page}.ts`);
    if (file === undefined) throw new Error(`the build has no part for ${page}, the page of ${path}`);
    const whole = { path: `/${path}`, parts: partsOf([file]) };
    const staged = path.endsWith('/:stage')
      ? stages.map(({ stage, file: own }) => ({ path: `/${path.replace(':stage', stage)}`, parts: partsOf([file, own]) }))
      : [];
    return [...staged, whole];
  });
}

/** @param {string} routes */
function pagesIn(routes) {
  const pages = [...routes.matchAll(/path: '([^']+)',(?:(?!path:)[\s\S])*?import\('\.\/([^']+)'\)/g)];
  const loaded = routes.match(/loadComponent:/g)?.length ?? 0;
  if (pages.length !== loaded) throw new Error(`${loaded} pages are loaded by the routes, and ${pages.length} were found in them`);
  // what is no address of a page is in no hurry
  return pages.map(([, path = '', page = '']) => ({ path, page })).filter(({ path }) => path !== '**');
}

/** @param {Record<string, Output>} outputs @param {string} entry */
const fileOf = (outputs, entry) => Object.entries(outputs).find(([, { entryPoint }]) => entryPoint === entry)?.[0];

/** A file and all that it needs at once. @param {Record<string, Output>} outputs @param {string | undefined} file @param {Set<string>} found */
function closureOf(outputs, file, found = new Set()) {
  if (file === undefined || found.has(file) || outputs[file] === undefined) return found;
  found.add(file);
  for (const { path, kind } of outputs[file].imports) if (kind === 'import-statement') closureOf(outputs, path, found);
  return found;
}
