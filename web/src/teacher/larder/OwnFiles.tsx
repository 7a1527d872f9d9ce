import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, type Schemas } from '../../api/client';
import { ProblemLine } from '../frame/parts';

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
      const { count: n } = await ask<{ count: number }>('POST', '/larder/own', { body: { file: await file.text() } });
      setSaid(`${n === 1 ? 'One entry was' : `${n} entries were`} taken in.`);
      await client.invalidateQueries();
    } catch (error) {
      setProblem(error);
    }
  };
  const takeOut = async ({ kind, id }: Schemas['OwnProblem']) => {
    setProblem(undefined);
    try {
      await ask('DELETE', kind === 'swap' ? `/larder/own-swaps/${id}` : `/larder/own/${id}`);
      await client.invalidateQueries();
    } catch (error) {
      setProblem(error);
    }
  };
  return (
    <section aria-label="Your school’s own things" style={{ marginTop: 16 }}>
      <p className="second">
        {count === 0 ? 'Your school has added nothing yet.' : count === 1 ? 'One entry was added by your school.' : `${count} entries were added by your school.`}{' '}
        {count > 0 && (
          <>
            Save them as <a href="/api/v1/larder/own.json" download>one file (JSON)</a>, or as tables: <a href="/api/v1/larder/own.csv" download>things (CSV)</a> and <a href="/api/v1/larder/own-swaps.csv" download>swaps (CSV)</a>.{' '}
          </>
        )}
        <label htmlFor="own-file">Take entries in from a file:</label> <input id="own-file" type="file" accept=".json,.csv,application/json,text/csv" onChange={(e) => void take(e.target.files?.[0])} />
      </p>
      {left && (
        <p role="alert">
          <strong>Your own entries are left out for now.</strong> {left.id} does not fit this larder any more: {left.words}. Take in a file with it mended, or{' '}
          <button type="button" className="btn-plain" onClick={() => void takeOut(left)}>
            take {left.id} out
          </button>
          .
        </p>
      )}
      <p role="status">{said}</p>
      <ProblemLine error={problem} />
    </section>
  );
}
