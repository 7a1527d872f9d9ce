/** Resolves when what keeps the page's files is there, so that what is fetched then is kept too; a phone without it waits no longer than this. */
export async function keeper(): Promise<void> {
  const worker = navigator.serviceWorker;
  if (!worker || worker.controller) return;
  await Promise.race([
    new Promise((done) => worker.addEventListener('controllerchange', done, { once: true })),
    new Promise((done) => setTimeout(done, 5000)),
  ]);
}
