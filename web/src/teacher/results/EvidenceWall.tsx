import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import type { Schemas } from '../../api/client';
import { Drawing } from '../../ui/Drawing';
import { ProblemLine } from '../parts/states';
import { NameLabel } from '../../ui/NameLabel';
import { useRowKeys } from '../../ui/useRowKeys';
import { say } from '../words';
import { useDesk } from './AtDesk';
import type { Assignment, HomeResult, Results } from './useResults';

type Shown = HomeResult['shown'][number];
type Piece = Shown['pieces'][number];

/** What homes showed, piece by piece of evidence: pictures, drawings, words; a pair stands side by side. */
export function EvidenceWall({
  assignment,
  homes,
  heaps,
  onOpen,
}: {
  assignment: Assignment;
  homes: HomeResult[];
  heaps: Results['heaps'];
  onOpen: (home: string) => void;
}) {
  const named = new Map<string, string>();
  for (const h of homes) for (const s of h.shown) named.set(s.evidence, s.name);
  if (named.size === 0) return <p className="hint">{say('collect.no-evidence-has-come-in-yet')}</p>;
  return [...named].map(([id, name]) => (
    <OneEvidence
      key={id}
      {...{ id, name, assignment, homes, onOpen }}
      heaps={heaps.find((h) => h.evidence === id)}
    />
  ));
}

/** What homes showed for one piece of evidence; sorted onto heaps where the teacher wants to count it. */
function OneEvidence({
  id,
  name,
  assignment,
  homes,
  heaps,
  onOpen,
}: {
  id: string;
  name: string;
  assignment: Assignment;
  homes: HomeResult[];
  heaps: Results['heaps'][number] | undefined;
  onOpen: (home: string) => void;
}) {
  const [sorting, setSorting] = useState(heaps !== undefined);
  return (
    <section aria-label={name}>
      <h3>
        {name}{' '}
        {!sorting && (
          <Button variant="plain" className="small" onClick={() => setSorting(true)}>
            {say('evidence.sort-onto-heaps')}
          </Button>
        )}
      </h3>
      {heaps && (
        <p>
          {heaps.words}{' '}
          {heaps.unsorted > 0 && say('evidence.not-sorted-yet', { count: heaps.unsorted })}
        </p>
      )}
      <div className="photo-wall">
        {homes.flatMap((h) =>
          h.shown
            .filter((s) => s.evidence === id)
            .map((s) => (
              <figure key={h.home} className={isPair(s) ? 'pair' : ''}>
                <EvidencePieces assignment={assignment} shown={s} nickname={h.nickname} />
                <figcaption>
                  <Button variant="plain" onClick={() => onOpen(h.home!)}>
                    <NameLabel name={h.nickname} />
                  </Button>
                  {sorting && (
                    <Heap assignment={assignment} home={h.home!} shown={s} nickname={h.nickname} />
                  )}
                </figcaption>
              </figure>
            )),
        )}
      </div>
    </section>
  );
}

/** Onto which heap the teacher sorts what one home showed: only then is it counted. */
function Heap({
  assignment,
  home,
  shown,
  nickname,
}: {
  assignment: Assignment;
  home: string;
  shown: Shown;
  nickname: string;
}) {
  const write = useDesk({ class: assignment.class, assignment: assignment.id, home });
  const [error, setError] = useState<unknown>();
  return (
    <>
      <ProblemLine error={error} />
      <FormSelect
        size="sm"
        aria-label={say('evidence.heap-of', { nickname })}
        value={shown.heap ?? 'none'}
        onChange={(e) =>
          void write({
            kind: 'heap',
            evidence: shown.evidence,
            heap: e.target.value as NonNullable<Schemas['DeskFields']['heap']>,
          }).then(() => setError(undefined), setError)
        }
      >
        <option value="none">{say('evidence.no-heap')}</option>
        <option value="yes">{say('evidence.heap-yes')}</option>
        <option value="partly">{say('evidence.heap-partly')}</option>
        <option value="no">{say('evidence.heap-no')}</option>
        <option value="cannot-tell">{say('evidence.heap-cannot-tell')}</option>
      </FormSelect>
    </>
  );
}

const isPair = (s: Shown) => s.kind.endsWith('-pair');

/** The pieces of one home, the first and the second of a pair apart. */
export function EvidencePieces({
  assignment,
  shown,
  nickname,
}: {
  assignment: Assignment;
  shown: Shown;
  nickname: string;
}) {
  const one = (p: Piece) => (
    <PieceView key={p.at} piece={p} assignment={assignment} nickname={nickname} />
  );
  if (!isPair(shown)) return shown.pieces.map(one);
  return (
    <div className="evidence-pair">
      {[false, true].map((second) => {
        const ours = shown.pieces.filter((p) => Boolean(p.second) === second);
        return (
          <div key={String(second)}>
            <p className="second small m-0">{say(second ? 'evidence.later' : 'evidence.now')}</p>
            {ours.length > 0 ? ours.map(one) : <p className="hint">{say('evidence.not-yet')}</p>}
          </div>
        );
      })}
    </div>
  );
}

function PieceView({
  piece: p,
  assignment,
  nickname,
}: {
  piece: Piece;
  assignment: Assignment;
  nickname: string;
}) {
  if (p.photo)
    return (
      <a
        href={`/api/v1/classes/${assignment.class}/photos/${p.photo}/display`}
        target="_blank"
        rel="noreferrer"
      >
        <img
          loading="lazy"
          src={`/api/v1/classes/${assignment.class}/photos/${p.photo}/thumbnail`}
          alt={say('collect.photo-from', { nickname })}
          className="framed thumbnail"
        />
      </a>
    );
  if (p.recording)
    return (
      <Recording
        src={`/api/v1/classes/${assignment.class}/recordings/${p.recording}`}
        poster={`/api/v1/classes/${assignment.class}/photos/${p.recording}/thumbnail`}
        sound={p.sound}
        nickname={nickname}
      />
    );
  if (p.strokes?.length)
    return <Drawing strokes={p.strokes} title={say('evidence.drawing-from', { nickname })} />;
  if (p.chart?.length) return <Chart stops={p.chart} />;
  return <p className="m-0">{say('quoted', { text: p.text })}</p>;
}

/** A clip or sound, played where it stands. */
function Recording({
  src,
  poster,
  sound,
  nickname,
}: {
  src: string;
  poster: string;
  sound?: boolean;
  nickname: string;
}) {
  const Player = sound ? 'audio' : 'video'; // what a home records has no captions
  return (
    <Player
      src={src}
      poster={sound ? undefined : poster}
      controls
      preload="none"
      aria-label={say(sound ? 'evidence.sound-from' : 'evidence.clip-from', { nickname })}
      className="framed recording"
    />
  );
}

/** A flow chart: its stages from top to bottom. */
function Chart({ stops }: { stops: Schemas['Stop'][] }) {
  const { keys } = useRowKeys(stops.length);
  return (
    <ol className="flow-chart">
      {stops.map((s, i) => (
        <li key={keys[i]}>
          <strong>{s.where}</strong> {s.change}
        </li>
      ))}
    </ol>
  );
}
