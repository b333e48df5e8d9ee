// Read by the service worker before all else: the way out of a page that was kept empty or damaged.
const PAGE = '/index.html';
const isWhole = (text) => text.includes('id="root"');

async function fetched() {
  const response = await fetch(PAGE, { cache: 'reload' });
  return response.ok && isWhole(await response.clone().text()) ? response : null;
}

const words = (text) =>
  new Response(
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Zoarium</title><h1>${text}</h1><p>Your log is untouched. <a href="/anew">Try again</a></p></html>`,
    { headers: { 'Content-Type': 'text/html; charset=utf-8' } },
  );

/** Fetches everything anew: what was kept goes once the network is seen to give a whole page. */
async function anew() {
  const page = await fetched().catch(() => null);
  if (!page) return words('There is no network to fetch Zoarium from.');
  for (const name of await caches.keys()) await caches.delete(name);
  await self.registration.unregister();
  return Response.redirect('/', 302);
}

/** The page as it is kept, if it is whole; null leaves it to the rest of the worker. */
async function mended() {
  const kept = await caches.match(PAGE, { ignoreSearch: true });
  if (!kept || isWhole(await kept.clone().text())) return null;
  return (
    (await fetched().catch(() => null)) ??
    words('What this device kept of Zoarium is damaged, and there is no network to mend it.')
  );
}

self.addEventListener('fetch', (event) => {
  if (event.request.mode !== 'navigate') return;
  const { pathname } = new URL(event.request.url);
  if (pathname === '/anew') {
    event.stopImmediatePropagation();
    event.respondWith(anew());
    return;
  }
  // Files, and the pages that instruments have of their own, which the server alone can answer.
  if (/\/[^/?]+\.[^/]+$/.test(pathname) || /^\/instruments\/v\d+\//.test(pathname)) return;
  event.stopImmediatePropagation();
  event.respondWith(
    mended().then(
      async (page) =>
        page ?? (await caches.match(PAGE, { ignoreSearch: true })) ?? fetch(event.request),
    ),
  );
});
