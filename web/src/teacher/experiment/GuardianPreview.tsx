import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, type Schemas } from '../../api/client';
import { SheetSections } from '../../ui/SheetSections';
import { useEditing } from './fields';
import type { Review } from '../draft/useDraft';

type Part = Schemas['SafetyPart'];

/** What the guardian will read, at the same time, so that the teacher sees what each mend does to it. */
export function GuardianPreview({ id, review }: { id: string; review: Review }) {
  const { doc } = useEditing();
  const [language, setLanguage] = useState('en');
  const classes = useQuery({ queryKey: ['classes'], queryFn: () => ask<Schemas['ListClassView']>('GET', '/classes') });
  const other = useQuery({
    queryKey: ['preview-review', language, doc], enabled: language !== 'en', placeholderData: (before: Review | undefined) => before,
    queryFn: () => ask<Review>('POST', '/preview/review', { body: { document: doc }, language }),
  });
  const part: Part = language === 'en' ? review.guardian : (other.data?.guardian ?? review.guardian);
  const assignments = useQuery({ queryKey: ['assignments'], queryFn: () => ask<Schemas['ListAssignmentView']>('GET', '/assignments') });
  const issued = new Set(assignments.data?.items.filter((a) => a.experiment === id && a.state !== 'recalled').map((a) => a.class));
  const all = classes.data?.items ?? [];
  const [chosen, setChosen] = useState('');
  const at = all.find((c) => c.id === chosen) ?? (issued.size === 1 ? all.find((c) => issued.has(c.id)) : all.length === 1 ? all[0] : undefined);
  return (
    <section className="guardian" aria-label="What the guardian will read">
      <div className="guardian-head">
        <h2>What the guardian will read</h2>
        <label className="visually-hidden" htmlFor="guardian-language">
          Language
        </label>
        <select id="guardian-language" className="form-select" style={{ width: 'auto' }} value={language} onChange={(e) => setLanguage(e.target.value)}>
          <option value="en">English</option>
          <option value="es">Español</option>
        </select>
      </div>
      {doc.way === 'watch-shared' ? <OnlyWatched /> : <Guardian part={part} language={language} />}
      {all.length > 1 && (
        <p className="ways">
          <label htmlFor="print-class">Telephone numbers on paper are those of</label>
          <select id="print-class" className="form-select" style={{ width: 'auto' }} value={at?.id ?? ''} onChange={(e) => setChosen(e.target.value)}>
            {!at && <option value="">choose a class</option>}
            {all.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
                {issued.has(c.id) && ', which has it'}
              </option>
            ))}
          </select>
        </p>
      )}
      {at && (
        <p className="ways">
          {(doc.way === 'watch-shared' ? watchSheets : doingSheets).map(([sheet, words]) => (
            <a key={sheet} className="btn btn-outline-primary" target="_blank" rel="noreferrer" href={`/print/classes/${at.id}/experiments/${id}/${sheet}?language=${language}`}>
              {words}
            </a>
          ))}
        </p>
      )}
    </section>
  );
}

const doingSheets = [['safety', 'Print the safety sheet'], ['materials', 'Print the materials list'], ['substitutions', 'Print the substitution list']];
const watchSheets = [['watch', 'Print what homes see'], ['demonstration', 'Print your demonstration']];

function OnlyWatched() {
  const { doc } = useEditing();
  return (
    <div className="card-paper">
      <h3>You show it; homes watch</h3>
      <p>On top stands: <strong>Do not do this at home.</strong> Homes get the question, when you show it{doc.questions?.length ? `, ${doc.questions.length} ${doc.questions.length === 1 ? 'question' : 'questions'}` : ''} and the readings you share.</p>
      <p>They get no list of things, no amounts, no steps, no adult jobs, nothing to agree to and no field for a reading. Those stand on your demonstration alone.</p>
    </div>
  );
}

function Guardian({ part, language }: { part: Part; language: string }) {
  return (
    <div className="card-paper" lang={language}>
      <SheetSections sections={part.sections} heading="h3" />
    </div>
  );
}
