import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { api, got, type Schemas } from '../../api/client';
import { Notice } from '../parts/Notice';
import { ProblemLine } from '../parts/states';
import { say } from '../words';

/** Works the plan of a class out anew, and says what would change before anything does. */
export function PlanAgain({
  experiment,
  of,
  onDone,
}: {
  experiment: string;
  of: string;
  onDone: () => void;
}) {
  const [would, setWould] = useState<Schemas['Replanned']>();
  const [error, setError] = useState<unknown>();
  const params = { path: { experiment }, query: { class: of } };
  const ask = async (act: () => Promise<void>) => {
    setError(undefined);
    try {
      await act();
    } catch (e) {
      setError(e);
    }
  };
  const look = () =>
    ask(async () =>
      setWould(await got(api.GET('/api/v1/experiments/{experiment}/kitchens/again', { params }))),
    );
  const plan = () =>
    ask(async () => {
      await got(api.POST('/api/v1/experiments/{experiment}/kitchens/again', { params }));
      setWould(undefined);
      onDone();
    });
  return (
    <>
      <Button variant="plain" onClick={() => void look()}>
        {say('planAgain.plan-again')}
      </Button>
      <ProblemLine error={error} />
      {would && (
        <Notice kind="note">
          {would.changes.length === 0 ? (
            <p className="m-0">{say('planAgain.nothing-would-change')}</p>
          ) : (
            <>
              <p className="m-0">
                {say('planAgain.now')} {would.was} <strong>{say('planAgain.then')}</strong>{' '}
                {would.now}
              </p>
              <ul className="m-0">
                {would.changes.map((c) => (
                  <li key={c.home}>
                    {c.home}: {c.was} → {c.now}
                  </li>
                ))}
              </ul>
              <Button size="sm" onClick={() => void plan()}>
                {say('planAgain.do-it')}
              </Button>{' '}
            </>
          )}
          <Button size="sm" variant="outline-primary" onClick={() => setWould(undefined)}>
            {say('planAgain.leave-it')}
          </Button>
        </Notice>
      )}
    </>
  );
}
