import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { ask, type Schemas } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { useKeeping } from '../frame/keeping';
import { homesHave, Loading, PartError, SideSheet, time } from '../frame/parts';
import { Head } from '../frame/TeacherFrame';
import { ClassForm } from './ClassForm';
import { HomeSheet } from './HomeSheet';
import { RosterPaste } from './RosterPaste';
import { TakeAlong } from './TakeAlong';
import { WasDone } from './WasDone';

type HomeView = Schemas['HomeView'];

/** Who is in the class, and has each home opened its link? */
export function ClassPage() {
  const { class: id = '' } = useParams();
  const [params, setParams] = useSearchParams();
  const client = useQueryClient();
  const { did } = useKeeping();
  const navigate = useNavigate();
  const cls = useQuery({ queryKey: ['class', id], queryFn: () => ask<Schemas['ClassView']>('GET', `/classes/${id}`) });
  const homes = useQuery({ queryKey: ['homes', id], queryFn: () => ask<Schemas['ListHomeView']>('GET', `/classes/${id}/homes`) });
  const [settings, setSettings] = useState(params.has('settings'));
  const sheet = params.get('home');
  const open = (home?: string) => setParams(home ? { home } : {});
  const again = () => Promise.all([client.invalidateQueries({ queryKey: ['homes', id] }), client.invalidateQueries({ queryKey: ['class', id] }), client.invalidateQueries({ queryKey: ['classes'] })]);
  if (cls.isPending || homes.isPending) return <Loading what="the class" />;
  if (cls.error || homes.error) return <><Head title="Class" /><PartError what="This class" error={cls.error ?? homes.error} retry={() => void again()} /></>;
  const c = cls.data;
  const list = homes.data.items;
  const chosen = list.find((h) => h.id === sheet);
  const opened = list.filter((h) => h.opened_at).length;
  const remove = async (h: HomeView) => {
    await ask('DELETE', `/classes/${id}/homes/${h.id}`);
    open();
    await again();
    did(`${h.nickname} taken out`, () => void ask('POST', `/classes/${id}/homes/${h.id}/restore`).then(again));
  };
  const drop = async () => {
    await ask('DELETE', `/classes/${id}`);
    await navigate('/classes');
    const all = () => client.invalidateQueries();
    await all();
    did(`Class ${c.name} deleted`, () => void ask('POST', `/classes/${id}/restore`).then(all));
  };
  return (
    <>
      <Head
        title={`Class ${c.name}`}
        small={`${c.school} · ${list.length === 1 ? 'one home' : `${list.length} homes`} · ${c.zone}`}
        aside={
          <>
            <Link className="btn btn-outline-primary" to={`/classes/${id}/codes`}>
              Codes to print
            </Link>
            <button type="button" className="btn btn-outline-primary" aria-expanded={settings} onClick={() => setSettings(!settings)}>
              Settings
            </button>
          </>
        }
      />
      <div className={sheet ? 'with-sheet' : ''}>
        <main className="work">
          {settings && (
            <section className="card-paper" aria-label="Settings">
              <ClassForm key={c.version} now={c} onSaved={() => { setSettings(false); void again(); }} onCancel={() => setSettings(false)} />
            </section>
          )}
          {(!c.emergency_number || !c.poison_number) && !settings && (
            <p className="notice">
              A number is missing: without the emergency and poison-advice numbers nothing can be issued.{' '}
              <button type="button" className="btn-plain" onClick={() => setSettings(true)}>
                Set it
              </button>
            </p>
          )}
          <p className="lead-sentence">
            {list.length === 0 ? 'The class has no homes yet. Paste their nicknames, one a line; letters are made for you.' : `${opened} of ${list.length} ${homesHave(list.length)} opened ${list.length === 1 ? 'its' : 'their'} link.`}
          </p>
          <RosterPaste classId={id} open={list.length === 0} onAdded={(n) => { void again(); did(n === 1 ? 'One home added' : `${n} homes added`); }} onOne={() => open('new')} />
          {list.length > 0 && (
            <div className="scroll">
              <table className="grid">
                <thead>
                  <tr>
                    <th scope="col"><span className="visually-hidden">letters</span></th>
                    <th scope="col">home</th>
                    <th scope="col">students</th>
                    <th scope="col">language</th>
                    <th scope="col">guardian’s phone</th>
                    <th scope="col">link opened</th>
                  </tr>
                </thead>
                <tbody>
                  {list.map((h) => (
                    <tr key={h.id} className={h.id === sheet ? 'chosen' : ''}>
                      <td>{h.letters}</td>
                      <th scope="row">
                        <button type="button" className="btn-plain" style={{ fontWeight: 700 }} onClick={() => open(h.id)}>
                          <bdi>{h.nickname}</bdi>
                        </button>
                      </th>
                      <td>{h.students?.join(', ')}</td>
                      <td>{h.language === 'es' ? 'Español' : 'English'}</td>
                      <td>{h.phone}</td>
                      <td>{h.opened_at ? time(h.opened_at, c.zone) : <span className="cell-missing">not yet</span>}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )}
          <WasDone of={`/classes/${id}`} zone={c.zone} names={new Map(list.map((h) => [h.id, h.nickname]))} />
          <TakeAlong c={c} onDelete={drop} />
          <p className="hint small" style={{ marginTop: 12 }}>
            No surnames and no photos of homes are asked. You see this page; other families never do.
          </p>
        </main>
        {sheet && (
          <SideSheet title={chosen ? <NameLabel name={chosen.nickname} /> : 'New home'} onClose={() => open()}>
            <HomeSheet key={chosen?.id ?? 'new'} classId={id} zone={c.zone} home={chosen} onSaved={(h) => { void again(); open(h.id); }} onRemove={remove} onErased={() => { open(); void again(); }} />
          </SideSheet>
        )}
      </div>
    </>
  );
}
