import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { useForm } from 'react-hook-form';
import { ask, type Schemas } from '../../api/client';
import { useKeeping } from '../frame/keeping';
import { ProblemLine } from '../frame/parts';
import { WasDone } from './WasDone';

type HomeView = Schemas['HomeView'];

interface Props {
  classId: string;
  zone: string;
  home?: HomeView;
  onSaved: (h: HomeView) => void;
  onRemove: (h: HomeView) => Promise<void>;
  onErased: () => void;
}

interface Fields {
  nickname: string;
  letters: string;
  language: string;
  phone: string;
  contact: string;
  students: string;
}

/** One home: what is asked of it, its way in, and how to let it go. */
export function HomeSheet({ classId, zone, home, onSaved, onRemove, onErased }: Props) {
  const { register, handleSubmit } = useForm<Fields>({ defaultValues: { nickname: home?.nickname ?? '', letters: home?.letters ?? '', language: home?.language ?? '', phone: home?.phone ?? '', contact: home?.contact ?? '', students: home?.students?.join(', ') ?? '' } });
  const [error, setError] = useState<unknown>();
  const [erasing, setErasing] = useState(false);
  const submit = handleSubmit(async (f) => {
    setError(undefined);
    const body = { nickname: f.nickname, letters: f.letters || undefined, language: f.language || undefined, phone: f.phone, contact: f.contact, students: f.students.split(',').map((s) => s.trim()).filter(Boolean) };
    try {
      onSaved(home ? await ask<HomeView>('PUT', `/classes/${classId}/homes/${home.id}`, { body, version: home.version }) : await ask<HomeView>('POST', `/classes/${classId}/homes`, { body }));
    } catch (e) {
      setError(e);
    }
  });
  return (
    <>
      <form onSubmit={(e) => void submit(e)}>
        <label className="named" htmlFor="nickname">Nickname</label>
        <input id="nickname" className="form-control" {...register('nickname')} />
        <div className="field-row" style={{ marginTop: 8 }}>
          <div>
            <label className="named" htmlFor="letters">Two letters</label>
            <input id="letters" className="form-control" maxLength={2} placeholder="made for you" {...register('letters')} />
          </div>
          <div>
            <label className="named" htmlFor="home-language">Language</label>
            <select id="home-language" className="form-select" {...register('language')}>
              <option value="">the class’s</option>
              <option value="en">English</option>
              <option value="es">Español</option>
            </select>
          </div>
        </div>
        <label className="named" htmlFor="students">Students, by nickname, with commas</label>
        <input id="students" className="form-control" {...register('students')} />
        <label className="named" htmlFor="phone" style={{ marginTop: 8 }}>Guardian’s phone, for emergencies</label>
        <input id="phone" className="form-control" inputMode="tel" {...register('phone')} />
        <label className="named" htmlFor="contact" style={{ marginTop: 8 }}>Reach, if they like</label>
        <input id="contact" className="form-control" placeholder="link only" {...register('contact')} />
        <ProblemLine error={error} />
        <button type="submit" className="btn btn-primary" style={{ marginTop: 12 }}>
          {home ? 'Save' : 'Add the home'}
        </button>
      </form>
      {home && <Way classId={classId} home={home} />}
      {home && <WasDone of={`/classes/${classId}/homes/${home.id}`} zone={zone} />}
      {home && (
        <div className="band" style={{ marginTop: 12 }}>
          <button type="button" className="btn btn-outline-primary" onClick={() => void onRemove(home)}>
            Take {home.nickname} out
          </button>{' '}
          <button type="button" className="btn btn-plain" onClick={() => setErasing(true)}>
            Erase for good
          </button>
        </div>
      )}
      {home && (
        <Modal show={erasing} onHide={() => setErasing(false)} aria-labelledby="erase-title">
          <Modal.Body>
            <h2 id="erase-title">Erase {home.nickname} for good?</h2>
            <p>Names, words, measurements and photos are removed and cannot be brought back. Results will say that one home was removed.</p>
            <button
              type="button"
              className="btn btn-primary"
              onClick={() =>
                void ask('POST', `/classes/${classId}/homes/${home.id}/erase`).then(() => {
                  setErasing(false);
                  onErased();
                })
              }
            >
              Erase {home.nickname}
            </button>{' '}
            <button type="button" className="btn btn-outline-primary" onClick={() => setErasing(false)}>
              Keep it
            </button>
          </Modal.Body>
        </Modal>
      )}
    </>
  );
}

/** The home's link, code and square, shown and renewed. */
function Way({ classId, home }: { classId: string; home: HomeView }) {
  const client = useQueryClient();
  const { did } = useKeeping();
  const invitations = useQuery({ queryKey: ['invitations', classId], queryFn: () => ask<Schemas['ListInvitation']>('GET', `/classes/${classId}/invitations`) });
  const mine = invitations.data?.items.find((i) => i.home === home.id);
  if (!mine) return null;
  const renew = async () => {
    await ask('POST', `/classes/${classId}/homes/${home.id}/link`);
    await client.invalidateQueries({ queryKey: ['invitations', classId] });
    did(`New link and code for ${home.nickname}; the old ones no longer open`);
  };
  return (
    <div className="band" style={{ marginTop: 12 }}>
      <h3>Way in</h3>
      {mine.lost ? (
        <p className="notice">This home’s link was made with a secret that the server has no more. Nothing opens it until you give it a new one.</p>
      ) : (
        <>
      <p style={{ margin: 0 }}>
        Code <strong style={{ letterSpacing: '.06em' }}>{mine.code}</strong>
      </p>
      <p className="small" style={{ overflowWrap: 'anywhere', margin: '4px 0' }}>
        <a href={mine.link} target="_blank" rel="noreferrer">
          {mine.link}
        </a>
      </p>
          <button type="button" className="btn btn-outline-primary" onClick={() => void navigator.clipboard.writeText(mine.link).then(() => did('Link copied'))}>
            Copy the link
          </button>{' '}
        </>
      )}
      <button type="button" className="btn btn-outline-primary" onClick={() => void renew()}>
        New link and code
      </button>
    </div>
  );
}
