import { useState } from 'react';
import { useForm } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { api, got } from '../../api/client';
import type { Doc } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { Labelled } from '../parts/Labelled';
import { ProblemLine } from '../parts/states';
import { say } from '../words';
import { useEditing } from '../draft/fields';

/** Conditions written in one line, as they are said. */
export function LanesLine({ replace }: { replace: Replace }) {
  const { doc, language } = useEditing();
  const { register, handleSubmit, reset } = useForm({ defaultValues: { line: '' } });
  const [problem, setProblem] = useState<unknown>();
  const take = handleSubmit(async ({ line }) => {
    if (!line.trim()) return;
    try {
      setProblem(undefined);
      const after = await got(
        api.POST('/api/v1/preview/lanes', { body: { document: doc, line, language } }),
      );
      replace(after.document as Doc, say('lanes.added'), doc);
      reset();
    } catch (error) {
      setProblem(error);
    }
  });
  return (
    <form className="field-row align-items-end" onSubmit={(e) => void take(e)}>
      <Labelled id="f-conditions-line" words={say('lanes.in-one-line')}>
        <FormControl
          id="f-conditions-line"
          maxLength={600}
          placeholder={say('lanes.example')}
          {...register('line')}
        />
      </Labelled>
      <div>
        <Button type="submit" variant="outline-primary">
          {say('lanes.put-in')}
        </Button>
      </div>
      <ProblemLine error={problem} />
    </form>
  );
}
