// A reload while the server is down: instead of the browser's own error a page of this house that comes back by itself.
const PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Hygromet is not running</title>
<meta name="viewport" content="width=device-width, initial-scale=1"><meta name="color-scheme" content="light dark">
<style>body{font:17px/1.5 system-ui,sans-serif;margin:0;display:grid;min-height:100vh;place-content:center;padding:24px;text-align:center}</style></head>
<body><h1>Hygromet is not running</h1><p>What was booked is safe, and what you typed is kept on this device.<br>This page comes back by itself as soon as the server answers.</p></body></html>`;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  if (event.request.mode !== 'navigate') return;
  event.respondWith(fetch(event.request).catch(() => waiting()));
});

/** The header makes the browser ask again, without a script that a policy would have to allow. */
const waiting = () =>
  new Response(PAGE, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8', refresh: '2', 'cache-control': 'no-store' } });
