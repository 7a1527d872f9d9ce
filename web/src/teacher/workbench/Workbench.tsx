import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import FormControl from 'react-bootstrap/FormControl';
import { Notice } from '../parts/Notice';
import { api, got } from '../../api/client';
import { Loading, PartError } from '../parts/states';
import { Head } from '../frame/TeacherFrame';
import { Question } from './Question';
import { useKeys } from '../frame/keys';
import { say } from '../words';

const groups: readonly (readonly [string, string])[] = [
  ['see', say('workbench.would-we-see-it')],
  ['much', say('workbench.how-much-do-i-need')],
  ['fast', say('workbench.how-fast')],
  ['size', say('workbench.what-tone-what-size')],
  ['sure', say('workbench.how-sure')],
  ['read', say('workbench.how-is-it-read')],
];

/** One question to the science core at a time; which one and what was typed is kept in the address. */
export default function Workbench() {
  const models = useQuery({
    queryKey: ['models'],
    queryFn: () => got(api.GET('/api/v1/models')),
    staleTime: Infinity,
  });
  const [params] = useSearchParams();
  const [find, setFind] = useState('');
  const finder = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const all = models.data?.items ?? [];
  const asked = all.find((m) => m.id === params.get('ask'));
  const found = groups.flatMap(([group]) =>
    all.filter(
      (m) => m.group === group && m.title.toLowerCase().includes(find.trim().toLowerCase()),
    ),
  );
  useKeys((key) => {
    const step = { j: 1, k: -1 }[key];
    if (key === '/') finder.current?.focus();
    else if (step && found.length)
      void navigate(
        `?ask=${found[Math.max(0, Math.min(found.length - 1, found.findIndex((m) => m === asked) + step))].id}`,
      );
    else return false;
    return true;
  });
  return (
    <>
      <Head
        title={say('teacherFrame.workbench')}
        aside={
          <label className="small bench-find">
            {say('workbench.find-a-question')}
            <FormControl
              id="find-question"
              ref={finder}
              type="search"
              value={find}
              onChange={(e) => setFind(e.target.value)}
            />
          </label>
        }
      />
      <main className="work bench">
        {models.isPending && <Loading what={say('workbench.the-questions')} />}
        {models.error && (
          <PartError
            what={say('workbench.the-questions-2')}
            error={models.error}
            retry={() => void models.refetch()}
          />
        )}
        {models.data && (
          <>
            <nav className="questions" aria-label={say('plan.questions')}>
              {groups.map(([group, words]) => {
                const some = found.filter((m) => m.group === group);
                if (some.length === 0) return null;
                return (
                  <section key={group}>
                    <h2>{words}</h2>
                    <ul className="plain-list">
                      {some.map((m) => (
                        <li key={m.id}>
                          <Link
                            to={`?ask=${m.id}`}
                            aria-current={m === asked ? 'true' : undefined}
                            ref={m === asked ? intoSight : undefined}
                          >
                            {m.title}
                          </Link>
                        </li>
                      ))}
                    </ul>
                  </section>
                );
              })}
              {found.length === 0 && (
                <p className="hint">{say('workbench.no-question-has-these-words-try')}</p>
              )}
            </nav>
            {asked ? (
              <Question key={asked.id} model={asked} />
            ) : (
              <NoQuestion unknown={params.get('ask')} />
            )}
          </>
        )}
      </main>
    </>
  );
}

/** Scrolls the list of questions, and never the page, to the one that is asked. */
const intoSight = (e: HTMLElement | null) => {
  const list = e?.closest('nav');
  if (!e || !list) return;
  const [at, box] = [e.getBoundingClientRect(), list.getBoundingClientRect()];
  if (at.top < box.top || at.bottom > box.bottom)
    list.scrollTop += at.top - box.top - box.height / 2;
};

function NoQuestion({ unknown }: { unknown: string | null }) {
  return (
    <section>
      {unknown && <Notice>{say('workbench.there-is-no-question-by-this')}</Notice>}
      <p className="lead-sentence">{say('workbench.what-do-you-want-to-find')}</p>
      <p className="second">{say('workbench.choose-a-question-amounts-are-typed')}</p>
    </section>
  );
}
