import { useState } from 'react';
import FormControl from 'react-bootstrap/FormControl';
import { last, type Step } from '../phone/book';
import { useKept, type Typing } from '../phone/typing';
import { useCore } from '../phone/useCore';
import { useRemembered } from '../phone/useRemembered';
import type { WorkProps } from '../phone/work';
import { KeptReading } from './KeptReading';
import { useWords } from '../words';

type Used = Step['used'][number];

/** How much was really used of what is worked with, beside what was wanted. */
export function UsedFields({ step, ...props }: WorkProps & { step: Step; typing: Typing }) {
  const t = useWords();
  if ((step.used ?? []).length === 0) return null; // a page kept before there were any
  return (
    <section className="card-paper" aria-label={t('reallyUsed')}>
      {step.used.map((u) => (
        <UsedField key={u.need + (u.condition ?? '')} {...props} step={step} used={u} />
      ))}
    </section>
  );
}

function UsedField({
  state,
  bundle,
  sheet,
  book,
  step,
  used,
  typing,
}: WorkProps & { step: Step; used: Used; typing: Typing }) {
  const core = useCore();
  const id = `used-${used.need}-${used.condition ?? ''}`;
  const [draft, setDraft] = useRemembered<string>(state, `${id}/${sheet.assignment}`);
  const [changing, setChanging] = useState(false);
  const present = last(
    book
      .of('used')
      .filter(
        (e) => e.entry.refers === used.need && (e.entry.condition ?? '') === (used.condition ?? ''),
      ),
  );
  const put = (typed: string) =>
    state.add(sheet.assignment, {
      kind: 'used',
      step: step.id,
      refers: used.need,
      condition: used.condition,
      typed,
    });
  const keep = useKept(typing, id, async () => {
    const typed = (draft ?? '').trim();
    if (typed && typed !== present?.entry.typed) await put(typed);
    setDraft(undefined);
    setChanging(false);
  });
  return (
    <div className="field">
      <label htmlFor={id}>{used.words}</label>
      {(!present || changing) && (
        <div className="value-row">
          <FormControl
            id={id}
            inputMode="decimal"
            autoComplete="off"
            maxLength={200}
            value={draft ?? ''}
            onChange={(e) => setDraft(e.target.value || undefined)}
            onBlur={() => void keep()}
          />
          <span className="unit">{used.unit}</span>
        </div>
      )}
      {present && !changing && (
        <KeptReading
          key={present.id}
          entry={present}
          reply={
            present.answer ??
            core?.({
              typed: present.entry.typed ?? '',
              language: bundle.home.locale,
              measures: bundle.class.unit_system,
              asked: { unit: used.unit, low: used.low },
            })
          }
          id={id}
          state={state}
          onOffer={(typed) => void put(typed)}
          onNotRead={() => setChanging(true)}
          onChange={() => {
            setChanging(true);
            setDraft(present.entry.typed);
          }}
        />
      )}
    </div>
  );
}
