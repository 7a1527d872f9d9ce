import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { ask, type Schemas } from '../../api/client';
import { freshID } from '../draft/document';
import { draftOf } from '../draft/useDraft';
import { Loading, PartError, ProblemLine } from '../frame/parts';

interface Props {
  model: string;
  typed: Record<string, string>;
  sentence: string;
  onClose: () => void;
}

/** Keeps the question with an experiment, as what is expected of one of its readings or results. */
export function Keep({ model, typed, sentence, onClose }: Props) {
  const client = useQueryClient();
  const list = useQuery({ queryKey: ['experiments'], queryFn: () => ask<Schemas['ListExperimentRow']>('GET', '/experiments') });
  const [id, setID] = useState('');
  const draft = useQuery({ queryKey: ['opened', id], queryFn: () => draftOf(id, client).open().then(() => draftOf(id, client).state.doc!), enabled: id !== '', staleTime: 0, gcTime: 0 });
  const doc = draft.data;
  const targets = [...(doc?.derived ?? []), ...(doc?.readings ?? [])].map((x) => ({ id: x.id, name: x.name.en ?? x.id, unit: x.unit }));
  const [target, setTarget] = useState('');
  const [condition, setCondition] = useState('');
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  const keep = useMutation({
    mutationFn: () => {
      const store = draftOf(id, client);
      const now = store.state.doc!;
      const expectations = now.expectations ?? [];
      const added = { id: freshID('expected', expectations), for: target, ...(condition && { condition }), model, typed };
      store.edit({ ...now, expectations: [...expectations, added] });
      return store.flush();
    },
  });
  const title = list.data?.items.find((x) => x.id === id)?.title ?? '';
  const kept = keep.data?.review.expected?.at(-1);
  return (
    <section className="panel" aria-labelledby="keep" onKeyDown={(e) => e.key === 'Escape' && onClose()}>
      <h3 id="keep" ref={heading} tabIndex={-1}>
        Keep with an experiment
      </h3>
      {list.isPending && <Loading what="your experiments" />}
      {list.error && <PartError what="Your experiments" error={list.error} retry={() => void list.refetch()} />}
      {kept ? (
        <>
          {kept.problem ? (
            <p className="notice">Kept, but it does not fit yet: {kept.problem}.</p>
          ) : (
            <p role="status">
              {title} now expects {kept.text}. <Link to={`/experiments/${id}/steps`}>Open it</Link>
            </p>
          )}
          <button type="button" className="btn btn-outline-primary" onClick={onClose}>
            Close
          </button>
        </>
      ) : (
        list.data && (
          <form
            onSubmit={(e) => {
              e.preventDefault();
              keep.mutate();
            }}
          >
            <p className="small">{sentence}</p>
            <label htmlFor="keep-experiment" className="named">
              Experiment
            </label>
            <select id="keep-experiment" className="form-select" value={id} onChange={(e) => { setID(e.target.value); setTarget(''); setCondition(''); }}>
              <option value="">choose</option>
              {list.data.items.map((x) => (
                <option key={x.id} value={x.id}>
                  {x.title || 'Without a title'}
                </option>
              ))}
            </select>
            {list.data.items.length === 0 && <p className="hint small">There is no experiment yet. Begin one under Experiments.</p>}
            {draft.error && <PartError what="The experiment" error={draft.error} retry={() => void draft.refetch()} />}
            {doc && (
              <>
                <label htmlFor="keep-for" className="named">
                  Expected of
                </label>
                <select id="keep-for" className="form-select" value={target} onChange={(e) => setTarget(e.target.value)}>
                  <option value="">choose</option>
                  {targets.map((t) => (
                    <option key={t.id} value={t.id}>
                      {t.name} ({t.unit})
                    </option>
                  ))}
                </select>
                {(doc.conditions?.length ?? 0) > 1 && (
                  <>
                    <label htmlFor="keep-condition" className="named">
                      In which condition
                    </label>
                    <select id="keep-condition" className="form-select" value={condition} onChange={(e) => setCondition(e.target.value)}>
                      <option value="">in all</option>
                      {doc.conditions!.map((c) => (
                        <option key={c.id} value={c.id}>
                          {c.name.en ?? c.id}
                        </option>
                      ))}
                    </select>
                  </>
                )}
              </>
            )}
            <ProblemLine error={keep.error} />
            <p style={{ margin: '12px 0 0' }}>
              <button type="submit" className="btn btn-primary" disabled={!doc || !target || keep.isPending}>
                Keep
              </button>{' '}
              <button type="button" className="btn-plain" onClick={onClose}>
                Leave it
              </button>
            </p>
          </form>
        )
      )}
    </section>
  );
}
