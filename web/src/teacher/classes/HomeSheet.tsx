import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { useForm, type UseFormRegister } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { Labelled } from '../parts/Labelled';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { useKeeping } from '../frame/keeping';
import { ProblemLine } from '../parts/states';
import { Moving } from './Moving';
import { WasDone } from './WasDone';
import { languageChoices } from '../languages';
import { Said, say } from '../words';

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
  note: string;
}

const fieldsOf = (home?: HomeView): Fields => ({
  nickname: home?.nickname ?? '',
  letters: home?.letters ?? '',
  language: home?.language ?? '',
  phone: home?.phone ?? '',
  contact: home?.contact ?? '',
  students: home?.students?.join(', ') ?? '',
  note: home?.note ?? '',
});

/** One home: what is asked of it, its way in, and how to let it go. */
export function HomeSheet({ classId, zone, home, onSaved, onRemove, onErased }: Props) {
  const { register, handleSubmit } = useForm<Fields>({
    values: fieldsOf(home), // what another window changes arrives, beside what is typed here
    resetOptions: { keepDirtyValues: true },
  });
  const [error, setError] = useState<unknown>();
  const submit = handleSubmit(async (f) => {
    setError(undefined);
    const body = {
      nickname: f.nickname,
      letters: f.letters || undefined,
      language: f.language || undefined,
      phone: f.phone,
      contact: f.contact,
      note: f.note,
      students: f.students
        .split(',')
        .map((s) => s.trim())
        .filter(Boolean),
    };
    try {
      onSaved(
        home
          ? await got(
              api.PUT('/api/v1/classes/{class}/homes/{home}', {
                params: {
                  path: { class: classId, home: home.id },
                  header: { 'If-Match': String(home.version) },
                },
                body,
              }),
            )
          : await got(
              api.POST('/api/v1/classes/{class}/homes', {
                params: { path: { class: classId } },
                body,
              }),
            ),
      );
    } catch (e) {
      setError(e);
    }
  });
  return (
    <>
      <form onSubmit={(e) => void submit(e)}>
        <HomeFields register={register} />
        <ProblemLine error={error} />
        <Button type="submit" className="mt-3">
          {home ? say('classForm.save') : say('homeSheet.add-the-home')}
        </Button>
      </form>
      {home && <Way classId={classId} home={home} />}
      {home && <Moving classId={classId} home={home} onMoved={onErased} />}
      {home && <WasDone of={classId} home={home.id} zone={zone} />}
      {home && <LettingGo classId={classId} home={home} onRemove={onRemove} onErased={onErased} />}
    </>
  );
}

/** What is asked of a home: as little as can be. */
function HomeFields({ register }: { register: UseFormRegister<Fields> }) {
  return (
    <>
      <label className="named" htmlFor="nickname">
        {say('homeSheet.nickname')}
      </label>
      <FormControl id="nickname" {...register('nickname')} />
      <div className="field-row mt-2">
        <Labelled id="letters" words={say('homeSheet.two-letters')}>
          <FormControl
            id="letters"
            maxLength={2}
            placeholder={say('homeSheet.made-for-you')}
            {...register('letters')}
          />
        </Labelled>
        <Labelled id="home-language" words={say('homeSheet.language')}>
          <FormSelect id="home-language" {...register('language')}>
            <option value="">{say('homeSheet.the-classs')}</option>
            {languageChoices.map(([code, name]) => (
              <option key={code} value={code}>
                {name}
              </option>
            ))}
          </FormSelect>
        </Labelled>
      </div>
      <label className="named" htmlFor="students">
        {say('homeSheet.students-by-nickname-with-commas')}
      </label>
      <FormControl id="students" {...register('students')} />
      <label className="named mt-2" htmlFor="phone">
        {say('homeSheet.guardians-phone-for-emergencies')}
      </label>
      <FormControl id="phone" inputMode="tel" {...register('phone')} />
      <label className="named mt-2" htmlFor="contact">
        {say('homeSheet.reach-if-they-like')}
      </label>
      <FormControl id="contact" placeholder={say('homeSheet.link-only')} {...register('contact')} />
      <label className="named mt-2" htmlFor="note">
        {say('homeSheet.note')}
      </label>
      <FormControl id="note" as="textarea" rows={2} maxLength={600} {...register('note')} />
    </>
  );
}

/** Takes a home out, which can be undone, or erases it, which cannot. */
function LettingGo({
  classId,
  home,
  onRemove,
  onErased,
}: Pick<Props, 'classId' | 'onRemove' | 'onErased'> & { home: HomeView }) {
  const [erasing, setErasing] = useState(false);
  return (
    <>
      <div className="band mt-3">
        <Button variant="outline-primary" onClick={() => void onRemove(home)}>
          {say('homeSheet.take-out', { nickname: home.nickname })}
        </Button>{' '}
        <Button variant="plain" onClick={() => setErasing(true)}>
          {say('homeSheet.erase-for-good')}
        </Button>
      </div>
      <Modal show={erasing} onHide={() => setErasing(false)} aria-labelledby="erase-title">
        <Modal.Body>
          <h2 id="erase-title">{say('homeSheet.erase-for-good-2', { nickname: home.nickname })}</h2>
          <p>{say('homeSheet.names-words-measurements-and-photos-are')}</p>
          <Button
            onClick={() =>
              void got(
                api.POST('/api/v1/classes/{class}/homes/{home}/erase', {
                  params: { path: { class: classId, home: home.id } },
                }),
              ).then(() => {
                setErasing(false);
                onErased();
              })
            }
          >
            {say('homeSheet.erase', { nickname: home.nickname })}
          </Button>{' '}
          <Button variant="outline-primary" onClick={() => setErasing(false)}>
            {say('homeSheet.keep-it')}
          </Button>
        </Modal.Body>
      </Modal>
    </>
  );
}

/** The home's link, code and square, shown and renewed. */
function Way({ classId, home }: { classId: string; home: HomeView }) {
  const client = useQueryClient();
  const { did } = useKeeping();
  const invitations = useQuery({
    queryKey: ['invitations', classId],
    queryFn: () =>
      got(api.GET('/api/v1/classes/{class}/invitations', { params: { path: { class: classId } } })),
  });
  const mine = invitations.data?.items.find((i) => i.home === home.id);
  if (!mine) return null;
  const renew = async () => {
    await got(
      api.POST('/api/v1/classes/{class}/homes/{home}/link', {
        params: { path: { class: classId, home: home.id } },
      }),
    );
    await client.invalidateQueries({ queryKey: ['invitations', classId] });
    did(say('homeSheet.new-link-and-code-for-the', { nickname: home.nickname }));
  };
  return (
    <div className="band mt-3">
      <h3>{say('homeSheet.way-in')}</h3>
      {mine.lost ? (
        <Notice>{say('homeSheet.this-homes-link-was-made-with')}</Notice>
      ) : (
        <>
          <p className="m-0">
            <Said
              of={say('homeSheet.code', { code: mine.code })}
              with={[<strong key="0" className="spelled" />]}
            />
          </p>
          <p className="small text-break my-1">
            <a href={mine.link} target="_blank" rel="noreferrer">
              {mine.link}
            </a>
          </p>
          <Button
            variant="outline-primary"
            onClick={() =>
              void navigator.clipboard
                .writeText(mine.link)
                .then(() => did(say('homeSheet.link-copied')))
            }
          >
            {say('homeSheet.copy-the-link')}
          </Button>{' '}
        </>
      )}
      <Button variant="outline-primary" onClick={() => void renew()}>
        {say('homeSheet.new-link-and-code')}
      </Button>
    </div>
  );
}
