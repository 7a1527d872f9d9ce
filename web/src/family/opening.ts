/**
 * The server sends the first page ready to read (internal/api/opening.html). It
 * stands until there is something better: a page with the home's own things, or
 * the reason why there is none.
 */
let shown = false;
let then: (() => void)[] = [];

export function show(): void {
  if (shown) return;
  shown = true;
  document.getElementById('opening')?.remove();
  document.getElementById('root')!.hidden = false;
  const run = then;
  then = [];
  setTimeout(() => run.forEach((f) => f()), 1000);
}

/** Runs something a moment after the page is shown. */
export function whenShown(f: () => void): void {
  then.push(f);
}
