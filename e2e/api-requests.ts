import type { Page } from '@playwright/test';

/** What a request reads: several at once are told one by one. */
export const readIn = (url: string): string[] => {
  const { pathname, search, searchParams } = new URL(url);
  return pathname === '/api/reads' ? searchParams.getAll('of') : [pathname + search];
};

/**
 * What the page will ask the server for when it is opened, its streams apart. What it looks at again every few seconds is asked for once: on a
 * slow machine it would come before the first reading is done.
 */
export async function apiRequests(page: Page): Promise<readonly string[]> {
  await page.addInitScript(() => {
    const original = globalThis.setInterval.bind(globalThis);
    const once = (again: () => void, ms?: number) => (ms !== undefined && ms >= 2500 ? 0 : original(again, ms));
    globalThis.setInterval = once as unknown as typeof setInterval;
  });
  const requests: string[] = [];
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    if (pathname.startsWith('/api/') && !pathname.endsWith('/stream')) requests.push(request.url());
  });
  return requests;
}
