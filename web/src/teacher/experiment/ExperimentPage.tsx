import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { ButtonLink } from '../parts/ButtonLink';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { Conflict } from '../draft/Conflict';
import type { Doc } from '../draft/document';
import { useDraft } from '../draft/useDraft';
import { Loading, PartError } from '../parts/states';
import { Trouble } from '../frame/Trouble';
import { Collect } from '../results/Collect';
import { Compare } from '../results/Compare';
import { Run } from '../results/Run';
import { AsFamily } from './AsFamily';
import { EditingContext } from '../draft/fields';
import { Issue } from './Issue';
import { Kitchens } from './Kitchens';
import { Margin } from './Margin';
import { Plan } from '../plan/Plan';
import { Safety } from './Safety';
import { StationLine, stations, type Station } from './StationLine';
import { Steps } from './Steps';
import { Versions } from './Versions';
import { nameOf, ownLanguage } from '../languages';
import { useMargin } from './useMargin';
import { useKeys } from '../frame/keys';
import { say } from '../words';

/** What stands beside the design. */
type Beside = 'family' | 'versions' | undefined;

/** One experiment at one of its eight stations. */
export default function ExperimentPage() {
  const { experiment: id = '', station = 'plan' } = useParams();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const draft = useDraft(id);
  const assignments = useQuery({
    queryKey: ['assignments'],
    queryFn: () => got(api.GET('/api/v1/assignments')),
  });
  const incidents = useQuery({
    queryKey: ['incidents'],
    queryFn: () => got(api.GET('/api/v1/incidents')),
  });
  const [language, setLanguage] = useState(ownLanguage);
  const [beside, setBeside] = useState<Beside>();
  const here = (stations.includes(station as Station) ? station : 'plan') as Station;
  const mine = assignments.data?.items.filter((a) => a.experiment === id) ?? [];
  const assignment = mine.find((a) => a.id === params.get('assignment')) ?? mine[0];
  const { doc } = draft;
  const designing = here === 'plan' || here === 'steps' || here === 'safety';
  const { review, ...lookedAt } = useMargin(doc, draft.review, designing);
  const title =
    doc?.title[language] ||
    Object.values(doc?.title ?? {})[0] ||
    say('experimentPage.without-a-title');
  useEffect(() => {
    document.title = say('experimentPage.patient-kitchen', { title });
  }, [title]);
  useKeys((key, afterG) => {
    const to = afterG && key >= '1' && key <= '8' && stations[Number(key) - 1];
    if (to) void navigate(`/experiments/${id}/${to}`);
    return !!to;
  });
  if (draft.error)
    return (
      <PartError
        what={say('experimentPage.this-experiment')}
        error={draft.error}
        retry={draft.open}
      />
    );
  if (!doc) return <Loading what={say('experimentPage.the-experiment')} />;
  const troubles =
    incidents.data?.items.filter((i) => !i.seen_at && mine.some((a) => a.id === i.assignment)) ??
    [];
  const search =
    assignment && params.get('assignment')
      ? `?assignment=${assignment.id}&class=${assignment.class}`
      : '';
  return (
    <EditingContext.Provider
      value={{ doc, set: draft.set, experiment: id, language, findings: review?.validation ?? [] }}
    >
      <Heading
        {...{ id, here, title, doc, mine, assignment, language, designing, beside }}
        onLanguage={setLanguage}
        onBeside={setBeside}
      />
      <StationLine id={id} here={here} review={review} assignment={assignment} search={search} />
      {troubles.length > 0 && (
        <section aria-label={say('experimentPage.something-went-wrong')} className="my-2 mx-5">
          {troubles.map((i) => (
            <Trouble key={i.id} incident={i} brief={here !== 'run'} />
          ))}
        </section>
      )}
      {draft.state.conflict && <Conflict state={draft.state} onSettle={draft.settle} />}
      {designing && assignment && (
        <Notice kind="note" className="my-2 mx-5">
          {say('experimentPage.version-is-with-homes-and-stays', {
            number: assignment.number,
            homes: say('count.homes', { count: assignment.homes }),
          })}
        </Notice>
      )}
      {designing && (
        <div className={`designing ${beside ? 'with-sheet' : ''}`}>
          {here === 'plan' && <Plan review={review} replace={draft.replace} />}
          {here === 'steps' && (
            <Steps review={review} replace={draft.replace} class={lookedAt.of} />
          )}
          {here === 'safety' && <Safety id={id} review={review} replace={draft.replace} />}
          <Margin id={id} review={review} replace={draft.replace} lookedAt={lookedAt} />
          {beside === 'versions' && (
            <Versions id={id} replace={draft.replace} onClose={() => setBeside(undefined)} />
          )}
          {beside === 'family' && (
            <AsFamily
              id={id}
              step={
                (doc.steps ?? []).findIndex(
                  (s, i) =>
                    s.id === params.get('at') || params.get('at')?.startsWith(`/steps/${i}/`),
                ) + 1
              }
              languages={doc.languages}
              language={language}
              version={draft.state.base?.version ?? 0}
              lookedAt={lookedAt}
              onClose={() => setBeside(undefined)}
            />
          )}
        </div>
      )}
      {here === 'kitchens' && <Kitchens id={id} issued={assignment} />}
      {here === 'issue' && <Issue id={id} review={review} assignments={mine} title={title} />}
      {here === 'run' && <Run assignment={assignment} id={id} />}
      {here === 'collect' && <Collect assignment={assignment} id={id} />}
      {here === 'compare' && <Compare assignment={assignment} id={id} />}
    </EditingContext.Provider>
  );
}

