import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import FormControl from 'react-bootstrap/FormControl';
import { useSettled } from '../../ui/useSettled';
import type { Replace } from '../draft/useDraft';
import { useEditing } from '../draft/fields';
import { ProblemLine } from '../parts/states';
import { say } from '../words';
import { useNote } from './useNote';

interface Props {
  /** Behind which step; none for the beginning. */
  step: string | undefined;
  number: number;
  replace: Replace;
  onPlace: (at: string) => void;
  onClose: () => void;
}

/** One line of what happens next: what it would add is said before Enter adds it. */
export function NoteLine({ step, number, replace, onPlace, onClose }: Props) {
  const { doc } = useEditing();
  const [line, setLine] = useState('');
  const note = useNote(replace, onPlace);
  const typed = useSettled(line.trim());
  const said = useQuery({
    queryKey: ['note', step, typed, doc],
    queryFn: async () => (await note.wouldAdd(step, typed)) ?? null,
    enabled: typed !== '',
    placeholderData: (before) => before,
    gcTime: 0,
  });
  return (
    <form
      className="note-line"
      onSubmit={(e) => {
        e.preventDefault();
        if (line.trim())
          void note.add(step, { line: line.trim() }).then((added) => added && onClose());
      }}
    >
      <label htmlFor="note-line">
        {number > 0 ? say('note.after-step', { number }) : say('note.at-the-beginning')}
      </label>
      <FormControl
        id="note-line"
        autoFocus
        size="sm"
        maxLength={1200}
        placeholder={say('note.example')}
        value={line}
        onChange={(e) => setLine(e.target.value)}
        onKeyDown={(e) => e.key === 'Escape' && (e.preventDefault(), onClose())}
      />
      <p className="small m-0" role="status">
        {(typed && said.data) || say('note.enter-adds')}
      </p>
      <ProblemLine error={note.problem} />
    </form>
  );
}
