import { useQueryClient } from '@tanstack/react-query';
import { useEffect, type ReactNode } from 'react';
import { Link, NavLink, useNavigate } from 'react-router';
import Button from 'react-bootstrap/Button';
import { api, got, type Schemas } from '../../api/client';
import { Icon } from '../../ui/Icon';
import { useKeeping } from './keeping';
import { useKeys } from './keys';
import { useLive } from './live';
import { say } from '../words';

const rail = [
  ['/today', say('teacherFrame.today')],
  ['/experiments', say('experiments.experiments')],
  ['/workbench', say('teacherFrame.workbench')],
  ['/larder', say('teacherFrame.larder')],
  ['/classes', say('classes.classes')],
  ['/help', say('teacherFrame.help')],
] as const;

/** The teacher's frame: six words, the page, and the keeping line. */
export function TeacherFrame({ me, children }: { me: Schemas['Me']; children: ReactNode }) {
  const live = useLive();
  const { saved, last } = useKeeping();
  const navigate = useNavigate();
  const client = useQueryClient();
  useKeys((key, afterG) => {
    const to = afterG
      ? { t: '/today', e: '/experiments', w: '/workbench', l: '/larder', c: '/classes' }[key]
      : { '?': '/help' }[key];
    if (to) void navigate(to);
    return !!to;
  });
  const signOut = async () => {
    await got(api.DELETE('/api/v1/session')).catch(() => undefined);
    client.clear();
    location.assign('/sign-in');
  };
  return (
    <div className="frame">
      <a className="skip" href="#work">
        {say('teacherFrame.to-the-work')}
      </a>
      <nav className="rail" aria-label={say('teacherFrame.main')}>
        <Link to="/today" className="brand">
          {say('teacherFrame.patient')}
          <br />
          {say('teacherFrame.kitchen')}
        </Link>
        <ul className="places">
          {rail.map(([to, words]) => (
            <li key={to}>
              <NavLink to={to}>{words}</NavLink>
            </li>
          ))}
        </ul>
        <div className="foot">
          <NavLink to="/account" className="text-break">
            {me.name}
            <span className="visually-hidden">{say('teacherFrame.your-account')}</span>
          </NavLink>
          <button type="button" onClick={() => void signOut()}>
            {say('teacherFrame.sign-out')}
          </button>
        </div>
      </nav>
      <div id="work" className="min-w-0">
        {children}
      </div>
      <div className={`keeping ${live ? '' : 'offline'}`} role="status">
        <span>{saved}</span>
        {last && (
          <span>
            {last.words}
            {last.redo && (
              <>
                {' '}
                ·{' '}
                <Button variant="plain" className="p-0" onClick={last.redo}>
                  {say('teacherFrame.redo')}
                </Button>
              </>
            )}
            {last.undo && (
              <>
                {' '}
                ·{' '}
                <Button variant="plain" className="p-0" onClick={last.undo}>
                  {say('teacherFrame.undo')}
                </Button>
              </>
            )}
          </span>
        )}
        <span className="end">
          {live ? (
            say('teacherFrame.live')
          ) : (
            <>
              <Icon name="cloud-slash" /> {say('teacherFrame.not-live-trying-again')}
            </>
          )}
        </span>
        <span>{say('teacherFrame.keys')}</span>
      </div>
    </div>
  );
}

/** Head of a page outside an experiment. */
export function Head({
  title,
  aside,
  small,
}: {
  title: string;
  aside?: ReactNode;
  small?: ReactNode;
}) {
  useEffect(() => {
    document.title = say('experimentPage.patient-kitchen', { title });
  }, [title]);
  return (
    <header className="head">
      <h1>{title}</h1>
      {small && <span className="second">{small}</span>}
      {aside && <div className="aside">{aside}</div>}
    </header>
  );
}
