import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, ProblemError, type Schemas } from '../../api/client';
import { ProblemLine } from '../frame/parts';

type ClassView = Schemas['ClassView'];
type Fields = Schemas['ClassFields'];

const inAYear = () => {
  const d = new Date();
  return `${d.getMonth() >= 7 ? d.getFullYear() + 1 : d.getFullYear()}-07-31`;
};

/** This computer's time zone first, then all. */
const here = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
const zones = [...new Set([here, 'UTC', ...Intl.supportedValuesOf('timeZone')])];

/** A class's settings: what families read, what "cup" means, whom to call, how long things are kept. */
export function ClassForm({ now, onSaved, onCancel }: { now?: ClassView; onSaved: (c: ClassView) => void; onCancel: () => void }) {
  const { register, handleSubmit, setFocus } = useForm<Fields>({
    defaultValues: now ?? { name: '', school: '', zone: here, language: 'en', unit_system: 'metric', emergency_number: '', poison_number: '', photo_days: 30, keep_until: inAYear(), needs_assessment: false },
  });
  const [error, setError] = useState<unknown>();
  const submit = handleSubmit(async (f) => {
    setError(undefined);
    const body: Fields = { name: f.name, school: f.school, zone: f.zone, language: f.language, unit_system: f.unit_system, emergency_number: f.emergency_number, poison_number: f.poison_number, photo_days: Number(f.photo_days), keep_until: f.keep_until, needs_assessment: f.needs_assessment };
    try {
      onSaved(now ? await ask<ClassView>('PUT', `/classes/${now.id}`, { body, version: now.version }) : await ask<ClassView>('POST', '/classes', { body }));
    } catch (e) {
      setError(e);
      if (e instanceof ProblemError && e.problem.field) setFocus(e.problem.field as keyof Fields);
    }
  });
  return (
    <form onSubmit={(e) => void submit(e)}>
      <div className="field-row">
        <div>
          <label className="named" htmlFor="name">Name</label>
          <input id="name" className="form-control" {...register('name')} />
        </div>
        <div>
          <label className="named" htmlFor="school">School</label>
          <input id="school" className="form-control" {...register('school')} />
        </div>
        <div>
          <label className="named" htmlFor="zone">Time zone</label>
          <select id="zone" className="form-select" {...register('zone')}>
            {zones.map((z) => (
              <option key={z} value={z}>
                {z.replaceAll('_', ' ')}
              </option>
            ))}
          </select>
        </div>
      </div>
      <div className="field-row">
        <div>
          <label className="named" htmlFor="language">Language of most homes</label>
          <select id="language" className="form-select" {...register('language')}>
            <option value="en">English</option>
            <option value="es">Español</option>
          </select>
        </div>
        <div>
          <label className="named" htmlFor="unit_system">Cups and spoons</label>
          <select id="unit_system" className="form-select" {...register('unit_system')}>
            <option value="metric">metric: 5, 15 and 250 mL</option>
            <option value="uk">UK: 5 and 15 mL, imperial fl oz</option>
            <option value="us">US: 4.9, 14.8 and 237 mL</option>
            <option value="au">Australia: 5, 20 and 250 mL</option>
          </select>
        </div>
        <div>
          <label className="named" htmlFor="emergency_number">Emergency number</label>
          <input id="emergency_number" className="form-control" inputMode="tel" placeholder="such as 112" {...register('emergency_number')} />
        </div>
        <div>
          <label className="named" htmlFor="poison_number">Poison advice</label>
          <input id="poison_number" className="form-control" inputMode="tel" {...register('poison_number')} />
        </div>
      </div>
      <div className="field-row">
        <div>
          <label className="named" htmlFor="photo_days">Photos are kept, days after closing</label>
          <input id="photo_days" className="form-control" type="number" min={1} max={400} {...register('photo_days')} />
        </div>
        <div>
          <label className="named" htmlFor="keep_until">Everything else until</label>
          <input id="keep_until" className="form-control" type="date" {...register('keep_until')} />
        </div>
      </div>
      <p className="hint small">Without both numbers nothing can be issued. Families see how long things are kept.</p>
      <div className="form-check" style={{ marginBottom: 12 }}>
        <input id="needs_assessment" className="form-check-input" type="checkbox" {...register('needs_assessment')} />
        <label className="form-check-label" htmlFor="needs_assessment">Issue nothing without the school’s own assessment of it</label>
      </div>
      <ProblemLine error={error} />
      <button type="submit" className="btn btn-primary">
        {now ? 'Save' : 'Make the class'}
      </button>{' '}
      <button type="button" className="btn btn-outline-primary" onClick={onCancel}>
        Close
      </button>
    </form>
  );
}
