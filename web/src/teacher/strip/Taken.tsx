import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { say } from '../words';
import type { Piece } from './useSentence';

interface Props {
  pieces: Piece[];
  onPlain: (words: string) => void;
  onChoose: (at: string) => void;
}

/** What was taken from the words, one button each; a press shows what can be done about it. */
export function Taken({ pieces, onPlain, onChoose }: Props) {
  const [open, setOpen] = useState<string>();
  if (pieces.length === 0)
    return <p className="small second m-0">{say('sentence.nothing-taken')}</p>;
  const key = (p: Piece) => `${p.from}-${p.to}-${p.kind}`;
  const chosen = pieces.find((p) => key(p) === open);
  return (
    <>
      <ul className="taken" aria-label={say('sentence.taken-from-your-words')}>
        {pieces.map((p) => (
          <li key={key(p)}>
            <button
              type="button"
              className={`said-${p.kind} ${p.given ? '' : 'open'}`}
              aria-expanded={key(p) === open}
              onClick={() => setOpen(key(p) === open ? undefined : key(p))}
            >
              <span className="gloss">
                {p.gloss}
                {p.given ? '' : ' ?'}
              </span>{' '}
              {p.words}
            </button>
          </li>
        ))}
      </ul>
      {chosen && (
        <p className="taken-more small">
          <b>{chosen.gloss}</b> {chosen.value || chosen.words}
          {!chosen.given && ` · ${say('sentence.not-as-said')}`}{' '}
          {chosen.need && (
            <Button variant="plain" onClick={() => onChoose(`need:${chosen.need}`)}>
              {say('sentence.the-thing')}
            </Button>
          )}{' '}
          <Button
            variant="plain"
            onClick={() => {
              setOpen(undefined);
              onPlain(chosen.words);
            }}
          >
            {say('sentence.only-words')}
          </Button>
        </p>
      )}
    </>
  );
}
