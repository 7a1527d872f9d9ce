import Button from 'react-bootstrap/Button';
import { freshID, type Reading } from '../draft/document';
import { say } from '../words';
import { ChoicesField } from '../draft/ChoicesField';
import { Guidance } from './ReadingGuidance';
import { PlaceField } from './PlaceField';
import { Happening, SenseWords, Zones } from './ReadingLooks';
import {
  ChoiceField,
  PlainField,
  Remove,
  TickField,
  useEditing,
  WordsField,
} from '../draft/fields';

interface Props {
  reading: Reading;
  at: number;
}

/** What a reading's kind needs to be asked. */
export function ReadingKind({ reading, at }: Props) {
  switch (reading.kind ?? 'quantity') {
    case 'quantity':
      return <Quantity reading={reading} at={at} />;
    case 'count':
      return (
        <div className="field-row">
          <PlainField
            label={say('readingKind.of-how-many')}
            path={['readings', at, 'of']}
            value={reading.of}
            hint={say('readingKind.open')}
          />
          <Guidance reading={reading} at={at} />
        </div>
      );
    case 'ordinal':
      return <Ordinal reading={reading} at={at} />;
    case 'yes-partly-no':
      return (
        <div className="field-row">
          <div className="grows">
            <WordsField
              label={say('readingKind.what-partly-means')}
              path={['readings', at, 'partly']}
              value={reading.partly}
            />
          </div>
          <ChoiceField
            label={say('readingKind.partly-counts')}
            path={['readings', at, 'cut']}
            value={reading.cut}
            options={[
              ['', say('readingKind.between-the-two')],
              ['yes', say('readingKind.as-yes')],
              ['no', say('readingKind.as-no')],
            ]}
          />
          <Guidance reading={reading} at={at} />
        </div>
      );
    case 'choice':
      return <OneOf reading={reading} at={at} />;
    case 'several':
      return <Several reading={reading} at={at} />;
    case 'order':
      return <Order reading={reading} at={at} />;
    case 'stage-order':
      return <StageOrder reading={reading} at={at} />;
    case 'zones':
      return <Zones reading={reading} at={at} />;
    case 'words':
      return <SenseWords reading={reading} at={at} />;
    case 'event':
      return <Happening reading={reading} at={at} />;
    case 'position':
      return <PlaceField reading={reading} at={at} />;
    case 'text':
      return <Guidance reading={reading} at={at} />;
  }
}

/** A scale: its levels in their order, and which end is more. */
function Ordinal({ reading, at }: Props) {
  return (
    <>
      <p className="hint mb-1">{say('readingKind.levels-have-an-order')}</p>
      <ChoicesField
        path={['readings', at, 'levels']}
        choices={reading.levels ?? []}
        nameOf={(n) => say('readingKind.level', { n })}
        one={(n) => say('readingKind.level', { n })}
        add={say('readingKind.add-a-level')}
        tookOut={say('readingKind.took-out-a-level')}
        drawn
      />
      <div className="field-row">
        <ChoiceField
          label={say('readingKind.more-is')}
          path={['readings', at, 'most']}
          value={reading.most}
          options={[
            ['', say('readingKind.the-last-level')],
            ['first', say('readingKind.the-first-level')],
          ]}
        />
        <Guidance reading={reading} at={at} />
      </div>
    </>
  );
}

function Options({ reading, at }: Props) {
  return (
    <ChoicesField
      path={['readings', at, 'options']}
      choices={reading.options ?? []}
      nameOf={(n) => say('readingKind.option', { n })}
      one={(n) => say('readingKind.option', { n })}
      add={say('questionRow.add-an-option')}
      tookOut={say('questionRow.took-out-an-option')}
    />
  );
}

/** Options of which any may be named. */
function Several({ reading, at }: Props) {
  return (
    <>
      <Options reading={reading} at={at} />
      <div className="field-row">
        <div className="flex-none">
          <TickField
            label={say('readingKind.none-of-them')}
            path={['readings', at, 'none']}
            value={reading.none}
          />
        </div>
        <Guidance reading={reading} at={at} />
      </div>
    </>
  );
}

/** Options of which one is named, and which is right, if one is. */
function OneOf({ reading, at }: Props) {
  const { language } = useEditing();
  const options = reading.options ?? [];
  return (
    <>
      <Options reading={reading} at={at} />
      <div className="field-row">
        <ChoiceField
          label={say('readingKind.the-right-one')}
          path={['readings', at, 'right']}
          value={reading.right}
          options={[
            ['', say('readingKind.none-is-right')],
            ...options.map((o): [string, string] => [o.id, o.word[language] || o.id]),
          ]}
        />
        <div className="flex-none">
          <TickField
            label={say('readingKind.none-of-them')}
            path={['readings', at, 'none']}
            value={reading.none}
          />
          <TickField
            label={say('readingKind.not-sure')}
            path={['readings', at, 'not_sure']}
            value={reading.not_sure}
          />
        </div>
        <Guidance reading={reading} at={at} />
      </div>
    </>
  );
}

