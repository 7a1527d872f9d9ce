import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import { JarPicture } from '../../ui/JarPicture';
import { swapFor, type Need } from '../phone/uses';
import type { WorkProps } from '../phone/work';
import { useWords } from '../words';

/** One thing to fetch, as this home does it; where it has not got it, what it may use instead is answered at once. */
export function NeedRow({ need: n, ...props }: WorkProps & { need: Need }) {
  const { state, sheet, book } = props;
  const t = useWords();
  const [open, setOpen] = useState(false);
  const swap = swapFor(n, sheet, book);
  const on = book.ticked(n.id);
  const name = swap?.name ?? n.name;
  const amount = swap ? swap.amount : n.amount;
  const stands = swap ? swap.line && (n.for ?? n.name) : n.for;
  return (
    <div className="need">
      <div className="row-48">
        <FormCheckInput
          id={`need-${n.id}`}
          checked={on}
          onChange={(e) =>
            void state.add(sheet.assignment, {
              kind: 'tick',
              refers: n.id,
              reason: e.target.checked ? '' : 'no',
            })
          }
        />
        <label htmlFor={`need-${n.id}`}>
          {name}
          {amount && !n.hidden && <strong> {amount}</strong>}
          {!swap && n.look && <JarPicture picture={n.look} />}
          {n.optional && <span className="hint"> ({t('optional')})</span>}
          {!swap && n.copies.length > 0 && (
            <span className="second d-block">
              {t('eachPrepared', { ways: n.copies.join(' · ') })}
            </span>
          )}
          {[stands && t('inPlaceOf', { thing: stands }), !swap && n.kit, n.must, n.note]
            .filter(Boolean)
            .map((line) => (
              <span key={String(line)} className="second d-block">
                {line}
              </span>
            ))}
        </label>
        {!on && (
          <Button
            variant="plain"
            className="small text-nowrap"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            {t('notGot')}
            <span className="visually-hidden">: {name}</span>
          </Button>
        )}
      </div>
      {n.hidden && amount && <WorkedOut need={n} amount={amount} />}
      {swap && <Cautions cautions={swap.cautions} />}
      {open && !on && <Instead need={n} {...props} onTaken={() => setOpen(false)} />}
    </div>
  );
}

/** An amount that a home works out first: hints one after the other, and the amount when it asks to see it. */
function WorkedOut({ need: n, amount }: { need: Need; amount: string }) {
  const t = useWords();
  const [shown, setShown] = useState(0);
  const more = shown < n.hints.length;
  return (
    <div className="worked-out">
      <p className="second m-0">{t('workItOut')}</p>
      {n.hints.slice(0, shown).map((h) => (
        <p key={h} className="m-0">
          {h}
        </p>
      ))}
      {more && (
        <Button variant="plain" onClick={() => setShown(shown + 1)}>
          {t('aHint')}
        </Button>
      )}
      <details>
        <summary>{t('showAmount')}</summary>
        <strong>{amount}</strong>
      </details>
    </div>
  );
}

/** What may be taken instead: the teacher's words first, then what the larder knows. */
function Instead({
  need: n,
  onTaken,
  state,
  bundle,
  sheet,
  book,
  onWrong,
}: WorkProps & { need: Need; onTaken: () => void }) {
  const t = useWords();
  const now = swapFor(n, sheet, book)?.use ?? n.use;
  const ways = n.swaps.filter((w) => w.use !== now);
  return (
    <div className="added mb-2">
      {ways.length + n.instead.length > 0 && <p className="mb-1">{t('instead')}:</p>}
      <ul className="plain-ways">
        {n.instead.map((words) => (
          <li key={words}>{words}</li>
        ))}
        {ways.map((w) => (
          <li key={w.use}>
            {[w.name, w.amount].filter(Boolean).join(', ')}
            {w.acid && <strong>, {w.acid}</strong>}
            <span className="second small d-block">{w.counts}</span>
            <Cautions cautions={w.cautions} />
            {w.adult && (
              <span className="small d-block">
                <strong>{w.adult}</strong> {t('agreedAgain')}
              </span>
            )}
            {w.adult && !state.online ? (
              <span className="second small d-block">{t('needsLine')}</span>
            ) : (
              <Button
                variant="outline-primary"
                size="sm"
                onClick={() => {
                  onTaken();
                  void state.add(sheet.assignment, { kind: 'swap', refers: n.id, choice: [w.use] });
                }}
              >
                {t('weUseThis')}
                <span className="visually-hidden">: {w.name}</span>
              </Button>
            )}
          </li>
        ))}
      </ul>
      {ways.length + n.instead.length === 0 && (
        <p className="mb-1">{t(n.optional ? 'goesWithout' : 'nothingStandsIn')}</p>
      )}
      <Button variant="plain" className="small" onClick={onWrong}>
        {t('askTeacher', { teacher: bundle.class.teacher })}
      </Button>
    </div>
  );
}

function Cautions({ cautions }: { cautions: string[] }) {
  return cautions.map((c) => (
    <span key={c} className="second small d-block">
      {c}
    </span>
  ));
}
