import { useState } from 'react';
import { useFieldArray, useForm, type Control, type UseFormRegister } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import FormCheck from 'react-bootstrap/FormCheck';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, ProblemError, type Schemas } from '../../api/client';
import { ProblemLine } from '../parts/states';
import { languageChoices, ownLanguage } from '../languages';
import { say } from '../words';

type ClassView = Schemas['ClassView'];
type Fields = Schemas['ClassFields'];

const inAYear = () => {
  const d = new Date();
  return `${d.getMonth() >= 7 ? d.getFullYear() + 1 : d.getFullYear()}-07-31`;
};

/** This computer's time zone first, then all. */
const here = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
const zones = [...new Set([here, 'UTC', ...Intl.supportedValuesOf('timeZone')])];

/** What a class can say of its place for all homes that have not measured it. */
const places: [string, string, string][] = [
  ['altitude', say('classForm.height-above-the-sea'), '412 m'],
  ['kitchen-temperature', say('classForm.usual-kitchen'), '19 °C'],
  ['water-temperature', say('classForm.usual-water'), '12 °C'],
];

/** A class's settings: what families read, what "cup" means, whom to call, how long things are kept. */
export function ClassForm({
  now,
  onSaved,
  onCancel,
}: {
  now?: ClassView;
  onSaved: (c: ClassView) => void;
  onCancel: () => void;
}) {
  const { register, handleSubmit, setFocus, control } = useForm<Fields>({
    values: now, // what another window changes arrives, beside what is typed here
    resetOptions: { keepDirtyValues: true },
    defaultValues: {
      name: '',
      school: '',
      zone: here,
      language: ownLanguage(),
      unit_system: 'metric',
      emergency_number: '',
      poison_number: '',
      photo_days: 30,
      keep_until: inAYear(),
      needs_assessment: false,
    },
  });
  const [error, setError] = useState<unknown>();
  const submit = handleSubmit(async (f) => {
    setError(undefined);
    const body: Fields = {
      name: f.name,
      school: f.school,
      zone: f.zone,
      language: f.language,
      unit_system: f.unit_system,
      emergency_number: f.emergency_number,
      poison_number: f.poison_number,
      photo_days: Number(f.photo_days),
      keep_until: f.keep_until,
      needs_assessment: f.needs_assessment,
      usual: f.usual,
      holidays: f.holidays,
    };
    try {
      onSaved(
        now
          ? await got(
              api.PUT('/api/v1/classes/{class}', {
                params: { path: { class: now.id }, header: { 'If-Match': String(now.version) } },
                body,
              }),
            )
          : await got(api.POST('/api/v1/classes', { body })),
      );
    } catch (e) {
      setError(e);
      if (e instanceof ProblemError && e.problem.field) setFocus(e.problem.field as keyof Fields);
    }
  });
  return (
    <form onSubmit={(e) => void submit(e)}>
      <div className="field-row">
        <div>
          <label className="named" htmlFor="name">
            {say('classForm.name')}
          </label>
          <FormControl id="name" {...register('name')} />
        </div>
        <div>
          <label className="named" htmlFor="school">
            {say('classForm.school')}
          </label>
          <FormControl id="school" {...register('school')} />
        </div>
        <div>
          <label className="named" htmlFor="zone">
            {say('classForm.time-zone')}
          </label>
          <FormSelect id="zone" {...register('zone')}>
            {zones.map((z) => (
              <option key={z} value={z}>
                {z.replaceAll('_', ' ')}
              </option>
            ))}
          </FormSelect>
        </div>
      </div>
      <div className="field-row">
        <div>
          <label className="named" htmlFor="language">
            {say('classForm.language-of-most-homes')}
          </label>
          <FormSelect id="language" {...register('language')}>
            {languageChoices.map(([code, name]) => (
              <option key={code} value={code}>
                {name}
              </option>
            ))}
          </FormSelect>
        </div>
        <div>
          <label className="named" htmlFor="unit_system">
            {say('classForm.cups-and-spoons')}
          </label>
          <FormSelect id="unit_system" {...register('unit_system')}>
            <option value="metric">{say('classForm.metric-5-15-and-250-ml')}</option>
            <option value="uk">{say('classForm.uk-5-and-15-ml-imperial')}</option>
            <option value="us">{say('classForm.us-4-9-14-8-and')}</option>
            <option value="au">{say('classForm.australia-5-20-and-250-ml')}</option>
          </FormSelect>
        </div>
        <div>
          <label className="named" htmlFor="emergency_number">
            {say('classForm.emergency-number')}
          </label>
          <FormControl
            id="emergency_number"
            inputMode="tel"
            placeholder={say('classForm.such-as-112')}
            {...register('emergency_number')}
          />
        </div>
        <div>
          <label className="named" htmlFor="poison_number">
            {say('classForm.poison-advice')}
          </label>
          <FormControl id="poison_number" inputMode="tel" {...register('poison_number')} />
        </div>
      </div>
      <div className="field-row">
        <div>
          <label className="named" htmlFor="photo_days">
            {say('classForm.photos-are-kept-days-after-closing')}
          </label>
          <FormControl
            id="photo_days"
            type="number"
            min={1}
            max={400}
            {...register('photo_days')}
          />
        </div>
        <div>
          <label className="named" htmlFor="keep_until">
            {say('classForm.everything-else-until')}
          </label>
          <FormControl id="keep_until" type="date" {...register('keep_until')} />
        </div>
      </div>
      <div className="field-row">
        {places.map(([id, words, example]) => (
          <div key={id}>
            <label className="named" htmlFor={`usual-${id}`}>
              {words}
            </label>
            <FormControl id={`usual-${id}`} placeholder={example} {...register(`usual.${id}`)} />
          </div>
        ))}
      </div>
      <p className="hint small">{say('classForm.usual-hint')}</p>
      <Holidays control={control} register={register} />
      <p className="hint small">{say('classForm.without-both-numbers-nothing-can-be')}</p>
      <FormCheck
        id="needs_assessment"
        className="mb-3"
        label={say('classForm.issue-nothing-without-the-schools-own')}
        {...register('needs_assessment')}
      />
      <ProblemLine error={error} />
      <Button type="submit">
        {now ? say('classForm.save') : say('classForm.make-the-class')}
      </Button>{' '}
      <Button variant="outline-primary" onClick={onCancel}>
        {say('classForm.close')}
      </Button>
    </form>
  );
}

