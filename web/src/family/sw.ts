/// <reference lib="webworker" />
// Keeps the family's page on the phone, so that it opens without a
// connection. It answers only for family pages and their files; the API and
// the teacher's pages go to the network as ever. A new version waits until
// the page asks for it at a step border.
const worker = self as unknown as ServiceWorkerGlobalScope;

const files = '__FILES__' as unknown as string[];
const cacheName = 'kitchen-__VERSION__';
const shell = '/code'; // any family address serves the same page

worker.addEventListener('install', (event) => {
  event.waitUntil(
    caches.open(cacheName).then((cache) => cache.addAll([shell, '/icon.svg', ...files])),
  );
});

worker.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(names.filter((n) => n !== cacheName).map((n) => caches.delete(n))),
      )
      .then(() => worker.clients.claim()),
  );
});

worker.addEventListener('message', (event) => {
  if (event.data === 'take-over') void worker.skipWaiting();
});

const isFamilyPage = (url: URL) =>
  (url.pathname === '/code' ||
    url.pathname.startsWith('/h/') ||
    url.pathname.startsWith('/home/')) &&
  !url.searchParams.has('plain');

// A picture of a step has its own content as its name: it never changes.
const isStepPicture = (url: URL) => /^\/api\/v1\/home\/.+\/pictures\//.test(url.pathname);

// The core is large and not needed for the first page: it is kept when an
// experiment asks for it.
async function fetchAndKeep(request: Request): Promise<Response> {
  const file = await fetch(request);
  if (file.ok) await caches.open(cacheName).then((cache) => cache.put(request, file.clone()));
  return file;
}

worker.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url);
  if (event.request.method !== 'GET' || url.origin !== worker.location.origin) return;
  if (event.request.mode === 'navigate' && isFamilyPage(url)) {
    event.respondWith(caches.match(shell).then((page) => page ?? fetch(event.request)));
  } else if (url.pathname.endsWith('.wasm') || isStepPicture(url)) {
    event.respondWith(
      caches.match(event.request).then((file) => file ?? fetchAndKeep(event.request)),
    );
  } else if (url.pathname.startsWith('/assets/') || url.pathname === '/icon.svg') {
    event.respondWith(caches.match(event.request).then((file) => file ?? fetch(event.request)));
  }
});
