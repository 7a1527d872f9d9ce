import { useForm, useWatch } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { say } from '../words';
import { Labelled } from './Labelled';

/** A reason that has to have some letters before it is taken. */
export function Reason({
  id,
  ask,
  keep,
  least,
  onKeep,
  onLeave,
}: {
  id: string;
  /** What is asked. */
  ask: string;
  /** What the button says. */
  keep: string;
  least: number;
  onKeep: (why: string) => void;
  onLeave: () => void;
}) {
  const { register, handleSubmit, control } = useForm({ defaultValues: { why: '' } });
  const missing = least - useWatch({ control, name: 'why' }).trim().length;
  return (
    <form onSubmit={(e) => void handleSubmit(({ why }) => missing <= 0 && onKeep(why.trim()))(e)}>
      <Labelled id={id} words={ask}>
        <FormControl id={id} maxLength={300} autoFocus {...register('why')} />
      </Labelled>
      <p className="ways">
        <Button type="submit" aria-disabled={missing > 0}>
          {keep}
        </Button>
        <Button variant="outline-primary" onClick={onLeave}>
          {say('findingCard.leave-it')}
        </Button>
        {missing > 0 && (
          <span className="hint small">{say('findingCard.more-letters', { value: missing })}</span>
        )}
      </p>
    </form>
  );
}
