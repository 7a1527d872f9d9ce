import { lazy, Suspense, useEffect } from 'react';
import { Book } from '../phone/book';
import type { Sheet } from '../phone/useHome';
import { useCore } from '../phone/useCore';
import type { WorkProps } from '../phone/work';
import { fetchEvidence } from './EvidenceField';
import { Permission } from './Permission';
import { Prediction } from './Prediction';
import { Ready } from './Ready';
import { StepPage } from './StepPage';

// What comes last, or to few, comes after the first page; the service worker keeps it
// with the rest.
const loads = {
  Result: () => import('./Result').then((m) => ({ default: m.Result })),
  Conclusion: () => import('./Result').then((m) => ({ default: m.Conclusion })),
  Sent: () => import('./Sent').then((m) => ({ default: m.Sent })),
  Stopped: () => import('./Stopped').then((m) => ({ default: m.Stopped })),
  Kitchen: () => import('./Kitchen').then((m) => ({ default: m.Kitchen })),
  Rest: () => import('./Rest').then((m) => ({ default: m.Rest })),
  Watch: () => import('./Watch').then((m) => ({ default: m.Watch })),
};
const later = {
  Result: lazy(loads.Result),
  Conclusion: lazy(loads.Conclusion),
  Sent: lazy(loads.Sent),
  Stopped: lazy(loads.Stopped),
  Kitchen: lazy(loads.Kitchen),
  Rest: lazy(loads.Rest),
  Watch: lazy(loads.Watch),
};

/** Once a home may begin, all that comes later is fetched: by then there may be no connection, and a page must not be missing. */
function useFetched(begun: boolean) {
  useEffect(() => {
    if (begun)
      void Promise.allSettled([...Object.values(loads).map((load) => load()), fetchEvidence()]);
  }, [begun]);
}

/** One assignment, from permission to sent. Which page is shown follows from the address, and else from what was done so far. */
export function Work(props: Omit<WorkProps, 'book'> & { view: string; number: number }) {
  return (
    <Suspense>
      <Page {...props} />
    </Suspense>
  );
}

function Page({
  view,
  number,
  ...rest
}: Omit<WorkProps, 'book'> & { view: string; number: number }) {
  const { sheet, state, go } = rest;
  useFetched(sheet.permission.state === 'granted');
  useCore(); // it is on the phone before the first reading, however the connection is by then
  const book = new Book(state.entries, sheet.assignment, rest.bundle.home.facts);
  const props: WorkProps = { ...rest, book };
  const to = (page: string) => go(`#/${sheet.assignment}/${page}`);
  if (sheet.state === 'recalled') return <later.Stopped {...props} />;
  const permission = sheet.permission.state;
  const shown = view || next(sheet, book);
  if (sheet.notice || (permission === 'declined' && view !== 'permission')) {
    if (view === 'sent') return <later.Sent {...props} />;
    return <later.Watch {...props} view={view} onGo={to} />;
  }
  if (permission !== 'granted' || shown === 'permission')
    return <Permission {...props} onGo={to} />;
  switch (shown) {
    case 'ready':
      return (
        <Ready
          {...props}
          onGo={() => to(sheet.questions.some((q) => q.when === 'before') ? 'predict' : 'step/1')}
        />
      );
    case 'predict':
      return <Prediction {...props} onGo={() => to('step/1')} />;
    case 'result':
      return <later.Result {...props} onGo={() => to('conclusion')} />;
    case 'kitchen':
      return (
        <later.Kitchen
          state={state}
          place={sheet.title}
          onWrong={rest.onWrong}
          onGo={() => to('ready')}
        />
      );
    case 'rest':
      return (
        <later.Rest
          {...props}
          step={
            sheet.steps[
              Math.min(Math.max(1, number || rested(sheet, book)), sheet.steps.length) - 1
            ]
          }
          onGo={() => to(`step/${(number || rested(sheet, book)) + 1}`)}
        />
      );
    case 'conclusion':
      return <later.Conclusion {...props} onGo={() => to('sent')} />;
    case 'sent':
      return <later.Sent {...props} />;
    default: {
      const undone = sheet.steps.findIndex((s) => !book.done(s.id)) + 1;
      const n = Math.min(Math.max(1, number || undone || 1), sheet.steps.length);
      return (
        <StepPage
          key={n}
          {...props}
          number={n}
          onGo={(m) => to(m > sheet.steps.length ? 'result' : `step/${m}`)}
          onRest={() => to(`rest/${n}`)}
        />
      );
    }
  }
}

function next(sheet: Sheet, book: Book): string {
  if (book.sent()) return 'sent';
  if (sheet.steps.length > 0 && sheet.steps.every((s) => book.done(s.id))) return 'result';
  if (rested(sheet, book) > 0) return 'rest';
  if (sheet.steps.some((s) => book.done(s.id))) return 'step';
  return 'ready';
}

/** The number of the step after which the home stopped where one can, if it is the last that it did; 0 where it is not. */
function rested(sheet: Sheet, book: Book): number {
  const undone = sheet.steps.findIndex((s) => !book.done(s.id));
  return undone > 0 && sheet.steps[undone - 1].rest ? undone : 0;
}
