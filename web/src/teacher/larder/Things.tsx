import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Schemas } from '../../api/client';
import { Grid } from '../parts/Grid';
import { Notice } from '../parts/Notice';
import { Verdict, verdicts } from '../parts/Verdict';
import { otherLanguage } from '../languages';
import { say } from '../words';
import { useLarder } from './useLarder';

type Thing = Schemas['ThingRow'];

interface Props {
  larder: Schemas['LarderView'];
  /** What a search found; without one, the shelves. */
  result?: Schemas['LarderFound'];
  typed: string;
  job: string;
  chosen?: string;
  onChoose: (id: string) => void;
  onOwn: () => void;
}

/** The things: on their ledges, or as a search found them, the nearest first. */
export function Things({ larder, result, typed, job, chosen, onChoose, onOwn }: Props) {
  const of = (id: string) => larder.things.find((t) => t.id === id);
  const named = (ids: string[]) => ids.map(of).filter((t): t is Thing => !!t);
  const listed = (result ? named(result.things) : larder.things).filter(
    (t) => !job || t.jobs.includes(job),
  );
  const nearest = named(result?.nearest ?? []);
  return (
    <>
      {result?.asks.map((a) => (
        <Notice key={a.why} kind="note">
          {a.why}{' '}
          {a.choices.map((c) => (
            <Button key={c} variant="plain" className="me-2" onClick={() => onChoose(c)}>
              {of(c)?.name ?? c}
            </Button>
          ))}
        </Notice>
      ))}
      {listed.length === 0 && (
        <p>
          {say('larder.nothing-is-called-here', { typed })}{' '}
          {nearest.length > 0 && (
            <>
              {say('larder.nearest')}{' '}
              {nearest.map((t) => (
                <Button key={t.id} variant="plain" className="me-2" onClick={() => onChoose(t.id)}>
                  {t.name}
                </Button>
              ))}
            </>
          )}{' '}
          {say('larder.or')}{' '}
          <Button variant="plain" onClick={onOwn}>
            {say('larder.add-your-own-2')}
          </Button>
          .
        </p>
      )}
      {result || job ? (
        <Found things={listed} chosen={chosen} onChoose={onChoose} />
      ) : (
        <Ledges things={listed} chosen={chosen} onChoose={onChoose} />
      )}
    </>
  );
}

interface Listed {
  things: Thing[];
  chosen?: string;
  onChoose: (id: string) => void;
}

/** How many things of a shelf stand on its ledge before it is opened. */
const shown = 14;

/** One ledge a shelf; a jar has ink of its own only where it departs from the usual care. */
function Ledges({ things, chosen, onChoose }: Listed) {
  const { shelfName } = useLarder();
  const [open, setOpen] = useState<string[]>([]);
  const shelves = [...new Set(things.map((t) => t.shelf))];
  const ledges = shelves.map((shelf) => {
    const all = things.filter((t) => t.shelf === shelf);
    const whole =
      open.includes(shelf) ||
      all.length <= shown + 2 ||
      all.slice(shown).some((t) => t.id === chosen);
    return (
      <section key={shelf} aria-label={shelfName(shelf)} className="shelf">
        <h2>
          {shelfName(shelf)} <span className="second tabular">{all.length}</span>
        </h2>
        <ul className="ledge">
          {(whole ? all : all.slice(0, shown)).map((t) => (
            <li key={t.id}>
              <Button
                bsPrefix="jar"
                variant={t.id === chosen ? 'chosen' : 'usual'}
                aria-current={t.id === chosen || undefined}
                data-thing={t.id}
                onClick={() => onChoose(t.id)}
              >
                {(t.refused || t.verdict !== 'care') && (
                  <>
                    <Verdict v={t.refused ? 'not-at-home' : t.verdict} word={false} />{' '}
                  </>
                )}
                {t.name}
                {t.own && <span className="second small"> {say('larder.your-schools')}</span>}
              </Button>
            </li>
          ))}
          {!whole && (
            <li>
              <Button variant="plain" onClick={() => setOpen([...open, shelf])}>
                {say('larder.more-of', { value: all.length - shown, join: shelfName(shelf) })}
              </Button>
            </li>
          )}
        </ul>
      </section>
    );
  });
  return (
    <>
      <p className="small second d-flex flex-wrap gap-3 mb-0">
        {say('larder.youngest-ages')}:{' '}
        {verdicts
          .filter((v) => v !== 'care')
          .map((v) => (
            <Verdict key={v} v={v} />
          ))}
      </p>
      {ledges}
    </>
  );
}

/** What was searched for, a line each. */
function Found({ things, chosen, onChoose }: Listed) {
  const { jobName } = useLarder();
  if (things.length === 0) return null;
  return (
    <Grid className="larder">
      <thead>
        <tr>
          <th scope="col">{say('conflict.thing')}</th>
          <th scope="col">{say('larder.spanish')}</th>
          <th scope="col">{say('larder.jobs-2')}</th>
          <th scope="col">{say('larder.youngest-ages')}</th>
        </tr>
      </thead>
      <tbody>
        {things.map((t) => (
          <tr key={t.id} aria-current={t.id === chosen || undefined}>
            <th scope="row">
              <Button variant="plain" data-thing={t.id} onClick={() => onChoose(t.id)}>
                {t.name}
              </Button>
              {t.own && <span className="second small"> {say('larder.your-schools')}</span>}
            </th>
            <td lang={otherLanguage()}>{t.other}</td>
            <td className="second">{t.jobs.map(jobName).join(', ')}</td>
            <td>
              {t.refused ? (
                <>
                  <Verdict v="not-at-home" word={false} /> {say('larder.refused')}
                </>
              ) : (
                <Verdict v={t.verdict} />
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </Grid>
  );
}
