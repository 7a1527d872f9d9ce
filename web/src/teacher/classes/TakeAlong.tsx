import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import type { Schemas } from '../../api/client';
import { longDay } from '../frame/parts';
import { say } from '../words';

/** A class leaves: as a file, or off the list. */
export function TakeAlong({
  c,
  onDelete,
}: {
  c: Schemas['ClassView'];
  onDelete: () => Promise<void>;
}) {
  const [asking, setAsking] = useState(false);
  return (
    <div className="band mt-4">
      <h2>{say('takeAlong.take-along-or-let-go')}</h2>
      <p className="small">
        {say('takeAlong.kept-until-then-everything-of-the', { longDay: longDay(c.keep_until) })}
      </p>
      <a className="btn btn-outline-primary" href={`/api/v1/classes/${c.id}/archive.zip`} download>
        {say('takeAlong.take-along-as-a-file', { name: c.name })}
      </a>{' '}
      <button type="button" className="btn btn-plain" onClick={() => setAsking(true)}>
        {say('takeAlong.delete-the-class')}
      </button>
      <Modal show={asking} onHide={() => setAsking(false)} aria-labelledby="delete-title">
        <Modal.Body>
          <h2 id="delete-title">{say('takeAlong.delete-class', { name: c.name })}</h2>
          <p>
            {say('takeAlong.the-links-of-its-open-nothing', {
              value: say('count.homes', { count: c.homes }),
            })}
          </p>
          <button type="button" className="btn btn-primary" onClick={() => void onDelete()}>
            {say('takeAlong.delete', { name: c.name })}
          </button>{' '}
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => setAsking(false)}
          >
            {say('homeSheet.keep-it')}
          </button>
        </Modal.Body>
      </Modal>
    </div>
  );
}
