import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { SideSheet } from '../parts/SideSheet';
import { Loading, PartError, ProblemLine } from '../parts/states';
import { nameIn } from '../../ui/language';
import { languages, otherLanguage, ownLanguage } from '../languages';
import { say } from '../words';
import { Text, Ticks } from './OwnFields';
import { useLarder } from './useLarder';

interface Own {
  name: Record<string, string | undefined>;
  roles: string[];
  hazards: string[];
  may_hold: string[];
  is?: Record<string, string>;
  capacity_ml?: { low: number; typical: number; high: number };
  caveat?: string;
  cost?: string;
  figures?: unknown[];
  contains?: unknown[];
  [more: string]: unknown;
}

interface Props {
  id: string;
  larder: Schemas['LarderView'];
  onClose: () => void;
  onKept: (id: string) => void;
}

/** A thing of the school's own, or a correction of a known one. */
export function OwnForm(props: Props) {
  const { id, onClose } = props;
  const known = useQuery({
    queryKey: ['thing', id],
    enabled: id !== '',
    queryFn: () =>
      got(api.GET('/api/v1/larder/things/{thing}', { params: { path: { thing: id } } })),
  });
  if (id && !known.data) {
    return (
      <SideSheet title={id} onClose={onClose}>
        {known.error ? (
          <PartError
            what={say('thingSheet.this-thing')}
            error={known.error}
            retry={() => void known.refetch()}
          />
        ) : (
          <Loading what={say('thingSheet.the-card')} />
        )}
      </SideSheet>
    );
  }
  return <Form key={id} {...props} known={known.data} />;
}

/** What the form begins with: the school's own entry, or what is known of the thing. */
function begun(c: Schemas['ThingCard'] | undefined): Own {
  if (!c) return { name: {}, roles: [], hazards: [], may_hold: [] };
  const kept = c.material as Own | undefined;
  if (kept)
    return {
      ...kept,
      roles: kept.roles ?? [],
      hazards: kept.hazards ?? [],
      may_hold: kept.may_hold ?? [],
    };
  return {
    name: { [ownLanguage()]: c.name, ...(c.other ? { [otherLanguage()]: c.other } : {}) },
    roles: c.jobs,
    hazards: [],
    may_hold: [],
    caveat: c.caveat,
  };
}

/** An id made of a thing's first name. */
const idOf = (own: Own) =>
  (own.name[languages[0]] || Object.values(own.name)[0] || '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);

/** Safety tags can be added, never taken from a known thing. */
function Form({
  id,
  larder,
  known,
  onClose,
  onKept,
}: Props & { known: Schemas['ThingCard'] | undefined }) {
  const client = useQueryClient();
  const [own, setOwn] = useState(() => begun(known));
  const [newID, setNewID] = useState('');
  const [density, setDensity] = useState('');
  const [problem, setProblem] = useState<unknown>();
  const target = id || newID.trim() || idOf(own);
  const keep = async () => {
    const rho = Number(density.replace(',', '.'));
    const { id: _id, own: _own, shelf: _shelf, ...material } = own;
    if (rho > 0)
      material.figures = [
        { text: `rho ${rho}`, key: 'rho', low: rho, high: rho, unit: 'g/mL', quality: 'varies' },
      ];
    try {
      await got(
        api.PUT('/api/v1/larder/own/{thing}', {
          params: { path: { thing: target } },
          body: { material },
        }),
      );
      await client.invalidateQueries();
      onKept(target);
    } catch (error) {
      setProblem(error);
    }
  };
  const toggle = (field: 'roles' | 'hazards' | 'may_hold', value: string) =>
    setOwn({
      ...own,
      [field]: own[field].includes(value)
        ? own[field].filter((x) => x !== value)
        : [...own[field], value],
    });
  return (
    <SideSheet
      title={
        id
          ? say('ownForm.your-schools', { words: known?.name ?? id })
          : say('ownForm.a-thing-of-your-own')
      }
      onClose={onClose}
    >
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void keep();
        }}
      >
        <p className="hint small">{say('ownForm.marked-your-schools-everywhere-safety-tags')}</p>
        {languages.map((code) => (
          <Text
            key={code}
            label={say('ownForm.name-in', { language: nameIn(code, ownLanguage()) })}
            id={`own-${code}`}
            value={own.name[code] ?? ''}
            set={(v) => setOwn({ ...own, name: { ...own.name, [code]: v } })}
          />
        ))}
        <Questions
          own={own}
          known={Boolean(known && !known.own)}
          onAnswer={(q, value) => setOwn({ ...own, is: { ...own.is, [q]: value } })}
        />
        {own.is?.closes && own.is.closes !== 'no-vessel' && (
          <Capacity own={own} set={(capacity_ml) => setOwn({ ...own, capacity_ml })} />
        )}
        {!id && (
          <Text
            label={say('ownForm.id')}
            id="own-id"
            value={newID}
            set={setNewID}
            hint={target || 'school-soap'}
          />
        )}
        <Jobs roles={own.roles} jobs={larder.jobs} toggle={(v) => toggle('roles', v)} />
        <Text
          label={say('ownForm.density-if-poured-in-g-ml')}
          id="own-rho"
          value={density}
          set={setDensity}
          hint="1.03"
        />
        <Ticks
          legend={say('ownForm.hazards')}
          list={larder.tags}
          on={own.hazards}
          toggle={(v) => toggle('hazards', v)}
        />
        <Ticks
          legend={say('ownForm.holds-or-may-hold')}
          list={larder.allergens}
          on={own.may_hold}
          toggle={(v) => toggle('may_hold', v)}
        />
        <Text
          label={say('ownForm.what-to-know-about-it')}
          id="own-caveat"
          value={own.caveat ?? ''}
          set={(v) => setOwn({ ...own, caveat: v })}
        />
        <ProblemLine error={problem} />
        <p className="ways">
          <Button type="submit">{say('homeSheet.keep-it')}</Button>
        </p>
      </form>
    </SideSheet>
  );
}

