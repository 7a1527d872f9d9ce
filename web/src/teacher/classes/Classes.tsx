import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import Button from 'react-bootstrap/Button';
import { api, got } from '../../api/client';
import { Loading, PartError } from '../parts/states';
import { Head } from '../frame/TeacherFrame';
import { ClassForm } from './ClassForm';
import { Said, say } from '../words';

/** Classes that were deleted within thirty days, to bring back. */
function Deleted() {
  const client = useQueryClient();
  const deleted = useQuery({
    queryKey: ['deleted-classes'],
    queryFn: () => got(api.GET('/api/v1/deleted-classes')),
  });
  if (!deleted.data?.items.length) return null;
  const restore = async (id: string) => {
    await got(api.POST('/api/v1/classes/{class}/restore', { params: { path: { class: id } } }));
    await client.invalidateQueries();
  };
  return (
    <section aria-label={say('classes.deleted-classes')} className="mt-5">
      <h2>{say('classes.deleted-for-thirty-days')}</h2>
      <ul className="plain-list">
        {deleted.data.items.map((c) => (
          <li key={c.id} className="row-line">
            <strong>{c.name}</strong>
            <span className="second">
              {c.school} · {say('classPage.homes', { count: c.homes })}
            </span>
            <Button variant="plain" onClick={() => void restore(c.id)}>
              <Said
                of={say('classes.bring-back', { name: c.name })}
                with={[<span key="0" className="visually-hidden" />]}
              />
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

export function Classes() {
  const classes = useQuery({
    queryKey: ['classes'],
    queryFn: () => got(api.GET('/api/v1/classes')),
  });
  const [adding, setAdding] = useState(false);
  const navigate = useNavigate();
  return (
    <>
      <Head
        title={say('classes.classes')}
        aside={<Button onClick={() => setAdding(true)}>{say('classes.new-class')}</Button>}
      />
      <main className="work">
        {classes.isPending && <Loading what={say('classes.your-classes')} />}
        {classes.error && (
          <PartError
            what={say('classes.your-classes-2')}
            error={classes.error}
            retry={() => void classes.refetch()}
          />
        )}
        {classes.data?.items.length === 0 && !adding && (
          <p className="lead-sentence">{say('classes.you-have-no-class-yet-make')}</p>
        )}
        {adding && (
          <section className="card-paper" aria-label={say('classes.new-class')}>
            <h2>{say('classes.new-class')}</h2>
            <ClassForm
              onSaved={(c) => void navigate(`/classes/${c.id}`)}
              onCancel={() => setAdding(false)}
            />
          </section>
        )}
        <ul className="plain-list">
          {classes.data?.items.map((c) => (
            <li key={c.id} className="row-line">
              <Link to={`/classes/${c.id}`} className="fw-bold">
                {c.name}
              </Link>
              <span className="second">
                {c.school} · {say('classPage.homes', { count: c.homes })} ·{' '}
                {say(`measures.${c.unit_system}`)} · {c.zone}
              </span>
              {(!c.emergency_number || !c.poison_number) && (
                <span className="w-mend">{say('classes.mend-a-number-is-missing-nothing')}</span>
              )}
            </li>
          ))}
        </ul>
        <Deleted />
      </main>
    </>
  );
}
