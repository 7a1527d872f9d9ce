import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { api, got, type Schemas } from '../../api/client';
import { ProblemLine } from '../parts/states';
import { Said, say } from '../words';

/** The school's own things as open files, out and in. */
export function OwnFiles({ count, left }: { count: number; left?: Schemas['OwnProblem'] }) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<unknown>();
  const [said, setSaid] = useState('');
  const take = async (file: File | undefined) => {
    if (!file) return;
    setProblem(undefined);
    setSaid('');
    try {
      const { count: n } = await got(
        api.POST('/api/v1/larder/own', { body: { file: await file.text() } }),
      );
      setSaid(
        say('ownFiles.taken-in', {
          value: n === 1 ? say('ownFiles.one-entry-was') : say('ownFiles.entries-were', { n }),
        }),
      );
      await client.invalidateQueries();
    } catch (error) {
      setProblem(error);
    }
  };
  const takeOut = async ({ kind, id }: Schemas['OwnProblem']) => {
    setProblem(undefined);
    try {
      await (kind === 'swap'
        ? api.DELETE('/api/v1/larder/own-swaps/{swap}', { params: { path: { swap: id } } })
        : api.DELETE('/api/v1/larder/own/{thing}', { params: { path: { thing: id } } }));
      await client.invalidateQueries();
    } catch (error) {
      setProblem(error);
    }
  };
  return (
    <section aria-label={say('ownFiles.your-schools-own-things')} className="mt-4">
      <p className="second">
        {count === 0
          ? say('ownFiles.your-school-has-added-nothing-yet')
          : say('ownFiles.entries-were-added-by-your-school', { count })}{' '}
        {count > 0 && (
          <>
            <Said of={say('ownFiles.save-them-as-one-file-json')} with={files} />{' '}
          </>
        )}
        <label htmlFor="own-file">{say('ownFiles.take-entries-in-from-a-file')}</label>{' '}
        <input
          id="own-file"
          type="file"
          accept=".json,.csv,application/json,text/csv"
          onChange={(e) => void take(e.target.files?.[0])}
        />
      </p>
      {left && (
        <p role="alert">
          <Said
            of={say('ownFiles.your-own-entries-are-left-out', { id: left.id, words: left.words })}
            with={[<strong key="0" />]}
          />{' '}
          <Button variant="plain" onClick={() => void takeOut(left)}>
            {say('ownFiles.take-out', { id: left.id })}
          </Button>
          .
        </p>
      )}
      <p role="status">{said}</p>
      <ProblemLine error={problem} />
    </section>
  );
}

/* eslint-disable jsx-a11y/anchor-has-content -- the sentence fills them */
const files = [
  <a key="json" href="/api/v1/larder/own.json" download />,
  <a key="things" href="/api/v1/larder/own.csv" download />,
  <a key="swaps" href="/api/v1/larder/own-swaps.csv" download />,
];
