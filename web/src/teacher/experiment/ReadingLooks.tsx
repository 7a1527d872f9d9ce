import Button from 'react-bootstrap/Button';
import { freshID, type Reading } from '../draft/document';
import { say } from '../words';
import { ChoicesField } from '../draft/ChoicesField';
import { PlainField, Remove, TickList, useEditing, WordsField } from '../draft/fields';
import { Guidance } from './ReadingGuidance';

interface Props {
  reading: Reading;
  at: number;
}

/** Parts of a dish in which things are counted at each look. */
export function Zones({ reading, at }: Props) {
  const { set } = useEditing();
  const zones = reading.zones ?? [];
  return (
    <>
      <p className="hint mb-1">{say('readingLooks.the-looks-are-the-times')}</p>
      {zones.map((z, i) => (
        <div key={z.id} className="field-row">
          <WordsField
            label={say('readingLooks.zone', { n: i + 1 })}
            hideLabel
            path={['readings', at, 'zones', i, 'word']}
            value={z.word}
          />
          <div className="flex-none">
            <Remove
              what={say('readingLooks.zone', { n: i + 1 })}
              onRemove={() =>
                set(
                  ['readings', at, 'zones'],
                  zones.filter((x) => x !== z),
                  say('readingLooks.took-out-a-zone'),
                )
              }
            />
          </div>
        </div>
      ))}
      <Button
        variant="plain"
        onClick={() =>
          set(['readings', at, 'zones'], [...zones, { id: freshID('zone', zones), word: {} }])
        }
      >
        {say('readingLooks.add-a-zone')}
      </Button>
      <div className="field-row">
        <PlainField
          label={say('readingKind.of-how-many')}
          path={['readings', at, 'of']}
          value={reading.of}
          hint={say('readingKind.open')}
        />
        <TickList
          legend={say('readingLooks.they-still-settle-at')}
          path={['readings', at, 'settling']}
          value={reading.settling}
          options={(reading.times ?? []).map((t): [string, string] => [t, t])}
        />
        <Guidance reading={reading} at={at} />
      </div>
    </>
  );
}

const senses = [
  ['looks', say('readingLooks.looks')],
  ['feels', say('readingLooks.feels')],
  ['smells', say('readingLooks.smells')],
  ['sounds', say('readingLooks.sounds')],
] as const;

/** Words by sense, the same list for every sample. Nothing is tasted. */
export function SenseWords({ reading, at }: Props) {
  return (
    <>
      <p className="hint mb-1">{say('readingLooks.the-same-words-for-every-sample')}</p>
      {senses.map(([sense, words]) => (
        <fieldset key={sense} className="mb-2">
          <legend className="named small m-0">{words}</legend>
          <ChoicesField
            path={['readings', at, 'senses', sense]}
            choices={reading.senses?.[sense] ?? []}
            nameOf={(n) => say('readingLooks.word', { sense: words, n })}
            one={(n) => say('readingLooks.word', { sense: words, n })}
            add={say('readingLooks.add-a-word')}
            tookOut={say('readingLooks.took-out-a-word')}
            prefix={sense}
          />
        </fieldset>
      ))}
      <Guidance reading={reading} at={at} />
    </>
  );
}

/** When something happens, and until when it is watched for. */
export function Happening({ reading, at }: Props) {
  return (
    <div className="field-row">
      <PlainField
        label={say('readingLooks.watched-until')}
        path={['readings', at, 'not_by']}
        value={reading.not_by}
        hint="120 min"
      />
      <Guidance reading={reading} at={at} />
    </div>
  );
}
