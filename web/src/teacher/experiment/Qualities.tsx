import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import type { Schemas } from '../../api/client';
import type { Need } from '../draft/document';
import { useEditing } from '../draft/fields';
import { say } from '../words';

type Asked = NonNullable<Need['qualities']>[number];

/** What whatever does the job has to be: it falls out of the stand-ins where nothing says that it is, and families read it on their list. */
export function Qualities({
  path,
  value,
  known,
}: {
  path: (string | number)[];
  value: Asked[];
  known: Schemas['QualityRow'][];
}) {
  const { set, frozen } = useEditing();
  const save = (list: Asked[]) => set(path, list.length ? list : undefined);
  const add = (id: string) =>
    id &&
    save([
      ...value,
      {
        is: id,
        ...(known.find((q) => q.id === id)?.example && {
          figure: known.find((q) => q.id === id)!.example,
        }),
      },
    ]);
  const left = known.filter((q) => !value.some((v) => v.is === q.id));
  return (
    <fieldset className="qualities">
      <legend className="named">{say('qualities.look-for-one-that')}</legend>
      {value.map((v, i) => {
        const q = known.find((k) => k.id === v.is);
        const words = q?.words ?? v.is;
        return (
          <p key={v.is} className="quality">
            {q?.takes ? (
              <label>
                {words.split('…')[0]}
                <FormControl
                  size="sm"
                  aria-label={words.replace('…', q.takes)}
                  value={v.figure ?? ''}
                  placeholder={q.example}
                  maxLength={20}
                  disabled={frozen}
                  onChange={(e) =>
                    save(value.map((o, k) => (k === i ? { ...o, figure: e.target.value } : o)))
                  }
                />
                {words.split('…')[1]}
              </label>
            ) : (
              words
            )}
            {!frozen && (
              <Button
                variant="plain"
                aria-label={say('qualities.take-off', { words })}
                onClick={() => save(value.filter((_, k) => k !== i))}
              >
                {say('qualities.take-off-2')}
              </Button>
            )}
          </p>
        );
      })}
      {!frozen && left.length > 0 && (
        <>
          <label className="visually-hidden" htmlFor="add-quality">
            {say('qualities.add-what-it-has-to-be')}
          </label>
          <FormSelect id="add-quality" size="sm" value="" onChange={(e) => add(e.target.value)}>
            <option value="">
              {value.length ? 'and …' : say('qualities.anything-that-does-the-job')}
            </option>
            {left.map((q) => (
              <option key={q.id} value={q.id}>
                {q.words}
              </option>
            ))}
          </FormSelect>
        </>
      )}
    </fieldset>
  );
}
