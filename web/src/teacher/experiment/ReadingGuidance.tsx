import type { Reading } from '../draft/document';
import { say } from '../words';
import { WordsField } from '../draft/fields';

/** How a reading is done, as families read it beside its field. */
export function Guidance({ reading, at }: { reading: Reading; at: number }) {
  return (
    <div className="grows">
      <WordsField
        label={say('readingKind.how-it-is-done')}
        path={['readings', at, 'guidance']}
        value={reading.guidance}
      />
    </div>
  );
}
