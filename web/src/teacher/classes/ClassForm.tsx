import { useState } from 'react';
import { useFieldArray, useForm, type Control, type UseFormRegister } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import FormCheck from 'react-bootstrap/FormCheck';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, ProblemError, type Schemas } from '../../api/client';
import { Labelled } from '../parts/Labelled';
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
        <Labelled id="name" words={say('classForm.name')}>
          <FormControl id="name" {...register('name')} />
        </Labelled>
        <Labelled id="school" words={say('classForm.school')}>
          <FormControl id="school" {...register('school')} />
        </Labelled>
        <Labelled id="zone" words={say('classForm.time-zone')}>
          <FormSelect id="zone" {...register('zone')}>
            {zones.map((z) => (
              <option key={z} value={z}>
                {z.replaceAll('_', ' ')}
              </option>
            ))}
          </FormSelect>
        </Labelled>
      </div>
      <Customs register={register} />
      <div className="field-row">
        <Labelled id="photo_days" words={say('classForm.photos-are-kept-days-after-closing')}>
          <FormControl
            id="photo_days"
            type="number"
            min={1}
            max={400}
            {...register('photo_days')}
          />
        </Labelled>
        <Labelled id="keep_until" words={say('classForm.everything-else-until')}>
          <FormControl id="keep_until" type="date" {...register('keep_until')} />
        </Labelled>
      </div>
      <Usual register={register} />
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

/** The language of most homes, what their spoons hold, and whom they call. */
function Customs({ register }: { register: UseFormRegister<Fields> }) {
  return (
    <div className="field-row">
      <Labelled id="language" words={say('classForm.language-of-most-homes')}>
        <FormSelect id="language" {...register('language')}>
          {languageChoices.map(([code, name]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </FormSelect>
      </Labelled>
      <Labelled id="unit_system" words={say('classForm.cups-and-spoons')}>
        <FormSelect id="unit_system" {...register('unit_system')}>
          <option value="metric">{say('classForm.metric-5-15-and-250-ml')}</option>
          <option value="uk">{say('classForm.uk-5-and-15-ml-imperial')}</option>
          <option value="us">{say('classForm.us-4-9-14-8-and')}</option>
          <option value="au">{say('classForm.australia-5-20-and-250-ml')}</option>
        </FormSelect>
      </Labelled>
      <Labelled id="emergency_number" words={say('classForm.emergency-number')}>
        <FormControl
          id="emergency_number"
          inputMode="tel"
          placeholder={say('classForm.such-as-112')}
          {...register('emergency_number')}
        />
      </Labelled>
      <Labelled id="poison_number" words={say('classForm.poison-advice')}>
        <FormControl id="poison_number" inputMode="tel" {...register('poison_number')} />
      </Labelled>
    </div>
  );
}

/** What is so of the place for all homes that have not measured it. */
function Usual({ register }: { register: UseFormRegister<Fields> }) {
  return (
    <>
      <div className="field-row">
        {places.map(([id, words, example]) => (
          <Labelled key={id} id={`usual-${id}`} words={words}>
            <FormControl id={`usual-${id}`} placeholder={example} {...register(`usual.${id}`)} />
          </Labelled>
        ))}
      </div>
      <p className="hint small">{say('classForm.usual-hint')}</p>
    </>
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
          <Labelled id={`first-${f.id}`} words={say('classForm.first-day')}>
            <FormControl
              id={`first-${f.id}`}
              type="date"
              required
              {...register(`holidays.${i}.first`)}
            />
          </Labelled>
          <Labelled id={`last-${f.id}`} words={say('classForm.last-day')}>
            <FormControl
              id={`last-${f.id}`}
              type="date"
              required
              {...register(`holidays.${i}.last`)}
            />
          </Labelled>
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
