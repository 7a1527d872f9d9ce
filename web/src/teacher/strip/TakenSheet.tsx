import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { ChoiceField, FieldsElsewhere, PlainField, TickField, useEditing } from '../draft/fields';
import { Labelled } from '../parts/Labelled';
import { say } from '../words';
import type { Piece } from './useSentence';

interface Props {
  piece: Piece;
  text: string;
  onRewrite: (from: number, to: number, words: string) => void;
  onPlain: () => void;
  onChoose: (at: string) => void;
}

/** How to come to where something said is worked out further. */
const ways: Partial<Record<Piece['kind'], string>> = {
  act: say('taken.to-act'),
  thing: say('taken.to-thing'),
  vessel: say('taken.to-vessel'),
  amount: say('taken.to-amount'),
  reading: say('taken.to-reading'),
  evidence: say('taken.to-evidence'),
  lane: say('taken.to-lane'),
};

/** What can be said differently of something that was taken: its value in the words themselves, and what the words do not say. */
export function TakenSheet({ piece: p, text, onRewrite, onPlain, onChoose }: Props) {
  const valued = p.kind === 'amount' || p.kind === 'wait' || p.kind === 'hands';
  const way = ways[p.kind];
  const id = useId();
  return (
    <div className="taken-more small">
      <p className="m-0">
        <b>{p.gloss}</b> {p.value || p.words}
        {!p.given && ` · ${say('sentence.not-as-said')}`}{' '}
        {p.place && way && (
          <Button variant="plain" onClick={() => onChoose(p.place!)}>
            {way}
          </Button>
        )}{' '}
        <Button variant="plain" onClick={onPlain}>
          {say('sentence.only-words')}
        </Button>
      </p>
      {valued && <Value piece={p} text={text} onRewrite={onRewrite} />}
      {p.place && (
        <FieldsElsewhere name={`taken-${id}`}>
          <Unsaid place={p.place} kind={p.kind} />
        </FieldsElsewhere>
      )}
    </div>
  );
}

/** The value as it stands in the words; changed here, just these words change. */
function Value({ piece: p, text, onRewrite }: Pick<Props, 'piece' | 'text' | 'onRewrite'>) {
  const from = p.at ?? p.from;
  const id = useId();
  const [typed, setTyped] = useState(Array.from(text).slice(from, p.to).join(''));
  return (
    <form
      className="field-row align-items-end"
      onSubmit={(e) => {
        e.preventDefault();
        if (typed.trim()) onRewrite(from, p.to, typed.trim());
      }}
    >
      <Labelled id={id} words={say(p.kind === 'amount' ? 'taken.how-much' : 'taken.how-long')}>
        <FormControl
          id={id}
          size="sm"
          maxLength={60}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
      </Labelled>
      <div>
        <Button type="submit" size="sm" variant="outline-primary">
          {say('taken.change')}
        </Button>
      </div>
    </form>
  );
}

/** What the words do not say of it: how exactly an amount is meant and whether each condition has its own, from when to when a wait may end. */
function Unsaid({ place, kind }: { place: string; kind: Piece['kind'] }) {
  const { doc } = useEditing();
  const [, list, at] = place.split('/');
  const i = Number(at);
  const need = list === 'needs' ? doc.needs?.[i] : undefined;
  const wait = list === 'steps' && kind === 'wait' ? doc.steps?.[i]?.wait : undefined;
  if (need && kind !== 'vessel')
    return (
      <div className="field-row align-items-end">
        <ChoiceField
          label={say('needSheet.it-matters')}
          path={['needs', i, 'tolerance']}
          value={need.tolerance}
          options={[
            ['', say('needSheet.exactly')],
            ['about', say('needSheet.about')],
            ['free', say('needSheet.as-you-like')],
          ]}
        />
        <TickField
          label={say('taken.for-each')}
          path={['needs', i, 'per_condition']}
          value={need.per_condition}
        />
      </div>
    );
  if (!wait) return null;
  return (
    <div className="field-row">
      <PlainField
        label={say('stepSheet.may-end-from')}
        path={['steps', i, 'wait', 'earliest']}
        value={wait.earliest}
        hint={wait.for}
      />
      <PlainField
        label={say('stepSheet.will-do-until')}
        path={['steps', i, 'wait', 'latest']}
        value={wait.latest}
        hint={wait.for}
      />
    </div>
  );
}
