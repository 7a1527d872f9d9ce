import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { FileButton } from '../parts/FileButton';
import { api, got, type Schemas } from '../../api/client';
import { ProblemLine } from '../parts/states';
import { say } from '../words';
import { RosterPreview } from './RosterPreview';

type List = Schemas['RosterView'];

/** Homes from a pasted list or a school's file, read and shown before anything is added. */
export function RosterPaste({
  classId,
  open,
  onAdded,
  onOne,
}: {
  classId: string;
  open: boolean;
  onAdded: (n: number) => void;
  onOne: () => void;
}) {
  const [show, setShow] = useState(open);
  const [text, setText] = useState('');
  const [list, setList] = useState<List>();
  const [error, setError] = useState<unknown>();
  const post = (body: object) =>
    got(api.POST('/api/v1/classes/{class}/roster', { params: { path: { class: classId } }, body }));
  const read = async (from: { text?: string; file?: string }, mapping?: string[]) => {
    setError(undefined);
    try {
      const now = await post({ ...from, mapping, try: true });
      if (now.text !== undefined) setText(now.text); // a file's words can be mended here
      setList(now);
    } catch (e) {
      setError(e);
    }
  };
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    const bytes = btoa(
      Array.from(new Uint8Array(await chosen.arrayBuffer()), (b) => String.fromCharCode(b)).join(
        '',
      ),
    );
    await read({ file: bytes });
  };
  const add = async () => {
    setError(undefined);
    try {
      const added = await post({ text, mapping: list!.columns.map((c) => c.field) });
      setText('');
      setList(undefined);
      setShow(false);
      onAdded(added.items.length);
    } catch (e) {
      setError(e);
    }
  };
  if (!show) {
    return (
      <p>
        <Button variant="outline-primary" onClick={onOne}>
          {say('rosterPaste.add-a-home')}
        </Button>{' '}
        <Button variant="outline-primary" onClick={() => setShow(true)}>
          {say('rosterPaste.paste-or-csv')}
        </Button>
      </p>
    );
  }
  return (
    <section className="card-paper" aria-label={say('rosterPaste.paste-or-csv')}>
      <label className="named" htmlFor="roster">
        {say('rosterPaste.nicknames-one-a-line-or-csv')}
      </label>
      <FormControl
        id="roster"
        as="textarea"
        rows={6}
        placeholder={say('rosterPaste.fern-beck-cairn-es')}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setList(undefined);
        }}
      />
      <p className="my-2">
        <Button variant="outline-primary" onClick={() => void read({ text })}>
          {say('rosterPaste.read-it')}
        </Button>{' '}
        <FileButton
          words={say('rosterPaste.choose-a-file')}
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          onFile={(file) => void choose(file)}
        />{' '}
        <Button variant="plain" onClick={onOne}>
          {say('rosterPaste.or-add-one-by-hand')}
        </Button>
      </p>
      {list && (
        <RosterPreview
          list={list}
          onMapping={(mapping) => void read({ text }, mapping)}
          onAdd={() => void add()}
        />
      )}
      <ProblemLine error={error} />
    </section>
  );
}
