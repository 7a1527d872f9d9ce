import { useRef, useState, type KeyboardEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { Icon, type IconName } from '../../ui/Icon';
import { placeOf, stationOf } from '../draft/places';
import type { Replace, Review } from '../draft/useDraft';
import { useKeys } from '../frame/keys';
import { clockOf } from '../parts/dates';
import { ProblemLine } from '../parts/states';
import { useMends } from './useMends';
import type { LookedAt } from './useMargin';
import { say } from '../words';

type Line = Review['margin'][number];

const topics: Record<Line['topic'], string> = {
  safety: say('margin.safety'),
  show: say('margin.show'),
  fair: say('margin.fair'),
  time: say('margin.time'),
  kitchens: say('margin.kitchens'),
  words: say('margin.words'),
};
const weights: Record<Line['weight'], [string, IconName]> = {
  stop: [say('margin.stop'), 'x-octagon'],
  mend: [say('margin.mend'), 'exclamation-diamond'],
  note: [say('margin.note'), 'info-circle'],
  fine: [say('margin.fine'), 'check2'],
};

const ways = {
  steps: 'margin.to-the-steps',
  plan: 'margin.to-the-plan',
  safety: 'margin.to-the-safety',
} as const;

/** What this design means now: always the same six lines in the same order, each one sentence with its place and its mend. One line while all is fine. */
export function Margin({
  id,
  review,
  replace,
  lookedAt,
}: {
  id: string;
  review: Review | undefined;
  replace: Replace;
  lookedAt: LookedAt;
}) {
  const fine =
    review !== undefined && review.readable && review.margin.every((l) => l.weight === 'fine');
  const [chosen, setChosen] = useState<boolean>();
  // Below this width the lines would stand over the work: one does, the heaviest.
  const [wide] = useState(() => matchMedia('(min-width: 1280px)').matches);
  const open = chosen ?? (wide && !fine);
  // Beside a sheet there is room for one line: the heaviest.
  const heaviest = ['stop', 'mend', 'note', 'fine']
    .map((w) => review?.margin.find((l) => l.weight === w))
    .find(Boolean);
  const list = useRef<HTMLUListElement>(null);
  useKeys((key) => {
    if (key !== 'f') return false;
    setChosen(true);
    requestAnimationFrame(() => (list.current?.firstElementChild as HTMLElement | null)?.focus());
    return true;
  });
  return (
    <section className="margin" aria-label={say('margin.margin')}>
      <div className="margin-head">
        <h2>{say('margin.margin')}</h2>
        {!open && (
          <span className={fine ? 'w-fine' : 'w-mend'}>
            <Icon name={fine ? 'check2' : 'exclamation-diamond'} />{' '}
            {fine
              ? say('margin.fine-2', {
                  join: review.margin.map((l) => topics[l.topic].toLowerCase()).join(', '),
                })
              : heaviest && `${topics[heaviest.topic]}: ${heaviest.message}`}
          </span>
        )}
        <Button variant="plain" aria-expanded={open} onClick={() => setChosen(!open)}>
          {open ? say('margin.fold') : say('margin.unfold')}
          <span className="visually-hidden"> {say('margin.the-margin')}</span>
        </Button>
      </div>
      {lookedAt.unjudged && <Unjudged {...lookedAt.unjudged} />}
      {open && review && !review.readable && <p className="w-stop">{review.problem}</p>}
      {open && (
        <ul ref={list}>
          {review?.margin.map((l) => (
            <MarginLine
              key={l.topic}
              id={id}
              line={l}
              heaviest={l === heaviest}
              replace={replace}
            />
          ))}
        </ul>
      )}
      {open && lookedAt.classes.length > 0 && (
        <label className="margin-of small">
          {say('margin.looked-at-with')}{' '}
          <FormSelect
            size="sm"
            value={lookedAt.of}
            onChange={(e) => lookedAt.choose(e.target.value)}
          >
            <option value="">{say('margin.a-usual-class')}</option>
            {lookedAt.classes.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
              </option>
            ))}
          </FormSelect>
        </label>
      )}
    </section>
  );
}

/** The lines keep their last words while nobody judges: said, with the time. */
function Unjudged({ since, offline }: { since?: number; offline: boolean }) {
  return (
    <p className="w-mend small" role="status">
      {since
        ? say('margin.not-judged-since', { time: clockOf(new Date(since).toISOString()) })
        : say('margin.not-judged')}{' '}
      {offline ? say('margin.no-connection') : say('margin.no-answer')}
    </p>
  );
}

/** One line: its weight in a word, one sentence; Enter goes to its place, a full stop does its mend. */
function MarginLine({
  id,
  line: l,
  heaviest,
  replace,
}: {
  id: string;
  line: Line;
  heaviest: boolean;
  replace: Replace;
}) {
  const navigate = useNavigate();
  const { carry, problem } = useMends(replace);
  const [word, icon] = weights[l.weight];
  const onKey = (e: KeyboardEvent<HTMLLIElement>) => {
    const by = { ArrowDown: 'nextElementSibling', ArrowUp: 'previousElementSibling' } as const;
    const way = by[e.key as keyof typeof by];
    if (way) (e.currentTarget[way] as HTMLElement | null)?.focus();
    else if (e.key === '.' && l.mend) void carry(l.mend);
    else if (e.key === 'Enter' && e.target === e.currentTarget && l.path)
      void navigate(placeOf(id, l.path));
    else return;
    e.preventDefault();
  };
  return (
    // The line takes keys of its own; what it offers stands in it as a link and a button too.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
    <li className={`${l.weight} ${heaviest ? 'heaviest' : ''}`} tabIndex={-1} onKeyDown={onKey}>
      <span className={`w-${l.weight}`}>
        <Icon name={icon} /> {word}
      </span>
      <strong>{topics[l.topic]}</strong>
      <span className="margin-says">
        {l.message}
        {l.rest && (
          <details>
            <summary className="second">{say('margin.more', { count: l.rest.length })}</summary>
            {l.rest.map((r) => (
              <span key={`${r.path} ${r.message}`} className="d-block">
                {r.path ? <Link to={placeOf(id, r.path)}>{r.message}</Link> : r.message}
              </span>
            ))}
          </details>
        )}
      </span>
      <span className="margin-does">
        {l.mend && (
          <Button
            variant="outline-primary"
            size="sm"
            onClick={() => void carry(l.mend!)}
            aria-label={say('margin.do', { words: l.mend.words, topic: topics[l.topic] })}
          >
            {l.mend.words}
          </Button>
        )}
        {l.path && <Link to={placeOf(id, l.path)}>{say(ways[stationOf(l.path)])}</Link>}
      </span>
      <ProblemLine error={problem} />
    </li>
  );
}
