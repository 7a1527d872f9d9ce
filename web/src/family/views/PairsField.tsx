import Button from 'react-bootstrap/Button';
import type { Pair } from '../core';
import { useCore } from '../phone/useCore';
import { useRemembered } from '../phone/useRemembered';
import { useWords } from '../words';
import type { KeptField } from './CountField';
import { OrderField } from './OrderField';

/**
 * Things put in order two at a time: of every pair one is chosen, or neither. The core makes the order of
 * the answers; it is shown and may still be changed. A phone without the core keeps the answers, and the
 * order is made where they arrive.
 */
export function PairsField(props: KeptField) {
  const { id, draft, reading, state, first, onKeep } = props;
  const t = useWords();
  const core = useCore();
  const all = reading.pairs ?? [];
  const [answers, setAnswers] = useRemembered<Pair[]>(state, `${draft}/pairs`);
  const said = answers ?? first?.pairs ?? [];
  const word = (thing: string) => reading.choices.find((c) => c.id === thing)?.word ?? thing;
  const next = all[said.length];
  const answer = async (how: Pair['said']) => {
    const now = [...said, { ...next, said: how }];
    setAnswers(now);
    if (now.length === all.length && !core) {
      await onKeep({ pairs: now });
      setAnswers(undefined);
    }
  };
  if (next)
    return (
      <div role="group" aria-labelledby={`${id}-pair`}>
        <p className="second m-0">{t('pairOf', { n: said.length + 1, all: all.length })}</p>
        <p id={`${id}-pair`} className="mb-2">
          {reading.from ? t('pairWhich', { from: reading.from }) : t('pairWhichPlain')}
        </p>
        {(['a', 'b', 'same'] as const).map((how) => (
          <button
            key={`${next.a}-${next.b}-${how}`}
            type="button"
            className="choice pair-answer"
            onClick={() => void answer(how)}
          >
            {how === 'same' ? t('pairSame') : word(next[how])}
          </button>
        ))}
        {said.length > 0 && (
          <Button variant="plain" onClick={() => setAnswers(said.slice(0, -1))}>
            {t('pairBack')}
          </Button>
        )}
      </div>
    );
  const made = core?.order(said);
  const again = () => setAnswers([]);
  return (
    <div>
      <p className="second">{t('pairsMade')}</p>
      {made?.circle && made.circle.length > 0 && (
        <p className="doubt">{t('pairsCircle', { things: made.circle.map(word).join(', ') })}</p>
      )}
      <OrderField
        {...props}
        draft={`${draft}/${said.map((p) => p.said).join('-')}`}
        made={answers ? (made?.order ?? undefined) : undefined}
        onKeep={async (given) => {
          await onKeep({ ...given, pairs: said });
          setAnswers(undefined);
        }}
      />
      <Button variant="plain" onClick={again}>
        {t('pairsAgain')}
      </Button>
    </div>
  );
}
