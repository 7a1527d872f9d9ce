import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { languageChoices, nameOf } from '../languages';
import { time } from '../parts/dates';
import { Grid } from '../parts/Grid';
import { ProblemLine } from '../parts/states';
import { say } from '../words';

type HomeView = Schemas['HomeView'];

interface Props {
  classId: string;
  homes: HomeView[];
  chosen: string | null;
  zone: string;
  onOpen: (home: string) => void;
  onChanged: (count: number) => void;
}

/** How many homes a list has before it is worth searching. */
const worthFinding = 5;

const has = (h: HomeView, text: string) =>
  [h.nickname, h.letters, ...(h.students ?? []), h.note, h.contact, nameOf(h.language ?? '')]
    .join(' ')
    .toLowerCase()
    .includes(text.toLowerCase());

/** The homes of a class: found by what stands of them, changed one by one or several together. */
export function HomesTable({ classId, homes, chosen, zone, onOpen, onChanged }: Props) {
  const [text, setText] = useState('');
  const [ticked, setTicked] = useState<string[]>([]);
  const shown = homes.filter((h) => has(h, text.trim()));
  const picked = shown.filter((h) => ticked.includes(h.id));
  const tick = (id: string, on: boolean) =>
    setTicked(on ? [...ticked, id] : ticked.filter((t) => t !== id));
  return (
    <>
      {homes.length > worthFinding && (
        <div className="field-row">
          <div className="field-320">
            <label className="named" htmlFor="find-home">
              {say('classPage.find')}
            </label>
            <FormControl
              id="find-home"
              type="search"
              placeholder={say('classPage.find-hint')}
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
          </div>
        </div>
      )}
      <Together
        classId={classId}
        homes={picked.map((h) => h.id)}
        onDone={(n) => {
          setTicked([]);
          onChanged(n);
        }}
      />
      {shown.length === 0 && <p role="status">{say('classPage.none-found', { text })}</p>}
      <div className="scroll">
        <Grid>
          <thead>
            <tr>
              <th scope="col">
                <FormCheckInput
                  aria-label={say('classPage.choose-all')}
                  checked={shown.length > 0 && picked.length === shown.length}
                  onChange={(e) => setTicked(e.target.checked ? shown.map((h) => h.id) : [])}
                />
              </th>
              <th scope="col">
                <span className="visually-hidden">{say('classPage.letters')}</span>
              </th>
              <th scope="col">{say('classPage.home')}</th>
              <th scope="col">{say('classPage.students')}</th>
              <th scope="col">{say('classPage.language')}</th>
              <th scope="col">{say('classPage.guardians-phone')}</th>
              <th scope="col">{say('classPage.link-opened')}</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((h) => (
              <tr key={h.id} className={h.id === chosen ? 'chosen' : ''}>
                <td>
                  <FormCheckInput
                    aria-label={say('classPage.choose', { nickname: h.nickname })}
                    checked={ticked.includes(h.id)}
                    onChange={(e) => tick(h.id, e.target.checked)}
                  />
                </td>
                <td>{h.letters}</td>
                <th scope="row">
                  <Button variant="plain" className="fw-bold" onClick={() => onOpen(h.id)}>
                    <NameLabel name={h.nickname} />
                  </Button>
                </th>
                <td>{h.students?.join(', ')}</td>
                <td>{nameOf(h.language ?? '')}</td>
                <td>{h.phone}</td>
                <td>
                  {h.opened_at ? (
                    time(h.opened_at, zone)
                  ) : (
                    <span className="cell-missing">{say('classPage.not-yet')}</span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </Grid>
      </div>
    </>
  );
}

/** What can be done with several homes at once. */
function Together({
  classId,
  homes,
  onDone,
}: {
  classId: string;
  homes: string[];
  onDone: (count: number) => void;
}) {
  const [error, setError] = useState<unknown>();
  if (homes.length === 0) return null;
  const change = async (body: Omit<Schemas['ManyFields'], 'homes'>) => {
    setError(undefined);
    try {
      const done = await got(
        api.POST('/api/v1/classes/{class}/homes/change', {
          params: { path: { class: classId } },
          body: { homes, ...body },
        }),
      );
      onDone(done.homes);
    } catch (e) {
      setError(e);
    }
  };
  return (
    <section
      className="d-flex gap-2 align-items-center flex-wrap my-2"
      aria-label={say('classPage.chosen', { count: homes.length })}
    >
      <strong>{say('classPage.chosen', { count: homes.length })}</strong>
      <label className="named" htmlFor="many-language">
        {say('classPage.write-in')}
      </label>
      <FormSelect
        id="many-language"
        className="w-auto"
        value=""
        onChange={(e) => void change({ change: 'language', language: e.target.value })}
      >
        <option value="">{say('classPage.choose-language')}</option>
        {languageChoices.map(([code, name]) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </FormSelect>
      <Button variant="outline-primary" onClick={() => void change({ change: 'new-links' })}>
        {say('classPage.new-links')}
      </Button>
      <Button variant="outline-primary" onClick={() => void change({ change: 'take-out' })}>
        {say('classPage.take-them-out')}
      </Button>
      <ProblemLine error={error} />
    </section>
  );
}
