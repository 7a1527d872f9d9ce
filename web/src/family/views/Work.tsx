import { lazy, Suspense, useEffect } from 'react';
import { alone, pageOf, partAt, undone } from '../phone/activities';
import { Book } from '../phone/book';
import { keeper } from '../../ui/keeper';
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
  Activities: () => import('./Activities').then((m) => ({ default: m.Activities })),
  Result: () => import('./Result').then((m) => ({ default: m.Result })),
  Conclusion: () => import('./Result').then((m) => ({ default: m.Conclusion })),
  Sent: () => import('./Sent').then((m) => ({ default: m.Sent })),
  Stopped: () => import('./Stopped').then((m) => ({ default: m.Stopped })),
  Kitchen: () => import('./Kitchen').then((m) => ({ default: m.Kitchen })),
  Rest: () => import('./Rest').then((m) => ({ default: m.Rest })),
  Watch: () => import('./Watch').then((m) => ({ default: m.Watch })),
};
const later = {
  Activities: lazy(loads.Activities),
  Result: lazy(loads.Result),
  Conclusion: lazy(loads.Conclusion),
  Sent: lazy(loads.Sent),
  Stopped: lazy(loads.Stopped),
  Kitchen: lazy(loads.Kitchen),
  Rest: lazy(loads.Rest),
  Watch: lazy(loads.Watch),
};

/** Once a home may begin, all that comes later is fetched: by then there may be no connection, and a page must not be missing. */
function useFetched(begun: boolean, pictures: string) {
  useEffect(() => {
    if (begun)
      void Promise.allSettled([
        ...Object.values(loads).map((load) => load()),
        fetchEvidence(),
        ...pictures.split(' ').map((at) => at && keeper().then(() => fetch(at))),
      ]);
  }, [begun, pictures]);
}

/** Where the pictures of the steps are. */
const picturesOf = ({ sheet, state }: Pick<WorkProps, 'sheet' | 'state'>) =>
  sheet.steps
    .flatMap((s) => (s.picture ? [state.picture(sheet.assignment, s.picture.id)] : []))
    .join(' ');

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
  useFetched(sheet.permission.state === 'granted', picturesOf(rest));
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
  const several = (sheet.activities ?? []).length > 0;
  const activity = several ? sheet.activities[number - 1] : undefined;
  const first = activity ? `activity/${number}` : 'step/1';
  switch (several && !number ? listed(shown) : shown) {
    case 'activities':
      return <later.Activities {...props} onGo={to} />;
    case 'ready':
      return (
        <Ready
          {...props}
          sheet={activity ? alone(sheet, activity) : sheet}
          onGo={() =>
            to(
              sheet.questions.some((q) => q.when === 'before' && !(several && book.answer(q.id)))
                ? ['predict', number].filter(Boolean).join('/')
                : first,
            )
          }
        />
      );
    case 'predict':
      return <Prediction {...props} onGo={() => to(first)} />;
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
    case 'rest': {
      const n = Math.min(Math.max(1, number || rested(sheet, book)), sheet.steps.length);
      const { part, number: at } = partAt(sheet, n);
      return (
        <later.Rest
          {...props}
          step={sheet.steps[n - 1]}
          onGo={() => to(pageOf(sheet, part, at + 1))}
        />
      );
    }
    case 'conclusion':
      return <later.Conclusion {...props} onGo={() => to('sent')} />;
    case 'sent':
      return <later.Sent {...props} />;
    default: {
      const asked = shown === 'activity' ? undone(sheet, book, activity) : number;
      const n = Math.min(Math.max(1, asked || undone(sheet, book)), sheet.steps.length);
      const { part, number: at } = partAt(sheet, n);
      return (
        <StepPage
          key={n}
          {...props}
          sheet={part}
          number={at}
          onGo={(m) => to(pageOf(sheet, part, m))}
          onRest={() => to(`rest/${n}`)}
        />
      );
    }
  }
}

/** Where the work is several pieces, a page that is of one of them is the list of them until it is said of which. */
const listed = (page: string) =>
  ['ready', 'step', 'predict', 'activity'].includes(page) ? 'activities' : page;

function next(sheet: Sheet, book: Book): string {
  if (book.sent()) return 'sent';
  if ((sheet.activities ?? []).length > 0) return 'activities';
  if (sheet.steps.length > 0 && sheet.steps.every((s) => book.done(s.id))) return 'result';
  if (rested(sheet, book) > 0) return 'rest';
  if (sheet.steps.some((s) => book.done(s.id))) return 'step';
  return 'ready';
}

/** The number of the step after which the home stopped where one can, if it is the last that it did; 0 where it is not. */
function rested(sheet: Sheet, book: Book): number {
  const at = sheet.steps.findIndex((s) => !book.done(s.id));
  return at > 0 && sheet.steps[at - 1].rest ? at : 0;
}
