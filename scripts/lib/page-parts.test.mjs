// @ts-check
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { pageParts } from './page-parts.mjs';
import { at } from './paths.mjs';

/** @param {string} path */
const atOnce = (path) => ({ path, kind: 'import-statement' });
/** @param {string} path */
const later = (path) => ({ path, kind: 'dynamic-import' });
const outputs = {
  'main.js': { entryPoint: 'apps/web/src/main.ts', imports: [atOnce('angular.js'), later('today.js')] },
  'polyfills.js': { entryPoint: 'angular:polyfills:polyfills', imports: [atOnce('locale.js')] },
  'angular.js': { imports: [] },
  'locale.js': { imports: [] },
  'forms.js': { imports: [atOnce('angular.js'), later('pdf.js')] },
  'pdf.js': { imports: [] },
  'today.js': { entryPoint: 'apps/web/src/app/today/today.page.ts', imports: [atOnce('angular.js'), atOnce('locale.js')] },
  'visit.js': { entryPoint: 'apps/web/src/app/visit/visit.page.ts', imports: [atOnce('forms.js'), later('look.js')] },
  'look.js': { entryPoint: 'apps/web/src/app/visit/stages/look.stage.ts', imports: [atOnce('circuit.js')] },
  'circuit.js': { imports: [atOnce('forms.js')] },
};
const routes = `[
  { path: '', redirectTo: 'today' },
  { path: 'today', loadComponent: () => import('./today/today.page').then((m) => m.TodayPage) },
  { path: '**', loadComponent: () => import('./shell/not-here.page').then((m) => m.NotHerePage) },
  { path: 'visits/:id/:stage', loadComponent: () => import('./visit/visit.page').then((m) => m.VisitPage) },
]`;

test('a page needs its part and what that needs at once, less what comes first anyway', () => {
  const [today, look, other] = pageParts(outputs, routes);
  assert.deepEqual(today, { path: '/today', parts: ['today.js'] });
  assert.deepEqual(look, { path: '/visits/:id/look', parts: ['visit.js', 'forms.js', 'look.js', 'circuit.js'] });
  assert.deepEqual(other, { path: '/visits/:id/:stage', parts: ['visit.js', 'forms.js'] });
});

test('a page that the build does not have is said, and so is a route that is not understood', () => {
  assert.throws(() => pageParts({ 'main.js': outputs['main.js'] }, routes), /no part for today\/today\.page/);
  assert.throws(() => pageParts(outputs, `${routes} { loadComponent: () => elsewhere }`), /4 pages are loaded by the routes, and 3/);
});

test('the routes of the application are understood', () => {
  const real = readFileSync(at('apps/web/src/app/app.routes.ts'), 'utf8');
  const pages = [...new Set([...real.matchAll(/import\('\.\/([^']+)'\)/g)].map(([, page]) => page))];
  const built = Object.fromEntries(pages.map((page, k) => [`${k}.js`, { entryPoint: `apps/web/src/app/${page}.ts`, imports: [] }]));
  const found = pageParts(built, real);
  assert.ok(found.some(({ path, parts }) => path === '/cylinders/:id/fill' && parts.length === 1));
});
