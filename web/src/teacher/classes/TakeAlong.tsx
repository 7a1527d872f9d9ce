import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import type { Schemas } from '../../api/client';
import { longDay } from '../frame/parts';

/** A class leaves: as a file, or off the list. */
export function TakeAlong({ c, onDelete }: { c: Schemas['ClassView']; onDelete: () => Promise<void> }) {
  const [asking, setAsking] = useState(false);
  return (
    <div className="band" style={{ marginTop: 16 }}>
      <h2>Take along or let go</h2>
      <p className="small">
        Kept until {longDay(c.keep_until)}; then everything of the homes is erased by itself. The file holds settings, homes, and for each experiment its readings, every entry and the photos, in open formats.
      </p>
      <a className="btn btn-outline-primary" href={`/api/v1/classes/${c.id}/archive.zip`} download>
        Take {c.name} along as a file
      </a>{' '}
      <button type="button" className="btn btn-plain" onClick={() => setAsking(true)}>
        Delete the class
      </button>
      <Modal show={asking} onHide={() => setAsking(false)} aria-labelledby="delete-title">
        <Modal.Body>
          <h2 id="delete-title">Delete class {c.name}?</h2>
          <p>The links of its {c.homes === 1 ? 'home' : `${c.homes} homes`} open nothing any more. For thirty days you can bring it back from Classes; then it is erased for good.</p>
          <button type="button" className="btn btn-primary" onClick={() => void onDelete()}>
            Delete {c.name}
          </button>{' '}
          <button type="button" className="btn btn-outline-primary" onClick={() => setAsking(false)}>
            Keep it
          </button>
        </Modal.Body>
      </Modal>
    </div>
  );
}
