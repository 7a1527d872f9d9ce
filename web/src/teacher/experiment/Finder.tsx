import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import type { Schemas } from '../../api/client';
import { inOwn } from '../languages';
import { say } from '../words';

/** What a teacher looks for among the experiments. */
export interface Asked {
  about: string;
  ages: string;
  /** Minutes from first to last; 0 for any time. */
  within: number;
  adult: 'any' | 'none';
}

export const all: Asked = { about: '', ages: '', within: 0, adult: 'any' };

/** Whether an experiment is one of those asked for. */
export function suits(e: Schemas['ExperimentRow'], asked: Asked): boolean {
  const said = `${e.title} ${inOwn(e.question)} ${e.spans.map((s) => s.title).join(' ')}`;
  return (
    asked.about
      .toLowerCase()
      .split(/\s+/)
      .every((word) => said.toLowerCase().includes(word)) &&
    (asked.ages === '' || e.age_band === asked.ages) &&
    (asked.within === 0 || e.minutes <= asked.within) &&
    (asked.adult === 'any' || !e.adult)
  );
}

const bands = ['5-7', '8-10', '11-13', '14-18'];

/** One sentence of filters over the list. */
export function Finder({ asked, onAsk }: { asked: Asked; onAsk: (asked: Asked) => void }) {
  return (
    <search className="finder">
      <label htmlFor="finder-about">{say('finder.about')}</label>
      <FormControl
        id="finder-about"
        size="sm"
        type="search"
        value={asked.about}
        maxLength={60}
        onChange={(e) => onAsk({ ...asked, about: e.target.value })}
      />
      <label htmlFor="finder-ages">{say('finder.for-ages')}</label>
      <FormSelect
        id="finder-ages"
        size="sm"
        value={asked.ages}
        onChange={(e) => onAsk({ ...asked, ages: e.target.value })}
      >
        <option value="">{say('finder.all')}</option>
        {bands.map((b) => (
          <option key={b} value={b}>
            {b.replace('-', '–')}
          </option>
        ))}
      </FormSelect>
      <label htmlFor="finder-within">{say('finder.done-within')}</label>
      <FormSelect
        id="finder-within"
        size="sm"
        value={asked.within}
        onChange={(e) => onAsk({ ...asked, within: Number(e.target.value) })}
      >
        <option value={0}>{say('finder.any-time')}</option>
        {[30, 45, 90].map((minutes) => (
          <option key={minutes} value={minutes}>
            {say('finder.minutes', { minutes })}
          </option>
        ))}
      </FormSelect>
      <label htmlFor="finder-adult">{say('finder.with')}</label>
      <FormSelect
        id="finder-adult"
        size="sm"
        value={asked.adult}
        onChange={(e) => onAsk({ ...asked, adult: e.target.value as Asked['adult'] })}
      >
        <option value="any">{say('finder.with-or-without')}</option>
        <option value="none">{say('finder.no-adult')}</option>
      </FormSelect>
    </search>
  );
}
