import { useEffect, useEffectEvent, useState } from 'react';
import { prepare } from '../phone/photo';
import type { Sheet } from '../phone/useHome';
import { useWords } from '../words';
import type { WorkProps } from '../phone/work';

/** A photo from the camera or a file: scaled on the phone, kept there, sent before the entry that speaks of it. */
export function PhotoField({
  state,
  sheet,
  book,
  step,
  evidence,
}: WorkProps & { step: string; evidence: Sheet['evidence'][number] }) {
  const t = useWords();
  const pair = evidence.kind.endsWith('-pair'); // each of its steps has its own
  const photos = book.photos(evidence.id).filter((p) => !pair || p.entry.step === step);
  const refused = state.queue.filter((w) => w.type === 'photo' && w.problem);
  const take = async (file: File | undefined) => {
    if (!file) return;
    const id = await state.addMedia(sheet.assignment, await prepare(file), 'photo');
    await state.add(sheet.assignment, { kind: 'photo', step, evidence: evidence.id, refers: id });
  };
  return (
    <>
      <div className="d-flex gap-2 flex-wrap mb-2">
        {photos.map((p) => (
          <Thumbnail
            key={p.id}
            state={state}
            id={p.entry.refers!}
            sent={Boolean(p.answer)}
            alt={t('photoOf', { name: evidence.name })}
          />
        ))}
      </div>
      {refused.map((w) => (
        <p key={w.seq} className="doubt" role="alert">
          {w.problem!.detail}
        </p>
      ))}
      <label className="btn btn-outline-primary w-100">
        {photos.length > 0 ? t('anotherPhoto') : t('takePhoto')}
        <input
          type="file"
          accept="image/*"
          className="visually-hidden"
          data-testid="photo-input"
          onChange={(e) => {
            void take(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
      </label>
    </>
  );
}

export function Thumbnail({
  state,
  id,
  sent,
  alt,
}: {
  state: WorkProps['state'];
  id: string;
  sent: boolean;
  alt: string;
}) {
  const t = useWords();
  const [local, setLocal] = useState<string>();
  const photo = useEffectEvent((of: string) => state.photo(of));
  useEffect(() => {
    let url: string | undefined;
    void photo(id).then((blob) => {
      if (blob) setLocal((url = URL.createObjectURL(blob)));
    });
    return () => {
      if (url) URL.revokeObjectURL(url);
    };
  }, [id]);
  return (
    <figure className="thumbnail m-0">
      <img
        src={local ?? `/api/v1/home/${state.home}/photos/${id}/thumbnail`}
        alt={alt}
        className="framed w-100"
      />
      <figcaption className="second fine">{t(sent ? 'photoSent' : 'photoKept')}</figcaption>
    </figure>
  );
}
