import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ask, type Schemas } from '../../api/client';
import { Loading, PartError } from '../frame/parts';
import { Head } from '../frame/TeacherFrame';
import { ClassForm } from './ClassForm';

/** Classes that were deleted within thirty days, to bring back. */
function Deleted() {
  const client = useQueryClient();
  const deleted = useQuery({ queryKey: ['deleted-classes'], queryFn: () => ask<Schemas['ListClassView']>('GET', '/deleted-classes') });
  if (!deleted.data?.items.length) return null;
  const restore = async (id: string) => {
    await ask('POST', `/classes/${id}/restore`);
    await client.invalidateQueries();
  };
  return (
    <section aria-label="Deleted classes" style={{ marginTop: 24 }}>
      <h2>Deleted, for thirty days</h2>
      <ul className="plain-list">
        {deleted.data.items.map((c) => (
          <li key={c.id} className="row-line">
            <strong>{c.name}</strong>
            <span className="second">
              {c.school} · {c.homes === 1 ? 'one home' : `${c.homes} homes`}
            </span>
            <button type="button" className="btn-plain" onClick={() => void restore(c.id)}>
              Bring back<span className="visually-hidden"> {c.name}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

export function Classes() {
  const classes = useQuery({ queryKey: ['classes'], queryFn: () => ask<Schemas['ListClassView']>('GET', '/classes') });
  const [adding, setAdding] = useState(false);
  const navigate = useNavigate();
  return (
    <>
      <Head title="Classes" aside={<button type="button" className="btn btn-primary" onClick={() => setAdding(true)}>New class</button>} />
      <main className="work">
        {classes.isPending && <Loading what="your classes" />}
        {classes.error && <PartError what="Your classes" error={classes.error} retry={() => void classes.refetch()} />}
        {classes.data?.items.length === 0 && !adding && <p className="lead-sentence">You have no class yet. Make one; then paste the nicknames of its homes.</p>}
        {adding && (
          <section className="card-paper" aria-label="New class">
            <h2>New class</h2>
            <ClassForm onSaved={(c) => void navigate(`/classes/${c.id}`)} onCancel={() => setAdding(false)} />
          </section>
        )}
        <ul className="plain-list">
          {classes.data?.items.map((c) => (
            <li key={c.id} className="row-line">
              <Link to={`/classes/${c.id}`} style={{ fontWeight: 700 }}>
                {c.name}
              </Link>
              <span className="second">
                {c.school} · {c.homes === 1 ? 'one home' : `${c.homes} homes`} · {c.unit_system === 'us' ? 'US measures' : c.unit_system} · {c.zone}
              </span>
              {(!c.emergency_number || !c.poison_number) && <span className="w-mend">Mend: a number is missing, nothing can be issued</span>}
            </li>
          ))}
        </ul>
        <Deleted />
      </main>
    </>
  );
}
