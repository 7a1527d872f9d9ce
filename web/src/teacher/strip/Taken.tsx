import { useState } from 'react';
import { say } from '../words';
import { TakenSheet } from './TakenSheet';
import type { Piece } from './useSentence';

interface Props {
  pieces: Piece[];
  /** The text that they were taken from. */
  text: string;
  /** Puts other words in the place of some, from one code point to another. */
  onRewrite: (from: number, to: number, words: string) => void;
  onPlain: (words: string) => void;
  onChoose: (at: string) => void;
}

/** What was taken from the words, one button each; a press opens what can be done about it. */
export function Taken({ pieces, text, onRewrite, onPlain, onChoose }: Props) {
  const [open, setOpen] = useState<string>();
  if (pieces.length === 0)
    return <p className="small second m-0">{say('sentence.nothing-taken')}</p>;
  const key = (p: Piece) => `${p.from} ${p.kind}`;
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
        <TakenSheet
          key={`${open} ${chosen.words}`}
          piece={chosen}
          text={text}
          onRewrite={onRewrite}
          onPlain={() => {
            setOpen(undefined);
            onPlain(chosen.words);
          }}
          onChoose={onChoose}
        />
      )}
    </>
  );
}
