import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Navigate, Route, Routes, useLocation } from 'react-router';
import { ProblemError } from '../api/client';
import { ClassPage } from './classes/ClassPage';
import { Classes } from './classes/Classes';
import { Codes } from './classes/Codes';
import { Messages } from './classes/Messages';
import { Experiments } from './experiment/Experiments';
import { KeepingProvider } from './frame/keeping';
import { Loading, PartError } from './parts/states';
import { TeacherFrame } from './frame/TeacherFrame';
import { useMe } from './frame/useMe';
import './teacher.scss';
import { Account } from './views/Account';
import { Help } from './views/Help';
import { NotYet } from './views/NotYet';
import { SignIn } from './views/SignIn';
import { Today } from './views/Today';
import { say } from './words';
import { failed } from './parts/failed';

const ExperimentPage = lazy(() => import('./experiment/ExperimentPage'));
const Larder = lazy(() => import('./larder/Larder'));
const Parts = lazy(() => import('./views/Parts'));
const ShowToClass = lazy(() => import('./results/ShowToClass'));
const Workbench = lazy(() => import('./workbench/Workbench'));
const client = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (n, e) => n < 2 && e instanceof ProblemError && (e.offline || e.problem.status >= 500),
      staleTime: 5_000,
      refetchOnWindowFocus: true,
    },
  },
});

function Inside() {
  const me = useMe();
  const location = useLocation();
  if (me.isPending) return <Loading what={say('main.your-kitchen')} />;
  if (me.error instanceof ProblemError && me.error.problem.status === 401)
    return (
      <Navigate
        to={`/sign-in?to=${encodeURIComponent(location.pathname + location.search)}`}
        replace
      />
    );
  if (failed(me))
    return (
      <PartError what={say('main.your-account')} error={me.error} retry={() => void me.refetch()} />
    );
  if (location.pathname.startsWith('/show/')) {
    return (
      <Suspense fallback={<Loading what={say('main.the-page')} />}>
        <Routes>
          <Route path="/show/:class/:assignment" element={<ShowToClass />} />
        </Routes>
      </Suspense>
    );
  }
  return (
    <KeepingProvider>
      <TeacherFrame me={me.data}>
        <Suspense fallback={<Loading what={say('main.the-page')} />}>
          <Routes>
            <Route path="/today" element={<Today />} />
            <Route path="/experiments" element={<Experiments />} />
            <Route path="/experiments/:experiment/:station?" element={<ExperimentPage />} />
            <Route path="/workbench" element={<Workbench />} />
            <Route path="/larder" element={<Larder />} />
            <Route path="/classes" element={<Classes />} />
            <Route path="/classes/:class" element={<ClassPage />} />
            <Route path="/classes/:class/codes" element={<Codes />} />
            <Route path="/classes/:class/messages" element={<Messages />} />
            <Route path="/account" element={<Account me={me.data} />} />
            <Route path="/help" element={<Help />} />
            <Route path="/parts" element={<Parts />} />
            <Route
              path="*"
              element={
                <NotYet
                  title={say('main.not-here')}
                  words={say('main.there-is-nothing-by-this-address')}
                />
              }
            />
          </Routes>
        </Suspense>
      </TeacherFrame>
    </KeepingProvider>
  );
}

createRoot(document.getElementById('root')!).render(
  <QueryClientProvider client={client}>
    <BrowserRouter>
      <Routes>
        <Route path="/sign-in" element={<SignIn />} />
        <Route path="*" element={<Inside />} />
      </Routes>
    </BrowserRouter>
  </QueryClientProvider>,
);
