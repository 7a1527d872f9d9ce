import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useForm, useWatch, type UseFormRegister } from 'react-hook-form';
import { Link } from 'react-router';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { freshID, type Doc } from '../draft/document';
import { draftOf } from '../draft/useDraft';
import { Loading, PartError, ProblemLine } from '../parts/states';
import { useEscape } from '../../ui/useEscape';
import { inOwn } from '../languages';
import { Said, say } from '../words';

interface Props {
  model: string;
  typed: Record<string, string>;
  sentence: string;
  onClose: () => void;
}

/** Keeps the question with an experiment, as what is expected of one of its readings or results. */
export function Keep({ model, typed, sentence, onClose }: Props) {
  const client = useQueryClient();
  const list = useQuery({
    queryKey: ['experiments'],
    queryFn: () => got(api.GET('/api/v1/experiments')),
  });
  const { register, handleSubmit, control, setValue } = useForm({
    defaultValues: { id: '', target: '', condition: '' },
  });
  const [id, target] = useWatch({ control, name: ['id', 'target'] });
  const draft = useQuery({
    queryKey: ['opened', id],
    queryFn: () =>
      draftOf(id, client)
        .open()
        .then(() => draftOf(id, client).state.doc!),
    enabled: id !== '',
    staleTime: 0,
    gcTime: 0,
  });
  const doc = draft.data;
  const heading = useRef<HTMLHeadingElement>(null);
  const panel = useRef<HTMLElement>(null);
  useEscape(panel, onClose);
  useEffect(() => heading.current?.focus(), []);
  const keep = useMutation({
    mutationFn: ({ target, condition }: Asked) => {
      const store = draftOf(id, client);
      const now = store.state.doc!;
      const expectations = now.expectations ?? [];
      const added = {
        id: freshID('expected', expectations),
        for: target,
        ...(condition && { condition }),
        model,
        typed,
      };
      store.edit({ ...now, expectations: [...expectations, added] });
      return store.flush();
    },
  });
  const title = list.data?.items.find((x) => x.id === id)?.title ?? '';
  const kept = keep.data?.review.expected?.at(-1);
  return (
    <section ref={panel} className="panel" aria-labelledby="keep">
      <h3 id="keep" ref={heading} tabIndex={-1}>
        {say('keep.keep-with-an-experiment')}
      </h3>
      {list.isPending && <Loading what={say('experiments.your-experiments')} />}
      {list.error && (
        <PartError
          what={say('experiments.your-experiments-2')}
          error={list.error}
          retry={() => void list.refetch()}
        />
      )}
      {kept ? (
        <Kept kept={kept} id={id} title={title} onClose={onClose} />
      ) : (
        list.data && (
          <form onSubmit={(e) => void handleSubmit((f) => keep.mutate(f))(e)}>
            <p className="small">{sentence}</p>
            <label htmlFor="keep-experiment" className="named">
              {say('keep.experiment')}
            </label>
            <FormSelect
              id="keep-experiment"
              {...register('id', {
                onChange: () => {
                  setValue('target', '');
                  setValue('condition', '');
                },
              })}
            >
              <option value="">{say('blank.choose')}</option>
              {list.data.items.map((x) => (
                <option key={x.id} value={x.id}>
                  {x.title}
                </option>
              ))}
            </FormSelect>
            {list.data.items.length === 0 && (
              <p className="hint small">{say('keep.there-is-no-experiment-yet-begin')}</p>
            )}
            {draft.error && (
              <PartError
                what={say('showToClass.the-experiment')}
                error={draft.error}
                retry={() => void draft.refetch()}
              />
            )}
            {doc && <Target doc={doc} register={register} />}
            <ProblemLine error={keep.error} />
            <p className="mt-3 mb-0">
              <Button type="submit" disabled={!doc || !target || keep.isPending}>
                {say('keep.keep')}
              </Button>{' '}
              <Button variant="plain" onClick={onClose}>
                {say('findingCard.leave-it')}
              </Button>
            </p>
          </form>
        )
      )}
    </section>
  );
}

interface Asked {
  id: string;
  target: string;
  condition: string;
}

/** Of which reading or result it is expected, and in which condition. */
function Target({ doc, register }: { doc: Doc; register: UseFormRegister<Asked> }) {
  const targets = [...(doc.derived ?? []), ...(doc.readings ?? [])].map((x) => ({
    id: x.id,
    name: inOwn(x.name) || x.id,
    unit: x.unit,
  }));
  return (
    <>
      <label htmlFor="keep-for" className="named">
        {say('keep.expected-of')}
      </label>
      <FormSelect id="keep-for" {...register('target')}>
        <option value="">{say('blank.choose')}</option>
        {targets.map((t) => (
          <option key={t.id} value={t.id}>
            {t.name} ({t.unit})
          </option>
        ))}
      </FormSelect>
      {(doc.conditions?.length ?? 0) > 1 && (
        <>
          <label htmlFor="keep-condition" className="named">
            {say('keep.in-which-condition')}
          </label>
          <FormSelect id="keep-condition" {...register('condition')}>
            <option value="">{say('keep.in-all')}</option>
            {doc.conditions!.map((c) => (
              <option key={c.id} value={c.id}>
                {inOwn(c.name) || c.id}
              </option>
            ))}
          </FormSelect>
        </>
      )}
    </>
  );
}

/** What the experiment expects now, or why that does not fit. */
function Kept({
  kept,
  id,
  title,
  onClose,
}: {
  kept: Schemas['ExpectedView'];
  id: string;
  title: string;
  onClose: () => void;
}) {
  return (
    <>
      {kept.problem ? (
        <Notice>{say('keep.kept-but-it-does-not-fit', { problem: kept.problem })}</Notice>
      ) : (
        <p role="status">
          <Said
            of={say('keep.now-expects-open-it', { title, text: kept.text })}
            with={[<Link key="0" to={`/experiments/${id}/steps`} />]}
          />
        </p>
      )}
      <Button variant="outline-primary" onClick={onClose}>
        {say('classForm.close')}
      </Button>
    </>
  );
}
