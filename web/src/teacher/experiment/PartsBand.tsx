import Button from 'react-bootstrap/Button';
import { useState, type ReactNode } from 'react';
import { freshID, type Doc } from '../draft/document';
import { say } from '../words';
import { ChoicesField } from '../draft/ChoicesField';
import { Band, PlainField, Remove, useEditing, WordsField } from '../draft/fields';
import { ActivitiesField } from './ActivitiesField';
import { ObjectsField } from './ObjectsField';
import { StepsOf } from './StepsOf';

type List = 'stages' | 'objects' | 'sections' | 'activities' | 'crew';
type Section = NonNullable<Doc['sections']>[number];

const lists: [List, string, () => ReactNode][] = [
  ['stages', say('parts.stages'), Stages],
  ['objects', say('parts.objects'), ObjectsField],
  ['sections', say('parts.sections'), Sections],
  ['activities', say('parts.activities'), ActivitiesField],
  ['crew', say('parts.crew'), Crew],
];

/** What an experiment may be divided into; what is not used is one button each. */
export function PartsBand() {
  const { doc } = useEditing();
  const [opened, setOpened] = useState<List[]>([]);
  const used = (id: List) => (doc[id]?.length ?? 0) > 0 || opened.includes(id);
  return (
    <Band
      title={say('parts.parts-of-the-work')}
      aside={lists
        .filter(([id]) => !used(id))
        .map(([id, words]) => (
          <Button
            key={id}
            variant="outline-primary"
            onClick={() => setOpened((now) => [...now, id])}
          >
            {words}
          </Button>
        ))}
    >
      {!lists.some(([id]) => used(id)) && <p className="hint">{say('parts.in-one-piece')}</p>}
      {lists
        .filter(([id]) => used(id))
        .map(([id, words, Fields]) => (
          <section key={id} aria-label={words} className="mb-2">
            <h3>{words}</h3>
            <Fields />
          </section>
        ))}
    </Band>
  );
}

/** What follows one another, at each of which something can be read. */
function Stages() {
  const { doc } = useEditing();
  return (
    <>
      <p className="hint mb-1">{say('parts.stages-hint')}</p>
      <ChoicesField
        path={['stages']}
        choices={doc.stages ?? []}
        nameOf={(n) => say('parts.stage', { n })}
        one={(n) => say('parts.stage', { n })}
        add={say('parts.add-a-stage')}
        tookOut={say('parts.took-out-a-stage')}
        prefix="stage"
        drawn
      />
    </>
  );
}

/** Places to stop: which steps belong to a part, what is kept until it goes on, and when that is. */
function Sections() {
  const { doc, set } = useEditing();
  const sections = doc.sections ?? [];
  const fields: [keyof Section & ('keep' | 'throw_away' | 'needed_again'), string][] = [
    ['keep', say('parts.keep')],
    ['throw_away', say('parts.throw-away')],
    ['needed_again', say('parts.needed-again')],
  ];
  return (
    <>
      <p className="hint mb-1">{say('parts.sections-hint')}</p>
      {sections.map((s, i) => (
        <div key={s.id} className="card-paper">
          <div className="field-row">
            <WordsField
              label={say('parts.section', { n: i + 1 })}
              path={['sections', i, 'title']}
              value={s.title}
            />
            <PlainField
              label={say('parts.go-on-after')}
              path={['sections', i, 'earliest']}
              value={s.earliest}
              hint="40 min"
            />
            <PlainField
              label={say('parts.go-on-within')}
              path={['sections', i, 'latest']}
              value={s.latest}
              hint="2 h"
            />
            <div className="flex-none">
              <Remove
                what={say('parts.section', { n: i + 1 })}
                onRemove={() =>
                  set(
                    ['sections'],
                    sections.filter((x) => x !== s),
                    say('parts.took-out-a-section'),
                  )
                }
              />
            </div>
          </div>
          <StepsOf path={['sections', i, 'steps']} value={s.steps} />
          <div className="field-row">
            {fields.map(([field, words]) => (
              <WordsField
                key={field}
                label={words}
                path={['sections', i, field]}
                value={s[field]}
              />
            ))}
          </div>
        </div>
      ))}
      <Button
        variant="plain"
        onClick={() =>
          set(['sections'], [...sections, { id: freshID('part', sections), title: {}, steps: [] }])
        }
      >
        {say('parts.add-a-section')}
      </Button>
    </>
  );
}

/** Who does what when several take part; a step says for whom it is. */
function Crew() {
  const { doc, set } = useEditing();
  const crew = doc.crew ?? [];
  return (
    <>
      <p className="hint mb-1">{say('parts.crew-hint')}</p>
      {crew.map((r, i) => (
        <div key={r.id} className="field-row">
          <WordsField
            label={say('parts.role', { n: i + 1 })}
            path={['crew', i, 'word']}
            value={r.word}
          />
          <WordsField label={say('parts.does')} path={['crew', i, 'does']} value={r.does} />
          <div className="flex-none">
            <Remove
              what={say('parts.role', { n: i + 1 })}
              onRemove={() =>
                set(
                  ['crew'],
                  crew.filter((x) => x !== r),
                  say('parts.took-out-a-role'),
                )
              }
            />
          </div>
        </div>
      ))}
      <Button
        variant="plain"
        onClick={() => set(['crew'], [...crew, { id: freshID('role', crew), word: {}, does: {} }])}
      >
        {say('parts.add-a-role')}
      </Button>
    </>
  );
}
