import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import Button from 'react-bootstrap/Button';
import { ButtonLink } from '../parts/ButtonLink';
import type { Schemas } from '../../api/client';
import { longDay } from '../parts/dates';
import { say } from '../words';
import { CopyClass } from './CopyClass';

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
      <ButtonLink href={`/api/v1/classes/${c.id}/archive.zip`} download>
        {say('takeAlong.take-along-as-a-file', { name: c.name })}
      </ButtonLink>{' '}
      <CopyClass id={c.id} />{' '}
      <Button variant="plain" onClick={() => setAsking(true)}>
        {say('takeAlong.delete-the-class')}
      </Button>
      <Modal show={asking} onHide={() => setAsking(false)} aria-labelledby="delete-title">
        <Modal.Body>
          <h2 id="delete-title">{say('takeAlong.delete-class', { name: c.name })}</h2>
          <p>
            {say('takeAlong.the-links-of-its-open-nothing', {
              value: say('count.homes', { count: c.homes }),
            })}
          </p>
          <Button onClick={() => void onDelete()}>
            {say('takeAlong.delete', { name: c.name })}
          </Button>{' '}
          <Button variant="outline-primary" onClick={() => setAsking(false)}>
            {say('homeSheet.keep-it')}
          </Button>
        </Modal.Body>
      </Modal>
    </div>
  );
}
