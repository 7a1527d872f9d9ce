import { useState } from 'react';
import { ask, type Schemas } from '../../api/client';
import { ProblemLine } from '../frame/parts';
import { say } from '../words';

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
          {say('rosterPaste.add-a-home')}
        </button>{' '}
        <button type="button" className="btn btn-outline-primary" onClick={() => setShow(true)}>
          {say('rosterPaste.paste-or-csv')}
        </button>
      </p>
    );
  }
  return (
    <section className="card-paper" aria-label={say('rosterPaste.paste-or-csv')}>
      <label className="named" htmlFor="roster">
        {say('rosterPaste.nicknames-one-a-line-or-csv')}
      </label>
      <textarea id="roster" className="form-control" rows={6} placeholder={say('rosterPaste.fern-beck-cairn-es')} value={text} onChange={(e) => { setText(e.target.value); setLines(undefined); }} />
      <p style={{ margin: '8px 0' }}>
        <button type="button" className="btn btn-outline-primary" onClick={() => void read(text)}>
          {say('rosterPaste.read-it')}
        </button>{' '}
        <label className="btn btn-outline-primary">
          {say('rosterPaste.choose-a-file')}
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
          {say('rosterPaste.or-add-one-by-hand')}
        </button>
      </p>
      {lines && (
        <>
          <p role="status">
            {say('rosterPaste.of-lines-can-be-taken', { value: lines.length - bad.length, n: lines.length })}
          </p>
          <ul className="plain-list">
            {bad.map((l) => (
              <li key={l.line} className="notice">
                {say('rosterPaste.line', { line: l.line, text: l.text, problem: l.problem })}
              </li>
            ))}
          </ul>
          <button type="button" className="btn btn-primary" aria-disabled={bad.length > 0 || lines.length === 0} onClick={() => bad.length === 0 && lines.length > 0 && void add()}>
            {say('rosterPaste.add', { value: say('count.homes', { count: lines.length }) })}
          </button>
          {bad.length > 0 && <span className="second">{' '}{say('rosterPaste.mend-the-lines-above-first-nothing')}</span>}
        </>
      )}
      <ProblemLine error={error} />
    </section>
  );
}
