import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, type Schemas } from '../../api/client';
import { useEditing } from './fields';
import type { Review } from './useDraft';

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
  const at = classes.data?.items[0];
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
  const es = language === 'es';
  return (
      <div className="card-paper" lang={language}>
        <h3>{es ? 'Quién tiene que estar' : 'Who must be there'}</h3>
        {part.adult_jobs.length === 0 && <p>{es ? 'No hace falta que haya una persona adulta.' : 'No adult has to be there.'}</p>}
        {part.adult_jobs.map((j) => (
          <p key={j.step}>
            <strong>
              {es ? 'Paso' : 'Step'} {j.number}, {es ? 'unos' : 'about'} {j.minutes} min
            </strong>
            , {j.title}. {j.why} {j.do}
          </p>
        ))}
        {part.adult_jobs.length > 0 && <p>{part.near}</p>}
        <h3>{es ? 'Protección y lugar' : 'Wear, and where'}</h3>
        <p>
          {part.gear.length > 0 ? `${part.gear.join(' · ')}. ` : ''}
          {part.where.join(' ')} {part.before.join(' ')}
        </p>
        {part.holds && <p>{part.holds}</p>}
        <h3>{es ? 'Qué puede hacer daño' : 'What could hurt'}</h3>
        {part.cautions.length === 0 && <p>{es ? 'Solo los cuidados habituales.' : 'Nothing but the usual cautions applies. They are on the sheet all the same.'}</p>}
        <ul>
          {part.cautions.map((c) => (
            <li key={c.why + c.do}>
              {c.why} {c.do}
            </li>
          ))}
        </ul>
        <h3>{es ? 'Parar si' : 'Stop if'}</h3>
        <p>{part.stop.join(' · ')}</p>
        <h3>{es ? 'Recoger' : 'Clearing up'}</h3>
        <p>{part.clearing.join(' ')}</p>
        {part.lowered.map((l) => (
          <p key={l}>
            <strong>{l}</strong>
          </p>
        ))}
        <p className="second small">{part.general.join(' ')}</p>
      </div>
  );
}