/** Which jobs a thing can do: a press takes one out, the list adds one. */
function Jobs({
  roles,
  jobs,
  toggle,
}: {
  roles: string[];
  jobs: Schemas['LarderView']['jobs'];
  toggle: (job: string) => void;
}) {
  const { jobName } = useLarder();
  return (
    <>
      <label className="named" htmlFor="own-job">
        {say('ownForm.jobs-it-can-do')}
      </label>
      <p className="m-0">
        {roles.map((r) => (
          <Button
            key={r}
            variant="plain"
            className="small me-3"
            aria-label={say('ownForm.take-out', { words: jobName(r) })}
            onClick={() => toggle(r)}
          >
            {jobName(r)} ✕
          </Button>
        ))}
      </p>
      <FormSelect id="own-job" value="" onChange={(e) => e.target.value && toggle(e.target.value)}>
        <option value="">{say('ownForm.add-a-job')}</option>
        {jobs
          .filter((j) => !roles.includes(j.id))
          .map((j) => (
            <option key={j.id} value={j.id}>
              {j.name}
            </option>
          ))}
      </FormSelect>
    </>
  );
}

/** What is asked of a thing of one's own, one answer bringing the next question; judged as the worst until it is answered. */
function Questions({
  own,
  known,
  onAnswer,
}: {
  own: Own;
  known: boolean;
  onAnswer: (question: string, value: string) => void;
}) {
  const { name, roles, hazards, may_hold, is, contains } = own;
  const material = { name, roles, hazards, may_hold, is, contains };
  const described = useQuery({
    queryKey: ['describe', material],
    enabled: !known && Object.values(name).some(Boolean),
    placeholderData: (before: Schemas['DescribedView'] | undefined) => before,
    queryFn: () => got(api.POST('/api/v1/preview/thing', { body: { material } })),
  });
  const d = described.data;
  if (known || !d) return null;
  return (
    <fieldset className="my-2">
      <legend className="named small m-0">{say('constantsBand.what-it-is')}</legend>
      {d.like && (
        <Notice live>
          {d.refused
            ? say('ownForm.this-is-called-like-which-is', { like: d.like })
            : say('ownForm.this-sounds-like-which-is-never', { like: d.like })}
        </Notice>
      )}
      <p className="small second" role="status">
        {d.left > 0
          ? say('ownForm.open-until-then-it-is-judged', {
              value:
                d.left === 1
                  ? say('ownForm.one-question-is')
                  : say('ownForm.questions-are', { left: d.left }),
            })
          : say('ownForm.all-is-answered-what-you-deny')}
        {d.unknown && say('ownForm.no-word-of-the-larder-explains')}
      </p>
      {d.questions.map((q) => (
        <div key={q.id} className="field">
          <label className="small" htmlFor={`is-${q.id}`}>
            {q.question}
          </label>
          <FormSelect
            id={`is-${q.id}`}
            value={q.answer ?? ''}
            onChange={(e) => onAnswer(q.id, e.target.value)}
          >
            <option value="" disabled>
              {say('ownForm.not-answered')}
            </option>
            {q.answers.map((a) => (
              <option key={a.id} value={a.id}>
                {a.text}
              </option>
            ))}
          </FormSelect>
        </div>
      ))}
    </fieldset>
  );
}

/** How much fills a vessel to the brim, measured with water. */
function Capacity({ own, set }: { own: Own; set: (c: Own['capacity_ml']) => void }) {
  const [low, setLow] = useState(String(own.capacity_ml?.low ?? ''));
  const [high, setHigh] = useState(String(own.capacity_ml?.high ?? ''));
  const keep = () => {
    const [a, b] = [Number(low.replace(',', '.')), Number((high || low).replace(',', '.'))];
    set(a > 0 && b >= a ? { low: a, typical: (a + b) / 2, high: b } : undefined);
  };
  return (
    <div className="field-row" onBlur={keep}>
      <Text
        label={say('ownForm.it-holds-at-least-in-ml')}
        id="own-low"
        value={low}
        set={setLow}
        hint="480"
      />
      <Text
        label={say('ownForm.and-at-most-in-ml')}
        id="own-high"
        value={high}
        set={setHigh}
        hint="500"
      />
    </div>
  );
}
