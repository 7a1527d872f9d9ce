import { useState } from 'react';
import { got, api } from '../../api/client';
import { Remove, useEditing, WordsField } from '../draft/fields';
import { FileButton } from '../parts/FileButton';
import { ProblemLine } from '../parts/states';
import { say } from '../words';

/** Brings a picture to an experiment and gives the name by which a step names it. */
export async function bring(experiment: string, file: Blob): Promise<string> {
  const kept = await got(
    api.POST('/api/v1/experiments/{experiment}/pictures', {
      params: { path: { experiment } },
      body: file as unknown as string,
      bodySerializer: (b) => b,
      headers: { 'Content-Type': file.type || 'application/octet-stream' },
    }),
  );
  return kept.id;
}

/** How a step looks when it is done right, and what it shows for those who do not see it. */
export function PictureField({ at }: { at: number }) {
  const { doc, set, experiment } = useEditing();
  const [error, setError] = useState<unknown>();
  const picture = doc.steps![at].picture;
  const path = ['steps', at, 'picture'];
  const take = (file: File) =>
    bring(experiment, file).then(
      (id) => {
        setError(undefined);
        set(path, { ...picture, id });
      },
      (problem: unknown) => setError(problem),
    );
  return (
    <section aria-label={say('pictureField.picture')} className="mb-2">
      <ProblemLine error={error} />
      {picture && (
        <>
          <img
            className="framed thumbnail"
            src={`/api/v1/experiments/${experiment}/pictures/${picture.id}`}
            alt={say('pictureField.picture')}
          />
          <WordsField
            label={say('pictureField.what-it-shows')}
            path={[...path, 'alt']}
            value={picture.alt}
          />
        </>
      )}
      <FileButton
        words={picture ? say('pictureField.another') : say('pictureField.add')}
        accept="image/*"
        onFile={(file) => void take(file)}
      />{' '}
      {picture && (
        <Remove
          what={say('pictureField.picture')}
          onRemove={() => set(path, undefined, say('pictureField.took-out'))}
        />
      )}
    </section>
  );
}