/** The days on which nothing is asked of homes: work is planned around them. */
function Holidays({
  control,
  register,
}: {
  control: Control<Fields>;
  register: UseFormRegister<Fields>;
}) {
  const { fields, append, remove } = useFieldArray({ control, name: 'holidays' });
  return (
    <div role="group" aria-labelledby="holidays">
      <strong id="holidays" className="named">
        {say('classForm.holidays')}
      </strong>
      {fields.map((f, i) => (
        <div key={f.id} className="field-row">
          <div>
            <label className="named" htmlFor={`first-${f.id}`}>
              {say('classForm.first-day')}
            </label>
            <FormControl
              id={`first-${f.id}`}
              type="date"
              required
              {...register(`holidays.${i}.first`)}
            />
          </div>
          <div>
            <label className="named" htmlFor={`last-${f.id}`}>
              {say('classForm.last-day')}
            </label>
            <FormControl
              id={`last-${f.id}`}
              type="date"
              required
              {...register(`holidays.${i}.last`)}
            />
          </div>
          <Button variant="outline-primary" className="flex-none" onClick={() => remove(i)}>
            {say('classForm.remove-holidays')}
          </Button>
        </div>
      ))}
      <p className="hint small">
        {say('classForm.holidays-hint')}{' '}
        <Button variant="plain" onClick={() => append({ first: '', last: '' })}>
          {say('classForm.add-holidays')}
        </Button>
      </p>
    </div>
  );
}
