import Button from 'react-bootstrap/Button';
import { useRowKeys } from '../../ui/useRowKeys';
import { say } from '../words';
import { Band, Remove, useEditing, WordsField } from '../draft/fields';

/** What goes wrong, as one sees it, and how it is mended. */
export function MistakesBand() {
  const { doc, set } = useEditing();
  const mistakes = doc.mistakes ?? [];
  const { keys, takeOut } = useRowKeys(mistakes.length);
  return (
    <Band
      title={say('readingsBand.what-goes-wrong')}
      aside={
        <Button
          variant="outline-primary"
          onClick={() => set(['mistakes'], [...mistakes, { see: {}, mend: {} }])}
        >
          {say('readingsBand.add-a-mistake')}
        </Button>
      }
    >
      {mistakes.map((m, i) => (
        <div key={keys[i]} className="field-row">
          <WordsField
            label={say('readingsBand.one-sees')}
            path={['mistakes', i, 'see']}
            value={m.see}
          />
          <WordsField
            label={say('readingsBand.mend-it-so')}
            path={['mistakes', i, 'mend']}
            value={m.mend}
          />
          <div className="flex-none">
            <Remove
              what={say('readingsBand.this-mistake')}
              onRemove={() => (
                takeOut(i),
                set(
                  ['mistakes'],
                  mistakes.filter((x) => x !== m),
                  say('readingsBand.took-out-a-mistake'),
                )
              )}
            />
          </div>
        </div>
      ))}
    </Band>
  );
}
