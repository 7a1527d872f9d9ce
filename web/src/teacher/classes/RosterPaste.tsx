import { useState } from 'react';
import { ask, type Schemas } from '../../api/client';
import { ProblemLine } from '../frame/parts';

type Lines = Schemas['ListRosterLine'];

/** Homes from a pasted list or a CSV file, read line by line before anything is added. */
export function RosterPaste({ classId, open, onAdded, onOne }: { classId: string; open: boolean; onAdded: (n: number) => void; onOne: () => void }) {
  const [show, setShow] = useState(open);
  const [text, setText] = useState('');
  const [lines, setLines] = useState<Lines['items']>();
  const [error, setError] = useState<unknown>();
  const read = async (t: string) => {
    setError(undefined);
    try {
      setLines((await ask<Lines>('POST', `/classes/${classId}/roster`, { body: { text: t, try: true } })).items);
    } catch (e) {
      setError(e);
    }
  };
  const add = async () => {
    setError(undefined);
    try {
      const added = await ask<Lines>('POST', `/classes/${classId}/roster`, { body: { text } });
      setText('');
      setLines(undefined);
      setShow(false);
      onAdded(added.items.length);
    } catch (e) {
      setError(e);
    }
  };
  const bad = lines?.filter((l) => l.problem) ?? [];
  if (!show) {
    return (
      <p>
        <button type="button" className="btn btn-outline-primary" onClick={onOne}>
          Add a home
        </button>{' '}
        <button type="button" className="btn btn-outline-primary" onClick={() => setShow(true)}>
          Paste or CSV
        </button>
      </p>
    );
  }
  return (
    <section className="card-paper" aria-label="Paste or CSV">
      <label className="named" htmlFor="roster">
        Nicknames, one a line; or CSV with nickname, language, contact, phone, students
      </label>
      <textarea id="roster" className="form-control" rows={6} placeholder={'Fern\nBeck\nCairn, es'} value={text} onChange={(e) => { setText(e.target.value); setLines(undefined); }} />
      <p style={{ margin: '8px 0' }}>
        <button type="button" className="btn btn-outline-primary" onClick={() => void read(text)}>
          Read it
        </button>{' '}
        <label className="btn btn-outline-primary">
          Choose a file
          <input
            type="file"
            accept=".csv,text/csv,text/plain"
            className="visually-hidden"
            onChange={(e) => {
              void e.target.files?.[0]?.text().then((t) => {
                setText(t);
                void read(t);
              });
            }}
          />
        </label>{' '}
        <button type="button" className="btn-plain" onClick={onOne}>
          or add one by hand
        </button>
      </p>
      {lines && (
        <>
          <p role="status">
            {lines.length - bad.length} of {lines.length} lines can be taken.
          </p>
          <ul className="plain-list">
            {bad.map((l) => (
              <li key={l.line} className="notice">
                Line {l.line}, “{l.text}”: {l.problem}
              </li>
            ))}
          </ul>
          <button type="button" className="btn btn-primary" aria-disabled={bad.length > 0 || lines.length === 0} onClick={() => bad.length === 0 && lines.length > 0 && void add()}>
            Add {lines.length === 1 ? 'one home' : `${lines.length} homes`}
          </button>
          {bad.length > 0 && <span className="second"> Mend the lines above first; nothing is added half.</span>}
        </>
      )}
      <ProblemLine error={error} />
    </section>
  );
}
