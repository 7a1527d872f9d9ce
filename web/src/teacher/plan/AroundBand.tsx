import { useState, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { useRowKeys } from '../../ui/useRowKeys';
import type { Doc, Localized } from '../draft/document';
import { Band, ChoiceField, PlainField, Remove, useEditing, WordsField } from '../draft/fields';
import { say } from '../words';
import { ModelFields, ReducedFields } from './ModelFields';
import { Said } from './Said';

type Teaching = NonNullable<Doc['teaching']>;
type Part =
  | 'background'
  | 'watching'
  | 'model'
  | 'reduced'
  | 'aim'
  | 'everyday'
  | 'vocabulary'
  | 'counts'
  | 'explanation'
  | 'misconceptions'
  | 'sources'
  | 'series';

const sorts: [string, string][] = [
  ['', say('teaching.not-said')],
  ['comparison', say('teaching.comparison')],
  ['observation', say('teaching.observation')],
  ['constant', say('teaching.constant')],
  ['build', say('teaching.build')],
  ['model', say('teaching.model')],
  ['challenge', say('teaching.challenge')],
  ['demonstration', say('teaching.demonstration')],
  ['own-question', say('teaching.own-question')],
];

const parts: [Part, string, () => ReactNode][] = [
  ['background', say('plan.background-for-you'), Background],
  ['aim', say('teaching.aim'), () => <Text part="aim" label={say('teaching.aim-hint')} />],
  [
    'everyday',
    say('teaching.everyday'),
    () => <Text part="everyday" label={say('teaching.everyday-hint')} />,
  ],
  ['vocabulary', say('teaching.vocabulary'), Vocabulary],
  ['counts', say('teaching.counts'), Counts],
  ['explanation', say('teaching.explanation'), Explanation],
  ['misconceptions', say('teaching.misconceptions'), Misconceptions],
  ['sources', say('teaching.sources'), Sources],
  ['series', say('teaching.series'), Series],
  ['watching', say('task.watching'), Watching],
  ['model', say('model.a-model-of-something'), ModelFields],
  ['reduced', say('reduced.shorter-versions'), ReducedFields],
];

/** Where a part of it stands in the document. */
function valuesOf(doc: Doc, part: Part): unknown[] {
  switch (part) {
    case 'background':
      return Object.values(doc.background ?? {});
    case 'watching':
      return Object.values(doc.task?.watching ?? {});
    case 'model':
      return [...(doc.stands_for ?? []), ...(doc.limits ?? [])];
    case 'reduced':
      return doc.reduced ?? [];
    default:
      return Object.values(doc.teaching?.[part] ?? {});
  }
}

/** What stands around the experiment: what it is for, its words, what is explained and when. What is not used is one button each. */
export function AroundBand() {
  const { doc } = useEditing();
  const [opened, setOpened] = useState<Part[]>([]);
  const used = (part: Part) => opened.includes(part) || valuesOf(doc, part).some(Boolean);
  return (
    <Band title={say('teaching.around-it')}>
      <Said legend={say('teaching.sort')}>
        <ChoiceField
          label={say('teaching.sort')}
          path={['teaching', 'sort']}
          value={doc.teaching?.sort}
          options={sorts}
        />
      </Said>
      {parts
        .filter(([part]) => used(part))
        .map(([part, words, Fields]) => (
          <section key={part} aria-label={words} className="mt-2 mb-3">
            <h3>{words}</h3>
            <Fields />
          </section>
        ))}
      <p className="plan-starts">
        {parts
          .filter(([part]) => !used(part))
          .map(([part, words]) => (
            <Button
              key={part}
              size="sm"
              variant="outline-primary"
              onClick={() => setOpened([...opened, part])}
            >
              {words}
            </Button>
          ))}
      </p>
    </Band>
  );
}

function Background() {
  const { doc } = useEditing();
  return (
    <WordsField
      label={say('plan.background')}
      hideLabel
      path={['background']}
      value={doc.background}
      lines={3}
    />
  );
}

function Watching() {
  const { doc } = useEditing();
  return (
    <WordsField
      label={say('task.watching')}
      hideLabel
      path={['task', 'watching']}
      value={doc.task?.watching}
    />
  );
}

function Text({ part, label }: { part: 'aim' | 'everyday'; label: string }) {
  const { doc } = useEditing();
  return (
    <WordsField label={label} path={['teaching', part]} value={doc.teaching?.[part]} lines={2} />
  );
}

/** Rows of a list with a button for one more. */
function Rows<T extends object>({
  part,
  fresh,
  add,
  children,
}: {
  part: 'vocabulary' | 'counts' | 'misconceptions' | 'sources';
  fresh: T;
  add: string;
  children: (row: T, i: number) => ReactNode;
}) {
  const { doc, set } = useEditing();
  const rows = (doc.teaching?.[part] ?? []) as unknown as T[];
  const { keys, takeOut } = useRowKeys(rows.length);
  const put = (next: T[], words?: string) => set(['teaching', part], next, words);
  return (
    <>
      {rows.map((row, i) => (
        <div key={keys[i]} className="field-row">
          {children(row, i)}
          <div className="flex-none">
            <Remove
              what={say('teaching.this-line')}
              onRemove={() => {
                takeOut(i);
                put(
                  rows.filter((x) => x !== row),
                  say('teaching.took-out'),
                );
              }}
            />
          </div>
        </div>
      ))}
      <Button size="sm" variant="outline-primary" onClick={() => put([...rows, fresh])}>
        {add}
      </Button>
    </>
  );
}

const words = (
  part: string,
  i: number,
  key: string,
  value: Localized | undefined,
  label: string,
) => <WordsField label={label} path={['teaching', part, i, key]} value={value} />;

function Vocabulary() {
  return (
    <Rows<NonNullable<Teaching['vocabulary']>[number]>
      part="vocabulary"
      fresh={{ word: {}, means: {} }}
      add={say('teaching.add-a-word')}
    >
      {(t, i) => (
        <>
          {words('vocabulary', i, 'word', t.word, say('teaching.word'))}
          {words('vocabulary', i, 'means', t.means, say('teaching.means'))}
        </>
      )}
    </Rows>
  );
}

function Counts() {
  return (
    <>
      <p className="hint small mb-1">{say('teaching.counts-hint')}</p>
      <Rows<Localized> part="counts" fresh={{}} add={say('teaching.add-what-counts')}>
        {(c, i) => (
          <WordsField
            label={say('teaching.what-counts')}
            path={['teaching', 'counts', i]}
            value={c}
          />
        )}
      </Rows>
    </>
  );
}

function Explanation() {
  const { doc } = useEditing();
  const t = doc.teaching;
  return (
    <>
      <WordsField
        label={say('teaching.why')}
        path={['teaching', 'explanation']}
        value={t?.explanation}
        lines={3}
      />
      <WordsField
        label={say('teaching.deeper')}
        path={['teaching', 'deeper']}
        value={t?.deeper}
        lines={2}
      />
      <WordsField
        label={say('teaching.next')}
        path={['teaching', 'extension']}
        value={t?.extension}
        lines={2}
      />
      <ChoiceField
        label={say('teaching.release')}
        path={['teaching', 'release']}
        value={t?.release}
        options={[
          ['', say('teaching.after-due')],
          ['after-sent', say('teaching.after-sent')],
          ['never', say('teaching.never')],
        ]}
      />
    </>
  );
}

function Misconceptions() {
  return (
    <Rows<NonNullable<Teaching['misconceptions']>[number]>
      part="misconceptions"
      fresh={{ thought: {}, so: {} }}
      add={say('teaching.add-a-thought')}
    >
      {(m, i) => (
        <>
          {words('misconceptions', i, 'thought', m.thought, say('teaching.thought'))}
          {words('misconceptions', i, 'so', m.so, say('teaching.so'))}
        </>
      )}
    </Rows>
  );
}

function Sources() {
  return (
    <Rows<NonNullable<Teaching['sources']>[number]>
      part="sources"
      fresh={{ text: '' }}
      add={say('teaching.add-a-source')}
    >
      {(s, i) => (
        <>
          <PlainField
            label={say('teaching.source')}
            path={['teaching', 'sources', i, 'text']}
            value={s.text}
          />
          <ChoiceField
            label={say('teaching.source-kind')}
            path={['teaching', 'sources', i, 'kind']}
            value={s.kind}
            options={[
              ['', say('teaching.source-own')],
              ['adapted', say('teaching.source-adapted')],
              ['public', say('teaching.source-public')],
            ]}
          />
        </>
      )}
    </Rows>
  );
}

function Series() {
  const { doc, set } = useEditing();
  const n = doc.teaching?.number;
  return (
    <div className="field-row">
      <WordsField
        label={say('teaching.series-name')}
        path={['teaching', 'series']}
        value={doc.teaching?.series}
      />
      <div className="field-110">
        <label className="named" htmlFor="series-number">
          {say('teaching.series-number')}
        </label>
        <FormControl
          id="series-number"
          type="number"
          min={0}
          max={99}
          value={n ?? ''}
          onChange={(e) => set(['teaching', 'number'], Number(e.target.value) || undefined)}
        />
      </div>
    </div>
  );
}