/** Things that are put in order, and what its ends are called. */
function Order({ reading, at }: Props) {
  const things = reading.things ?? [];
  return (
    <>
      {things.length === 0 && (
        <p className="hint mb-1">{say('readingKind.the-conditions-are-put-in-order')}</p>
      )}
      <ChoicesField
        path={['readings', at, 'things']}
        choices={things}
        nameOf={(n) => say('readingKind.thing', { n })}
        one={(n) => say('readingKind.thing', { n })}
        add={say('readingKind.add-a-thing')}
        tookOut={say('readingKind.took-out-a-thing')}
      />
      <div className="field-row">
        <WordsField
          label={say('readingKind.it-begins-with-the')}
          path={['readings', at, 'from']}
          value={reading.from}
        />
        <WordsField
          label={say('readingKind.it-ends-with-the')}
          path={['readings', at, 'to']}
          value={reading.to}
        />
        <Guidance reading={reading} at={at} />
      </div>
      <TickField
        label={say('readingKind.two-at-a-time')}
        path={['readings', at, 'pairs']}
        value={reading.pairs}
      />
    </>
  );
}

/** Stages of which it is said what came first; the experiment's, or others. */
function StageOrder({ reading, at }: Props) {
  const stages = reading.stages ?? [];
  return (
    <>
      {stages.length === 0 && (
        <p className="hint mb-1">{say('readingKind.the-stages-are-put-in-order')}</p>
      )}
      <ChoicesField
        path={['readings', at, 'stages']}
        choices={stages}
        nameOf={(n) => say('parts.stage', { n })}
        one={(n) => say('parts.stage', { n })}
        add={say('parts.add-a-stage')}
        tookOut={say('parts.took-out-a-stage')}
        prefix="stage"
        drawn
      />
      <Guidance reading={reading} at={at} />
    </>
  );
}

/** A measured value: within which limits, with which tools. */
function Quantity({ reading: r, at }: Props) {
  const { set } = useEditing();
  return (
    <>
      <div className="field-row">
        <PlainField
          label={say('readingsBand.never-below')}
          path={['readings', at, 'low']}
          value={r.low}
          hint="0 mm"
        />
        <PlainField
          label={say('readingsBand.never-above')}
          path={['readings', at, 'high']}
          value={r.high}
        />
        <PlainField
          label={say('readingsBand.repeats-fall-apart-by')}
          path={['readings', at, 'repeatability']}
          value={r.repeatability}
          hint="0.8 mm"
        />
        <div className="grows">
          <WordsField
            label={say('readingsBand.how-to-read-it')}
            path={['readings', at, 'guidance']}
            value={r.guidance}
          />
        </div>
      </div>
      {(r.instruments ?? []).map((tool, k) => (
        <ToolRow key={tool.id} reading={r} at={at} tool={tool} place={k} />
      ))}
      <Button
        variant="outline-primary"
        onClick={() =>
          set(
            ['readings', at, 'instruments'],
            [
              ...(r.instruments ?? []),
              { id: freshID('tool', r.instruments), name: {}, resolution: '' },
            ],
          )
        }
      >
        {say('readingsBand.add-a-tool')}
      </Button>{' '}
    </>
  );
}

/** One tool of a reading, and how finely it shows. */
function ToolRow({
  reading: r,
  at: i,
  tool,
  place: k,
}: {
  reading: Reading;
  at: number;
  tool: NonNullable<Reading['instruments']>[number];
  place: number;
}) {
  const { set } = useEditing();
  return (
    <div className="field-row mb-1">
      <div className="grows">
        <WordsField
          label={say('readingsBand.tool', { value: k + 1 })}
          path={['readings', i, 'instruments', k, 'name']}
          value={tool.name}
        />
      </div>
      <PlainField
        label={say('readingsBand.smallest-step')}
        path={['readings', i, 'instruments', k, 'resolution']}
        value={tool.resolution}
        hint="1 mm"
      />
      <TickField
        label={say('readingsBand.a-scale-read-by-eye')}
        path={['readings', i, 'instruments', k, 'analogue']}
        value={tool.analogue}
      />
      <div className="flex-none">
        <Remove
          what={say('readingsBand.this-tool')}
          onRemove={() =>
            set(
              ['readings', i, 'instruments'],
              r.instruments!.filter((x) => x !== tool),
              say('readingsBand.took-out-a-tool'),
            )
          }
        />
      </div>
    </div>
  );
}
