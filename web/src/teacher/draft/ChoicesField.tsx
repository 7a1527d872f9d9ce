import Button from 'react-bootstrap/Button';
import { freshID, type Choice } from './document';
import { say } from '../words';
import { ChoiceField, Remove, useEditing, WordsField } from './fields';

/** Jars to choose from, by how full they are. */
export const pictures: [string, string][] = [
  ['', say('choicesField.no-drawing')],
  ['jar-full', say('choicesField.a-full-jar')],
  ['jar-much', say('choicesField.a-jar-nearly-full')],
  ['jar-half', say('choicesField.half-a-jar')],
  ['jar-little', say('choicesField.a-little-in-a-jar')],
  ['jar-empty', say('choicesField.an-empty-jar')],
];

interface Props {
  path: (string | number)[];
  choices: Choice[];
  nameOf: (n: number) => string;
  one: (n: number) => string;
  add: string;
  tookOut: string;
  drawn?: boolean;
  /** What fresh ids begin with, where several lists share theirs. */
  prefix?: string;
}

/** Levels, options or things, one a row: each keeps its id, so that what was given stays the same when its word changes. */
export function ChoicesField({
  path,
  choices,
  nameOf,
  one,
  add,
  tookOut,
  drawn,
  prefix = 'option',
}: Props) {
  const { set } = useEditing();
  return (
    <>
      {choices.map((c, i) => (
        <div key={c.id} className="field-row">
          <WordsField label={nameOf(i + 1)} hideLabel path={[...path, i, 'word']} value={c.word} />
          {drawn && (
            <div className="field-150">
              <ChoiceField
                label={say('choicesField.drawing-of', { what: nameOf(i + 1) })}
                hideLabel
                path={[...path, i, 'picture']}
                value={c.picture}
                options={pictures}
              />
            </div>
          )}
          <div className="flex-none">
            <Remove
              what={one(i + 1)}
              onRemove={() =>
                set(
                  path,
                  choices.filter((x) => x !== c),
                  tookOut,
                )
              }
            />
          </div>
        </div>
      ))}
      <Button
        variant="plain"
        onClick={() => set(path, [...choices, { id: freshID(prefix, choices), word: {} }])}
      >
        {add}
      </Button>
    </>
  );
}
