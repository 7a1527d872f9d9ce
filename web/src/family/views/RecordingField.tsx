import { useEffect, useEffectEvent, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { LocalEntry } from '../phone/db';
import { useWords } from '../words';
import type { WorkProps } from '../phone/work';
import type { EvidenceProps } from './EvidenceField';

/** A clip or a sound from the phone's own recorder or a file: kept on the phone, sent before its entry. */
export function RecordingField({
  kind,
  state,
  sheet,
  book,
  step,
  evidence,
}: EvidenceProps & { kind: 'clip' | 'sound' }) {
  const t = useWords();
  const taken = book.recordings(evidence.id);
  const last = taken.at(-1);
  const refused = state.queue.filter((w) => w.type === 'recording' && w.problem);
  const take = async (file: File | undefined) => {
    if (!file) return;
    const id = await state.addMedia(sheet.assignment, file, 'recording');
    await state.add(sheet.assignment, {
      kind: 'recording',
      step,
      evidence: evidence.id,
      choice: [kind],
      refers: id,
    });
  };
  return (
    <>
      <p className="second">{t(kind === 'clip' ? 'clipAtMost' : 'soundAtMost')}</p>
      {last && <Player key={last.id} state={state} of={last} name={evidence.name} />}
      {refused.map((w) => (
        <p key={w.seq} className="doubt" role="alert">
          {w.problem!.detail}{' '}
          <Button variant="plain" onClick={() => void state.drop(w)}>
            {t('leaveOut')}
          </Button>
        </p>
      ))}
      <label className="btn btn-outline-primary w-100">
        {t(taken.length > 0 ? `another.${kind}` : `take.${kind}`)}
        <input
          type="file"
          accept={kind === 'clip' ? 'video/*' : 'audio/*'}
          capture={kind === 'clip' ? 'environment' : undefined}
          className="visually-hidden"
          data-testid="recording-input"
          onChange={(e) => {
            void take(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
      </label>
    </>
  );
}

/** The clip or sound that counts: from this phone while it is there, else from the server. */
function Player({ state, of, name }: { state: WorkProps['state']; of: LocalEntry; name: string }) {
  const t = useWords();
  const [local, setLocal] = useState<string>();
  const kept = useEffectEvent((id: string) => state.photo(id));
  const id = of.entry.refers!;
  useEffect(() => {
    let url: string | undefined;
    void kept(id).then((blob) => {
      if (blob) setLocal((url = URL.createObjectURL(blob)));
    });
    return () => {
      if (url) URL.revokeObjectURL(url);
    };
  }, [id]);
  const sound = of.entry.choice?.[0] === 'sound';
  const Media = sound ? 'audio' : 'video';
  return (
    <figure className="recording">
      <Media
        src={local ?? `/api/v1/home/${state.home}/recordings/${id}`}
        controls
        playsInline={!sound || undefined}
        preload="metadata"
        aria-label={t('recordingOf', { name })}
        className="w-100"
      />
      <figcaption className="second fine">
        {t(of.answer ? 'recordingSent' : 'recordingKept')}
      </figcaption>
    </figure>
  );
}