/** What the experiment is called, with whom it is, and what can be opened beside it. */
function Heading({
  id,
  here,
  title,
  doc,
  mine,
  assignment,
  language,
  designing,
  beside,
  onLanguage,
  onBeside,
}: {
  id: string;
  here: Station;
  title: string;
  doc: Doc;
  mine: Schemas['AssignmentView'][];
  assignment: Schemas['AssignmentView'] | undefined;
  language: string;
  designing: boolean;
  beside: Beside;
  onLanguage: (language: string) => void;
  onBeside: (what: Beside) => void;
}) {
  const navigate = useNavigate();
  return (
    <header className="head">
      <h1 className="one-line" title={title}>
        {title}
      </h1>
      <span className="second">
        {say('experimentPage.ages', {
          replace: doc.age_band.replace('-', '–'),
          value: assignment
            ? say('experimentPage.version-issued', {
                classname: assignment.class_name,
                number: assignment.number,
              })
            : say('experimentPage.not-issued'),
        })}
      </span>
      <div className="aside">
        {designing && doc.languages.length > 1 && (
          <WritingLanguage doc={doc} language={language} onChoose={onLanguage} />
        )}
        {(here === 'run' || here === 'collect' || here === 'compare') && mine.length > 1 && (
          <OfClass
            mine={mine}
            chosen={assignment?.id}
            onChoose={(to) =>
              void navigate(`/experiments/${id}/${here}?assignment=${to.id}&class=${to.class}`)
            }
          />
        )}
        {designing && (
          <Button
            variant="outline-primary"
            aria-expanded={beside === 'family'}
            onClick={() => onBeside(beside === 'family' ? undefined : 'family')}
          >
            {say('asFamily.see')}
          </Button>
        )}
        {designing && assignment && (
          <Button
            variant="outline-primary"
            aria-expanded={beside === 'versions'}
            onClick={() => onBeside(beside === 'versions' ? undefined : 'versions')}
          >
            {say('versions.versions')}
          </Button>
        )}
        <ButtonLink href={`/api/v1/experiments/${id}/file`} download>
          {say('experimentPage.open-file')}
        </ButtonLink>
        <ButtonLink href={`/api/v1/experiments/${id}/text?language=${language}`} download>
          {say('experimentPage.for-reading')}
        </ButtonLink>
      </div>
    </header>
  );
}

/** In which of its languages the design is being written. */
function WritingLanguage({
  doc,
  language,
  onChoose,
}: {
  doc: Doc;
  language: string;
  onChoose: (language: string) => void;
}) {
  return (
    <>
      <label htmlFor="writing-language" className="small">
        {say('experimentPage.words-in')}
      </label>
      <FormSelect
        id="writing-language"
        className="w-auto"
        value={language}
        onChange={(e) => onChoose(e.target.value)}
      >
        {doc.languages.map((l) => (
          <option key={l} value={l}>
            {nameOf(l)}
          </option>
        ))}
      </FormSelect>
    </>
  );
}

/** Of which class the results are shown, where several have the experiment. */
function OfClass({
  mine,
  chosen,
  onChoose,
}: {
  mine: Schemas['AssignmentView'][];
  chosen: string | undefined;
  onChoose: (to: Schemas['AssignmentView']) => void;
}) {
  return (
    <>
      <label htmlFor="of-class" className="small">
        {say('classPage.class')}
      </label>
      <FormSelect
        id="of-class"
        className="w-auto"
        value={chosen}
        onChange={(e) => onChoose(mine.find((a) => a.id === e.target.value)!)}
      >
        {mine.map((a) => (
          <option key={a.id} value={a.id}>
            {say('experimentPage.version', {
              classname: a.class_name,
              number: a.number,
              value: a.state === 'recalled' ? say('experimentPage.taken-back') : '',
            })}
          </option>
        ))}
      </FormSelect>
    </>
  );
}
