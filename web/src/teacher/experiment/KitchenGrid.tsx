import { useState, type KeyboardEvent } from 'react';
import { api, got, type Schemas } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { FileButton } from '../parts/FileButton';
import { Grid } from '../parts/Grid';
import { Notice } from '../parts/Notice';
import { ProblemLine } from '../parts/states';
import { ownLanguage } from '../languages';
import { say } from '../words';
import type { Matrix } from './KitchenMarks';

type Answers = Schemas['Fields'];
type Question = Schemas['Question'];

interface Props {
  m: Matrix;
  experiment: string;
  onSaved: () => void;
}

/** What homes told their teacher, typed in fast: a letter or digit answers and goes on, arrows move. */
export function KitchenGrid({ m, experiment, onSaved }: Props) {
  const [typed, setTyped] = useState<Record<string, Answers>>({});
  const [error, setError] = useState<unknown>();
  const asked = m.questions.filter(
    (q) => !q.for || m.homes.some((h) => (typed[h.home] ?? h.answers).things[q.for!] === 'none'),
  );
  const homes = [...m.homes].sort((a, b) => a.nickname.localeCompare(b.nickname));
  const save = async (home: string, next: Answers) => {
    setTyped((all) => ({ ...all, [home]: next }));
    setError(undefined);
    try {
      await got(
        api.PUT('/api/v1/classes/{class}/homes/{home}/kitchen', {
          params: { path: { class: m.class, home } },
          body: next,
        }),
      );
      onSaved();
    } catch (e) {
      setError(e);
    }
  };
  return (
    <section aria-label={say('kitchenGrid.answers')}>
      <p className="hint small">{say('kitchenGrid.keys')}</p>
      <Table m={m} experiment={experiment} onRead={onSaved} />
      <ProblemLine error={error} />
      <div
        className="scroll"
        tabIndex={0}
        role="region"
        aria-label={say('kitchenGrid.type-them-in')}
      >
        <Grid dense className="kitchens" label={say('kitchenGrid.answers')}>
          <thead>
            <tr>
              <th scope="col">{say('classPage.home')}</th>
              {asked.map((q) => (
                <th key={q.id} scope="col">
                  {q.name}
                  {q.tool && <span className="second d-block">{keysOf(q)}</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {homes.map((h) => {
              const now = typed[h.home] ?? h.answers;
              return (
                <tr key={h.home}>
                  <th scope="row" className="text-nowrap">
                    <NameLabel name={h.nickname} />
                  </th>
                  {asked.map((q) => (
                    <td key={q.id}>
                      <button
                        type="button"
                        className="cell"
                        aria-label={`${h.nickname}, ${q.name}: ${shown(now, q) || say('kitchens.not-said')}`}
                        onKeyDown={(e) => press(e, q, now, (next) => void save(h.home, next))}
                        onClick={() => void save(h.home, cycled(now, q))}
                      >
                        {shown(now, q) || <span aria-hidden="true">…</span>}
                      </button>
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </Grid>
      </div>
    </section>
  );
}

/** The same as a file for a spreadsheet, and back. */
function Table({ m, experiment, onRead }: { m: Matrix; experiment: string; onRead: () => void }) {
  const [read, setRead] = useState<Schemas['ReadKitchens']>();
  const [error, setError] = useState<unknown>();
  const take = async (file: File) => {
    setError(undefined);
    try {
      setRead(
        await got(
          api.POST('/api/v1/classes/{class}/experiments/{experiment}/kitchens', {
            params: { path: { class: m.class, experiment } },
            body: { text: await file.text() },
          }),
        ),
      );
      onRead();
    } catch (e) {
      setError(e);
    }
  };
  return (
    <>
      <p>
        <a
          href={`/api/v1/classes/${m.class}/experiments/${experiment}/kitchens.csv?language=${ownLanguage()}`}
          download
        >
          {say('kitchenGrid.as-a-table')}
        </a>{' '}
        <FileButton
          words={say('kitchenGrid.from-a-table')}
          accept=".csv,.txt,.tsv,text/csv"
          onFile={(file) => void take(file)}
        />{' '}
        <a
          href={`/print/classes/${m.class}/experiments/${experiment}/survey?language=${ownLanguage()}`}
          target="_blank"
          rel="noreferrer"
        >
          {say('kitchenGrid.survey-on-paper')}
        </a>
      </p>
      <ProblemLine error={error} />
      {read && (
        <Notice kind="note">
          {say('kitchenGrid.read', { count: read.saved })}
          {read.problems.map((p) => (
            <span key={p} className="d-block">
              {p}
            </span>
          ))}
        </Notice>
      )}
    </>
  );
}

const words: Record<string, string> = {
  have: say('kitchens.have'),
  get: say('kitchens.can-get'),
  none: say('kitchens.has-none'),
};

const shown = (a: Answers, q: Question) => {
  const value = q.tool ? a.tools?.[q.id] : a.things[q.id];
  return value ? (words[value] ?? value) : '';
};

/** Of a tool: which digit means which step. */
const keysOf = (q: Question) => (q.steps ?? []).map((step, i) => `${i + 1} ${step}`).join(' · ');

function set(a: Answers, q: Question, value: string | undefined): Answers {
  const all: Record<string, string> = { ...(q.tool ? a.tools : a.things) };
  if (value) all[q.id] = value;
  else delete all[q.id];
  return q.tool ? { ...a, tools: all } : { ...a, things: all };
}

const choices = (q: Question) => (q.tool ? [...(q.steps ?? []), 'none'] : ['have', 'get', 'none']);

/** The next answer, for who has no keys. */
function cycled(a: Answers, q: Question): Answers {
  const all = [...choices(q), undefined];
  const value = q.tool ? a.tools?.[q.id] : a.things[q.id];
  return set(a, q, all[(all.indexOf(value) + 1) % all.length]);
}

/** A key answers and goes down; arrows move. */
function press(
  e: KeyboardEvent<HTMLButtonElement>,
  q: Question,
  now: Answers,
  save: (next: Answers) => void,
) {
  const by = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[e.key];
  if (by) {
    e.preventDefault();
    move(e.currentTarget, by[0], by[1]);
    return;
  }
  const digit = Number(e.key) - 1;
  const value =
    e.key === 'n' || e.key === '0'
      ? 'none'
      : q.tool
        ? q.steps?.[digit]
        : { h: 'have', g: 'get', 1: 'have', 2: 'get', 3: 'none' }[e.key];
  if (value === undefined && e.key !== 'Backspace') return;
  e.preventDefault();
  save(set(now, q, value));
  move(e.currentTarget, 1, 0);
}

function move(from: HTMLElement, rows: number, columns: number) {
  const td = from.closest('td')!;
  const tr = td.parentElement as HTMLTableRowElement;
  const all = [...(tr.parentElement as HTMLTableSectionElement).rows];
  all[all.indexOf(tr) + rows]?.cells[td.cellIndex + columns]?.querySelector('button')?.focus();
}
