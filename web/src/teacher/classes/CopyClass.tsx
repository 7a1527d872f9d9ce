import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { useNavigate } from 'react-router';
import { api, got } from '../../api/client';
import { Labelled } from '../parts/Labelled';
import { ProblemLine } from '../parts/states';
import { say } from '../words';

/** A new class with the settings of this one, without its homes. */
export function CopyClass({ id }: { id: string }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const { register, handleSubmit } = useForm({ defaultValues: { name: '' } });
  const [error, setError] = useState<unknown>();
  const copy = handleSubmit(async (body) => {
    setError(undefined);
    try {
      const made = await got(
        api.POST('/api/v1/classes/{class}/copy', {
          params: { path: { class: id } },
          body,
        }),
      );
      await client.invalidateQueries({ queryKey: ['classes'] });
      await navigate(`/classes/${made.id}`);
    } catch (e) {
      setError(e);
    }
  });
  if (!open)
    return (
      <Button variant="outline-primary" onClick={() => setOpen(true)}>
        {say('classPage.copy')}
      </Button>
    );
  return (
    <form className="field-row" onSubmit={(e) => void copy(e)}>
      <Labelled id="copy-name" words={say('classPage.copy-name')}>
        <FormControl id="copy-name" autoFocus {...register('name')} />
      </Labelled>
      <Button type="submit">{say('classPage.make-copy')}</Button>
      <ProblemLine error={error} />
    </form>
  );
}
