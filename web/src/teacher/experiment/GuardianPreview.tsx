import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import FormSelect from 'react-bootstrap/FormSelect';
import { ButtonLink } from '../parts/ButtonLink';
import { api, got, type Schemas } from '../../api/client';
import { SheetSections } from '../../ui/SheetSections';
import { useEditing } from '../draft/fields';
import type { Review } from '../draft/useDraft';
import { languageChoices, ownLanguage } from '../languages';
import { Said, say } from '../words';

type Part = Schemas['SafetyPart'];

/** What the guardian will read, at the same time, so that the teacher sees what each mend does to it. */
export function GuardianPreview({ id, review }: { id: string; review: Review }) {
  const { doc } = useEditing();
  const [language, setLanguage] = useState(ownLanguage);
  const classes = useQuery({
    queryKey: ['classes'],
    queryFn: () => got(api.GET('/api/v1/classes')),
  });
  const other = useQuery({
    queryKey: ['preview-review', language, doc],
    enabled: language !== ownLanguage(),
    placeholderData: (before: Review | undefined) => before,
    queryFn: () =>
      got(
        api.POST('/api/v1/preview/review', {
          params: { header: { 'Accept-Language': language } },
          body: { document: doc },
        }),
      ),
  });
  const part: Part =
    language === ownLanguage() ? review.guardian : (other.data?.guardian ?? review.guardian);
  const assignments = useQuery({
    queryKey: ['assignments'],
    queryFn: () => got(api.GET('/api/v1/assignments')),
  });
  const issued = new Set(
    assignments.data?.items
      .filter((a) => a.experiment === id && a.state !== 'recalled')
      .map((a) => a.class),
  );
  const all = classes.data?.items ?? [];
  const [chosen, setChosen] = useState('');
  const at =
    all.find((c) => c.id === chosen) ??
    (issued.size === 1 ? all.find((c) => issued.has(c.id)) : all.length === 1 ? all[0] : undefined);
  return (
    <section className="guardian" aria-label={say('guardianPreview.what-the-guardian-will-read')}>
      <div className="guardian-head">
        <h2>{say('guardianPreview.what-the-guardian-will-read')}</h2>
        <label className="visually-hidden" htmlFor="guardian-language">
          {say('homeSheet.language')}
        </label>
        <FormSelect
          id="guardian-language"
          className="w-auto"
          value={language}
          onChange={(e) => setLanguage(e.target.value)}
        >
          {languageChoices.map(([code, name]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </FormSelect>
      </div>
      {doc.way === 'watch-shared' ? <OnlyWatched /> : <Guardian part={part} language={language} />}
      {all.length > 1 && (
        <p className="ways">
          <label htmlFor="print-class">
            {say('guardianPreview.telephone-numbers-on-paper-are-those')}
          </label>
          <FormSelect
            id="print-class"
            className="w-auto"
            value={at?.id ?? ''}
            onChange={(e) => setChosen(e.target.value)}
          >
            {!at && <option value="">{say('guardianPreview.choose-a-class')}</option>}
            {all.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
                {issued.has(c.id) && say('guardianPreview.which-has-it')}
              </option>
            ))}
          </FormSelect>
        </p>
      )}
      {at && (
        <p className="ways">
          {(doc.way === 'watch-shared' ? watchSheets : doingSheets).map(([sheet, words]) => (
            <ButtonLink
              key={sheet}
              target="_blank"
              rel="noreferrer"
              href={`/print/classes/${at.id}/experiments/${id}/${sheet}?language=${language}`}
            >
              {words}
            </ButtonLink>
          ))}
        </p>
      )}
    </section>
  );
}

const doingSheets = [
  ['safety', say('guardianPreview.print-the-safety-sheet')],
  ['materials', say('guardianPreview.print-the-materials-list')],
  ['swaps', say('guardianPreview.print-the-swap-list')],
  ['notebook', say('guardianPreview.print-the-sheet-to-write-on')],
];
const watchSheets = [
  ['watch', say('guardianPreview.print-what-homes-see')],
  ['demonstration', say('guardianPreview.print-your-demonstration')],
];

function OnlyWatched() {
  const { doc } = useEditing();
  return (
    <div className="card-paper">
      <h3>{say('guardianPreview.you-show-it-homes-watch')}</h3>
      <p>
        <Said
          of={say('guardianPreview.on-top-stands-do-not-do', {
            value: doc.questions?.length
              ? `, ${doc.questions.length} ${say('guardianPreview.questions', { count: doc.questions.length })}`
              : '',
          })}
          with={[<strong key="0" />]}
        />
      </p>
      <p>{say('guardianPreview.they-get-no-list-of-things')}</p>
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
