import { useState } from 'react';
import { Link } from 'react-router';
import Button from 'react-bootstrap/Button';
import { api, got, type Schemas } from '../../api/client';
import { Notice } from '../parts/Notice';
import { occasions } from '../parts/occasions';
import { ProblemLine } from '../parts/states';
import { say } from '../words';

/** Writes to the homes of an assignment, once on an occasion, and says who has no address. */
export function WriteToHomes({ a }: { a: Schemas['AssignmentView'] }) {
  const [written, setWritten] = useState<Schemas['Written']>();
  const [error, setError] = useState<unknown>();
  const write = async (kind: Schemas['MessageFields']['kind']) => {
    setError(undefined);
    try {
      setWritten(
        await got(
          api.POST('/api/v1/classes/{class}/messages', {
            params: { path: { class: a.class } },
            body: { kind, about: a.id },
          }),
        ),
      );
    } catch (e) {
      setError(e);
    }
  };
  return (
    <div className="mt-2">
      <span className="second">{say('messages.write-to-the-homes')}</span>{' '}
      {(['invitation', 'permission', 'get-ready', 'look-now', 'thanks'] as const).map((kind) => (
        <Button
          key={kind}
          size="sm"
          variant="outline-primary"
          className="me-1"
          onClick={() => void write(kind)}
        >
          {occasions[kind]}
        </Button>
      ))}{' '}
      <Link to={`/classes/${a.class}/messages`}>{say('messages.what-was-written')}</Link>
      <ProblemLine error={error} />
      {written && (
        <Notice kind="note">
          {say('messages.written-to', { count: written.homes })}{' '}
          {written.not_now > 0 && say('messages.not-now', { count: written.not_now })}{' '}
          {written.before > 0 && say('messages.before', { count: written.before })}{' '}
          {written.no_address.length > 0 &&
            say('messages.no-address', { homes: written.no_address.join(', ') })}
        </Notice>
      )}
    </div>
  );
}
