import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { freshID } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { say } from '../words';
import { Band, Remove, useEditing, WordsField } from './fields';

/** Photos and own words that show what was done. */
export function EvidenceBand({ replace }: { replace: Replace }) {
  const { doc, set, language } = useEditing();
  const evidence = doc.evidence ?? [];
  return (
    <Band
      title={say('readingsBand.evidence')}
      aside={
        <Button
          variant="outline-primary"
          onClick={() =>
            set(
              ['evidence'],
              [...evidence, { id: freshID('evidence', evidence), kind: 'photo', name: {} }],
            )
          }
        >
          {say('readingsBand.add-evidence')}
        </Button>
      }
    >
      {evidence.map((e, i) => (
        <div key={e.id} className="field-row">
          <div className="field-110">
            <label className="named" htmlFor={`kind-${e.id}`}>
              {say('questionRow.kind')}
            </label>
            <FormSelect
              id={`kind-${e.id}`}
              value={e.kind}
              onChange={(event) => set(['evidence', i, 'kind'], event.target.value)}
            >
              <option value="photo">{say('readingsBand.photo')}</option>
              <option value="text">{say('questionRow.own-words')}</option>
            </FormSelect>
          </div>
          <WordsField
            label={say('readingsBand.what')}
            path={['evidence', i, 'name']}
            value={e.name}
          />
          <WordsField
            label={say('readingsBand.must-show')}
            path={['evidence', i, 'must_show']}
            value={e.must_show}
          />
          <div className="flex-none">
            <Remove
              what={e.name[language] || say('readingsBand.this-evidence')}
              onRemove={() =>
                replace(
                  {
                    ...doc,
                    evidence: evidence.filter((x) => x !== e),
                    steps: doc.steps?.map((s) => ({
                      ...s,
                      evidence: s.evidence?.filter((id) => id !== e.id),
                    })),
                  },
                  say('readingsBand.took-out-evidence'),
                )
              }
            />
          </div>
        </div>
      ))}
    </Band>
  );
}
