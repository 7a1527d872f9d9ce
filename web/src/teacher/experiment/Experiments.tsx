import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import Button from 'react-bootstrap/Button';
import { FileButton } from '../parts/FileButton';
import { type Schemas, api, got } from '../../api/client';
import { useKeeping } from '../frame/keeping';
import { ThreadFace } from '../parts/ThreadFace';
import { ShelfDrawing } from '../parts/ShelfDrawing';
import { Loading, PartError, ProblemLine } from '../parts/states';
import { Head } from '../frame/TeacherFrame';
import { emptyDoc } from '../draft/document';
import { inOwn } from '../languages';
import { say } from '../words';
import { all, Finder, suits, type Asked } from './Finder';
import { ReadyForKitchens } from './ReadyForKitchens';

const examples = [
  ['paper-strips', say('experiments.paper-strips')],
  ['thirsty-beans', say('experiments.thirsty-beans')],
  ['falling-spinners', say('experiments.falling-spinners')],
] as const;

/** The ways to an experiment of one's own: from nothing or an example, from an open file, from another. */
function useBeginning(setError: (error: unknown) => void) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const made = async (making: Promise<{ id: string }>) => {
    setError(undefined);
    try {
      const { id } = await making;
      await client.invalidateQueries({ queryKey: ['experiments'] });
      await navigate(`/experiments/${id}/plan`);
    } catch (e) {
      setError(e);
    }
  };
  return {
    begin: (body: { document?: Record<string, unknown>; example?: string }) =>
      made(got(api.POST('/api/v1/experiments', { body }))),
    fromFile: (file: File) =>
      made(
        got(
          api.POST('/api/v1/experiment-files', {
            params: { query: { language: document.documentElement.lang } },
            body: file as unknown as string,
            bodySerializer: (b) => b,
            headers: { 'Content-Type': 'application/octet-stream' },
          }),
        ),
      ),
    copy: (id: string) =>
      made(
        got(
          api.POST('/api/v1/experiments/{experiment}/copy', {
            params: { path: { experiment: id } },
          }),
        ),
      ),
  };
}

/** Find one to run or go on with; the face of an experiment is its procedure to time. */
export function Experiments() {
  const list = useQuery({
    queryKey: ['experiments'],
    queryFn: () => got(api.GET('/api/v1/experiments')),
  });
  const client = useQueryClient();
  const { did } = useKeeping();
  const [error, setError] = useState<unknown>();
  const [asked, setAsked] = useState<Asked>(all);
  const found = (list.data?.items ?? []).filter((e) => suits(e, asked));
  const { begin, fromFile, copy } = useBeginning(setError);
  const remove = async (id: string, title: string) => {
    await got(
      api.DELETE('/api/v1/experiments/{experiment}', { params: { path: { experiment: id } } }),
    );
    await client.invalidateQueries({ queryKey: ['experiments'] });
    did(
      say('experiments.taken-off-the-list', { title }),
      () =>
        void got(
          api.POST('/api/v1/experiments/{experiment}/restore', {
            params: { path: { experiment: id } },
          }),
        ).then(() => client.invalidateQueries({ queryKey: ['experiments'] })),
    );
  };
  return (
    <>
      <Head
        title={say('experiments.experiments')}
        aside={
          <Button onClick={() => void begin({ document: emptyDoc })}>
            {say('experiments.begin-from-nothing')}
          </Button>
        }
      />
      <main className="work">
        <p>
          {say('experiments.begin-from-an-example')}{' '}
          {examples.map(([name, words]) => (
            <Button
              key={name}
              variant="outline-primary"
              className="me-2"
              onClick={() => void begin({ example: name })}
            >
              {words}
            </Button>
          ))}
          <FileButton
            words={say('experiments.from-a-file')}
            accept=".json,.zip,application/json,application/zip"
            onFile={(file) => void fromFile(file)}
          />
        </p>
        <ProblemLine error={error} />
        {list.isPending && <Loading what={say('experiments.your-experiments')} />}
        {list.error && (
          <PartError
            what={say('experiments.your-experiments-2')}
            error={list.error}
            retry={() => void list.refetch()}
          />
        )}
        {list.data?.items.length === 0 && (
          <>
            <ShelfDrawing />
            <p className="lead-sentence">{say('experiments.you-have-no-experiment-yet-an')}</p>
          </>
        )}
        {(list.data?.items.length ?? 0) > 1 && <Finder asked={asked} onAsk={setAsked} />}
        {list.data && list.data.items.length > 0 && found.length === 0 && (
          <p className="hint">{say('finder.none')}</p>
        )}
        <ul className="plain-list">
          {found.map((e) => (
            <ExperimentLine
              key={e.id}
              experiment={e}
              next={nextInSeries(e, list.data?.items ?? [])}
              onCopy={() => void copy(e.id)}
              onRemove={() => void remove(e.id, e.title)}
            />
          ))}
        </ul>
        <ReadyForKitchens onBegin={(example) => void begin({ example })} />
      </main>
    </>
  );
}

/** The one of the same series that comes after this one. */
const nextInSeries = (e: Schemas['ExperimentRow'], all: Schemas['ExperimentRow'][]) =>
  e.series &&
  all
    .filter((x) => inOwn(x.series) === inOwn(e.series) && (x.number ?? 0) > (e.number ?? 0))
    .sort((a, b) => (a.number ?? 0) - (b.number ?? 0))[0];

/** One experiment: its name and face, its question, how long it takes. */
function ExperimentLine({
  experiment: e,
  next,
  onCopy,
  onRemove,
}: {
  experiment: Schemas['ExperimentRow'];
  next: Schemas['ExperimentRow'] | undefined;
  onCopy: () => void;
  onRemove: () => void;
}) {
  return (
    <li className="row-line faces">
      <div>
        <Link to={`/experiments/${e.id}/plan`} className="fw-bold text-break">
          {e.title}
        </Link>
        <ThreadFace spans={e.spans} />
      </div>
      <div>
        {e.problem ? <span className="w-mend">{e.problem}</span> : inOwn(e.question)}
        {e.age_band && (
          <div className="second small">
            {say('experiments.ages', { replace: e.age_band.replace('-', '–') })}
          </div>
        )}
        {e.series && (
          <div className="second small">
            {say('experiments.in-series', { series: inOwn(e.series), number: e.number ?? '–' })}
            {next && (
              <>
                {' · '}
                <Link to={`/experiments/${next.id}/plan`}>
                  {say('experiments.next-in-series', { title: next.title })}
                </Link>
              </>
            )}
          </div>
        )}
      </div>
      <div className="second small">
        {!e.problem && (
          <>
            {say('experiments.min-of-hands', { hands: e.hands })}
            <br />
            {e.minutes > 180
              ? say('experiments.h-in-all', { Math: Math.round(e.minutes / 60) })
              : say('experiments.min-in-all', { minutes: e.minutes })}
          </>
        )}
      </div>
      <div>
        <Button
          variant="plain"
          className="small"
          onClick={onCopy}
          aria-label={say('experiments.copy-of', { title: e.title })}
        >
          {say('experiments.copy')}
        </Button>{' '}
        <Button
          variant="plain"
          className="small"
          onClick={onRemove}
          aria-label={say('experiments.take-off', { title: e.title })}
        >
          {say('experiments.take-off-2')}
        </Button>
      </div>
    </li>
  );
}
