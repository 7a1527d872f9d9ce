import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { api, got, type Schemas } from '../../api/client';
import { day } from '../parts/dates';
import { ProblemLine } from '../parts/states';
import { ownLanguage } from '../languages';
import { Said, say } from '../words';
import { NewDue } from './NewDue';
import { WriteToHomes } from './WriteToHomes';

/** One issuing, with what can still be done about it. */
export function IssuedLine({ a }: { a: Schemas['AssignmentView'] }) {
  const [recalling, setRecalling] = useState(false);
  const [moving, setMoving] = useState(false);
  const [reason, setReason] = useState('');
  const [error, setError] = useState<unknown>();
  const client = useQueryClient();
  const recall = async () => {
    setError(undefined);
    try {
      await got(
        api.POST('/api/v1/classes/{class}/assignments/{assignment}/recall', {
          params: { path: { class: a.class, assignment: a.id } },
          body: { reason },
        }),
      );
      setRecalling(false);
      await client.invalidateQueries();
    } catch (e) {
      setError(e);
    }
  };
  const link = `?assignment=${a.id}&class=${a.class}`;
  return (
    <div className="card-paper">
      <p className="m-0">
        <Said
          of={say('issue.version-issued-of-sent-run-compare', {
            classname: a.class_name,
            number: a.number,
            day: day(a.issued_at),
            value:
              a.state === 'recalled'
                ? say('issue.taken-back', { day: day(a.recalled_at!) })
                : a.state === 'waiting'
                  ? say('issue.opens-2', { day: day(a.opens_at) })
                  : say('issue.due-2', { day: day(a.due_at) }),
            sent: a.sent,
            homes: a.homes,
          })}
          with={[
            <strong key="0" />,
            <Link key="1" to={`/experiments/${a.experiment}/run${link}`} />,
            <Link key="2" to={`/experiments/${a.experiment}/compare${link}`} />,
          ]}
        />{' '}
        {a.state !== 'recalled' && (
          <a
            href={`/print/classes/${a.class}/assignments/${a.id}/packs?language=${ownLanguage()}`}
            target="_blank"
            rel="noreferrer"
          >
            {say('issue.print-all-packs')}
          </a>
        )}{' '}
        {a.state !== 'recalled' && (
          <a
            href={`/api/v1/classes/${a.class}/assignments/${a.id}/calendar.ics?language=${ownLanguage()}`}
            download
          >
            {say('issue.calendar-file')}
          </a>
        )}{' '}
        {a.state !== 'recalled' && !moving && (
          <Button variant="plain" onClick={() => setMoving(true)}>
            {say('issue.new-end')}
          </Button>
        )}{' '}
        {a.state !== 'recalled' && !recalling && (
          <Button variant="plain" onClick={() => setRecalling(true)}>
            {say('issue.take-back-from-all-homes')}
          </Button>
        )}
      </p>
      {a.state !== 'recalled' && <WriteToHomes a={a} />}
      {moving && <NewDue a={a} onDone={() => setMoving(false)} />}
      {recalling && (
        <div className="mt-2">
          <label className="named" htmlFor={`reason-${a.id}`}>
            {say('issue.what-families-should-read-why-and')}
          </label>
          <FormControl
            id={`reason-${a.id}`}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            placeholder={say('issue.the-dishes-tip-over-please-pour')}
            maxLength={300}
          />
          <ProblemLine error={error} />
          <p className="mt-2 mb-0">
            <Button onClick={() => void recall()}>{say('issue.take-it-back-now')}</Button>{' '}
            <Button variant="outline-primary" onClick={() => setRecalling(false)}>
              {say('findingCard.leave-it')}
            </Button>
          </p>
        </div>
      )}
    </div>
  );
}
