import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { DryRun as Told } from '../../ui/dryRun';
import { useRowKeys } from '../../ui/useRowKeys';
import { Grid } from '../parts/Grid';
import { ProblemLine } from '../parts/states';
import { useEditing } from '../draft/fields';
import { say } from '../words';
import { bring } from './PictureField';

type Picture = Extract<Told, { picture: Blob }>;

/** What a teacher did in the phone beside the work: how long each step took, and the photos of it. */
export function useDryRun() {
  const [took, setTook] = useState<Record<string, number>>({});
  const [pictures, setPictures] = useState<Picture[]>([]);
  const hear = useEffectEvent((e: MessageEvent<{ dryRun?: Told } | undefined>) => {
    const told = e.origin === location.origin ? e.data?.dryRun : undefined;
    if (!told) return;
    if ('picture' in told) setPictures((all) => [...all, told]);
    else setTook((all) => ({ ...all, [told.step]: told.seconds }));
  });
  useEffect(() => {
    const listen = (e: MessageEvent<{ dryRun?: Told } | undefined>) => hear(e);
    addEventListener('message', listen);
    return () => removeEventListener('message', listen);
  }, []);
  return {
    took,
    pictures,
    running: Object.keys(took).length + pictures.length > 0,
    anew: () => {
      setTook({});
      setPictures([]);
    },
  };
}

/** A length of time in whole minutes, as a design has it; less than one is one. */
const minutes = (seconds: number) => `${Math.max(1, Math.round(seconds / 60))} min`;

/** What a dry run found, step by step, to be taken into the design or not. */
export function DryRun({ took, pictures, running, anew }: ReturnType<typeof useDryRun>) {
  const { doc, set, language, experiment } = useEditing();
  const [error, setError] = useState<unknown>();
  const { keys } = useRowKeys(pictures.length);
  const steps = doc.steps ?? [];
  const name = (i: number) => `${i + 1} ${steps[i].title[language] ?? ''}`;
  const ran = steps.map((s, i) => ({ s, i })).filter(({ s }) => took[s.id] !== undefined);
  if (!running) return <p className="hint small mb-2">{say('dryRun.hint')}</p>;
  const use = (p: Picture) => {
    const i = steps.findIndex((s) => s.id === p.step);
    bring(experiment, p.picture).then(
      (id) => set(['steps', i, 'picture'], { ...steps[i].picture, id }, say('dryRun.used')),
      (problem: unknown) => setError(problem),
    );
  };
  return (
    <section aria-label={say('dryRun.title')} className="mb-2">
      <h3>{say('dryRun.title')}</h3>
      <ProblemLine error={error} />
      {ran.length > 0 && (
        <Grid dense>
          <thead>
            <tr>
              <th scope="col">{say('dryRun.step')}</th>
              <th scope="col" className="num">
                {say('dryRun.planned')}
              </th>
              <th scope="col" className="num">
                {say('dryRun.took')}
              </th>
            </tr>
          </thead>
          <tbody>
            {ran.map(({ s, i }) => (
              <tr key={s.id}>
                <th scope="row">{name(i)}</th>
                <td className="num">{s.duration || '–'}</td>
                <td className="num">{minutes(took[s.id])}</td>
              </tr>
            ))}
          </tbody>
        </Grid>
      )}
      <p className="my-2">
        {ran.length > 0 && (
          <Button
            variant="outline-primary"
            onClick={() =>
              set(
                ['steps'],
                steps.map((s) =>
                  took[s.id] === undefined ? s : { ...s, duration: minutes(took[s.id]) },
                ),
                say('dryRun.took-over'),
              )
            }
          >
            {say('dryRun.all')}
          </Button>
        )}{' '}
        <Button variant="plain" onClick={anew}>
          {say('dryRun.anew')}
        </Button>
      </p>
      {pictures.map((p, k) => (
        <Taken
          key={keys[k]}
          picture={p}
          name={name(
            Math.max(
              0,
              steps.findIndex((s) => s.id === p.step),
            ),
          )}
          onUse={() => use(p)}
        />
      ))}
    </section>
  );
}

/** A photo of a dry run, and its way into the design. */
function Taken({ picture, name, onUse }: { picture: Picture; name: string; onUse: () => void }) {
  const url = useMemo(() => URL.createObjectURL(picture.picture), [picture]);
  useEffect(() => () => URL.revokeObjectURL(url), [url]);
  return (
    <figure className="m-0">
      <img className="framed thumbnail" src={url} alt={say('dryRun.use', { step: name })} />
      <figcaption>
        <Button variant="plain" onClick={onUse}>
          {say('dryRun.use', { step: name })}
        </Button>
      </figcaption>
    </figure>
  );
}
