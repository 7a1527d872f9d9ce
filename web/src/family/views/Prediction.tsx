import { useState } from 'react';
import { NotAtHome } from '../parts/NotAtHome';
import { PhonePage } from '../parts/PhonePage';
import { clock } from '../parts/time';
import { useWords } from '../words';
import { answered, QuestionField, said, useDraft, type Given } from './Questions';
import { useCore } from '../phone/useCore';
import type { WorkProps } from '../phone/work';

const none: Given = { text: '', choice: [] };

/** Fixes what the child expects before the first doing step; saved once, with its time. */
export function Prediction({
  state,
  bundle,
  sheet,
  book,
  onWrong,
  onGo,
}: WorkProps & { onGo: () => void }) {
  const t = useWords();
  const questions = sheet.questions.filter((q) => q.when === 'before');
  const locked = questions.length > 0 && questions.every((q) => book.answer(q.id));
  const [drafts, setDrafts, forget] = useDrafts(state, sheet.assignment);
  const [busy, setBusy] = useState(false);
  const [lacking, setLacking] = useState(false);
  const core = useCore();
  const save = async () => {
    if (questions.some((q) => !book.answer(q.id) && !answered(q, drafts[q.id] ?? none))) {
      setLacking(true);
      return;
    }
    setBusy(true);
    for (const q of questions) {
      if (book.answer(q.id)) continue;
      const g = drafts[q.id];
      await state.add(sheet.assignment, {
        kind: 'answer',
        question: q.id,
        text: g.text,
        choice: g.choice,
      });
    }
    forget();
    setBusy(false);
  };
  if (locked) {
    const first = book.answer(questions[0].id)!;
    return (
      <PhonePage
        place={sheet.title}
        heading={t('prediction')}
        focusKey="predicted"
        state={state}
        action={{ words: t('begin'), do: onGo }}
        onWrong={onWrong}
      >
        <NotAtHome sheet={sheet} />
        <div className="card-paper">
          <p className="second">
            {t('savedAt', {
              time: clock(first.entry.phone_time, bundle.class.zone, bundle.home.locale),
            })}{' '}
            {book.afterStart(first) && t('afterStart')}
          </p>
          {questions.map((q) => (
            <p key={q.id}>
              <span className="second">{q.text}</span>
              <br />
              <strong>{said(t, q, book.answer(q.id)!.entry)}</strong>
            </p>
          ))}
        </div>
        <p>{t('seeAgain')}</p>
      </PhonePage>
    );
  }
  return (
    <PhonePage
      place={sheet.title}
      heading={t('prediction')}
      focusKey="predict"
      state={state}
      action={{ words: t('cannotChange'), do: () => !busy && void save() }}
      onWrong={onWrong}
    >
      <NotAtHome sheet={sheet} />
      {questions.map((q) => (
        <QuestionField
          key={q.id}
          question={q}
          value={drafts[q.id] ?? none}
          onChange={(v) => setDrafts({ ...drafts, [q.id]: v })}
          core={core}
          writer={bundle}
        />
      ))}
      {lacking && (
        <p className="doubt" role="alert">
          {t('answerEach')}
        </p>
      )}
      <p className="hint">{t('beingWrong')}</p>
    </PhonePage>
  );
}

function useDrafts(state: WorkProps['state'], assignment: string) {
  const [given, set, forget] = useDraft(state, assignment, 'predict', { text: '{}', choice: [] });
  let drafts: Record<string, Given> = {};
  try {
    drafts = JSON.parse(given.text) as Record<string, Given>;
  } catch {
    // an older page's draft
  }
  return [
    drafts,
    (d: Record<string, Given>) => set({ text: JSON.stringify(d), choice: [] }),
    forget,
  ] as const;
}
