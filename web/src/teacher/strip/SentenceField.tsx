import { useId, type KeyboardEvent } from 'react';
import type { Piece } from './useSentence';
import { say } from '../words';

interface Props {
  id: string;
  label: string;
  language: string;
  value: string;
  /** What the pieces were read of; only what still stands in front is underlined. */
  pieces: Piece[];
  /** They are of words that have changed since, and are read again. */
  busy: boolean;
  summary: string;
  onChange: (text: string) => void;
  onFinish: () => void;
  onEnter?: () => void;
  onLeave?: () => void;
}

/** A text field that shows under its words what was taken from them. The lines are drawn behind it: what is typed never jumps. */
export function SentenceField(p: Props) {
  const help = useId();
  const onKey = (e: KeyboardEvent) => {
    if (e.key === 'Enter' && !e.shiftKey && !e.nativeEvent.isComposing) {
      e.preventDefault();
      p.onFinish();
      p.onEnter?.();
    } else if (e.key === 'Escape' && p.onLeave) {
      e.preventDefault();
      p.onLeave();
    }
  };
  return (
    <div className="sentence-field" aria-busy={p.busy}>
      <label className="named" htmlFor={p.id}>
        {p.label}
      </label>
      <div className="sentence-paper">
        <div className="sentence-lines" aria-hidden="true" lang={p.language}>
          {underlined(p.value, p.pieces)}{' '}
        </div>
        <textarea
          id={p.id}
          lang={p.language}
          className="form-control"
          rows={2}
          maxLength={1200}
          value={p.value}
          placeholder={say('sentence.write-as-you-say-it')}
          aria-describedby={help}
          onChange={(e) => p.onChange(e.target.value.trimStart())}
          onBlur={p.onFinish}
          onKeyDown={onKey}
        />
      </div>
      <span id={help} className="visually-hidden">
        {p.summary}
      </span>
    </div>
  );
}

/** The text cut at the borders of its pieces; the pieces' places are in code points. */
function underlined(text: string, pieces: Piece[]) {
  const signs = Array.from(text);
  const shown = pieces.filter((q) => signs.slice(q.from, q.to).join('') === q.words);
  const borders = [...new Set([0, signs.length, ...shown.flatMap((q) => [q.from, q.to])])].sort(
    (a, b) => a - b,
  );
  return borders.slice(0, -1).map((from, i) => {
    const words = signs.slice(from, borders[i + 1]).join('');
    const over = shown.filter((q) => q.from <= from && borders[i + 1] <= q.to);
    if (over.length === 0) return <span key={from}>{words}</span>;
    const kinds = over.map((q) => `said-${q.kind}`).join(' ');
    const open = over.every((q) => !q.given);
    return (
      <u key={from} className={`${kinds} ${open ? 'open' : ''}`}>
        {words}
      </u>
    );
  });
}
