import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { useMe } from '../frame/useMe';
import { freshID, type Doc } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { say } from '../words';
import { ChoicesField } from '../draft/ChoicesField';
import { Band, PlainField, Remove, TickList, useEditing, WordsField } from '../draft/fields';

type Evidence = NonNullable<Doc['evidence']>[number];

const kinds: [Evidence['kind'], string][] = [
  ['photo', say('readingsBand.photo')],
  ['photo-pair', say('evidence.two-photos')],
  ['drawing', say('evidence.drawing')],
  ['drawing-pair', say('evidence.two-drawings')],
  ['clip', say('evidence.clip')],
  ['sound', say('evidence.sound')],
  ['flow-chart', say('evidence.flow-chart')],
  ['talk', say('evidence.talk')],
  ['text', say('questionRow.own-words')],
];
const instead: [string, string][] = [
  ['photo', say('readingsBand.photo')],
  ['drawing', say('evidence.drawing')],
  ['clip', say('evidence.clip')],
  ['sound', say('evidence.sound')],
  ['text', say('questionRow.own-words')],
];

/** Pictures, drawings, words that show what was done. */
export function EvidenceBand({ replace }: { replace: Replace }) {
  const { doc, set, language } = useEditing();
  const { data: me } = useMe();
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
        <div key={e.id} className="card-paper">
          <div className="field-row">
            <div className="field-150">
              <label className="named" htmlFor={`kind-${e.id}`}>
                {say('questionRow.kind')}
              </label>
              <FormSelect
                id={`kind-${e.id}`}
                value={e.kind}
                onChange={(event) => set(['evidence', i, 'kind'], event.target.value)}
              >
                {kinds.map(([kind, words]) => (
                  <option key={kind} value={kind}>
                    {words}
                  </option>
                ))}
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
          {e.kind.endsWith('-pair') && (
            <p className="hint small m-0">{say('evidence.ask-in-two-steps')}</p>
          )}
          {(e.kind === 'clip' || e.kind === 'sound') && (
            <p className="hint small m-0">
              {say(me?.recordings ? 'evidence.at-most-20-s' : 'evidence.no-recorder')}
            </p>
          )}
          {e.kind === 'talk' && (
            <div className="field-row">
              <PlainField
                label={say('evidence.how-long')}
                path={['evidence', i, 'length']}
                value={e.length}
                hint="2 min"
              />
              <WordsField
                label={say('evidence.to-whom')}
                path={['evidence', i, 'audience']}
                value={e.audience}
              />
            </div>
          )}
          {e.kind === 'flow-chart' && (
            <ChoicesField
              path={['evidence', i, 'places']}
              choices={e.places ?? []}
              nameOf={(n) => say('evidence.place', { n })}
              one={(n) => say('evidence.place', { n })}
              add={say('evidence.add-a-place')}
              tookOut={say('evidence.took-out-a-place')}
              prefix="place"
            />
          )}
          <TickList
            legend={say('evidence.does-as-well')}
            path={['evidence', i, 'instead']}
            value={e.instead}
            options={instead.filter(([kind]) => !e.kind.startsWith(kind))}
          />
        </div>
      ))}
    </Band>
  );
}
