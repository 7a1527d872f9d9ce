import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ask, type Schemas } from '../../api/client';
import { Loading, PartError } from '../frame/parts';
import { Head } from '../frame/TeacherFrame';
import { ClassForm } from './ClassForm';

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
      </main>
    </>
  );
}
