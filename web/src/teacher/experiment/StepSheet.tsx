import Button from 'react-bootstrap/Button';
import { ActionPicker } from './ActionPicker';
import { HelpsField } from './HelpsField';
import { PictureField } from './PictureField';
import { Takes } from './Takes';
import {
  ChoiceField,
  PlainField,
  TickField,
  TickList,
  useEditing,
  WordsField,
} from '../draft/fields';
import { say } from '../words';

const kinds: [string, string][] = [
  ['prepare', say('stepSheet.prepare')],
  ['do', say('stepSheet.do')],
  ['wait', say('stepSheet.wait')],
  ['measure', say('stepSheet.measure')],
  ['observe', say('stepSheet.observe')],
  ['photo', say('readingsBand.photo')],
  ['clear-up', say('stepSheet.clear-up')],
];

/** One step, beside the strip. */
export function StepSheet({ at }: { at: number }) {
  const { doc, language } = useEditing();
  const s = doc.steps![at];
  const path = (...rest: (string | number)[]) => ['steps', at, ...rest];
  return (
    <>
      <div className="field-row mt-2">
        <ChoiceField
          label={say('questionRow.kind')}
          path={path('kind')}
          value={s.kind}
          options={kinds}
        />
        <PlainField
          label={say('stepSheet.hands-for')}
          path={path('duration')}
          value={s.duration}
          hint="5 min"
        />
      </div>
      <Wait at={at} />
      <PictureField at={at} />
      <WordsField label={say('stepSheet.simple')} path={path('simple')} value={s.simple} />
      <WordsField label={say('stepSheet.deeper')} path={path('deeper')} value={s.deeper} />
      <WordsField label={say('stepSheet.tip')} path={path('tip')} value={s.tip} />
      <Takes at={at} />
      {(doc.crew ?? []).length > 0 && (
        <TickList
          legend={say('parts.done-by')}
          path={path('crew')}
          value={s.crew}
          options={doc.crew!.map((r): [string, string] => [r.id, r.word[language] || r.id])}
        />
      )}
      <HelpsField at={at} />
      <TickList
        legend={say('stepSheet.uses')}
        path={path('uses')}
        value={s.uses}
        options={(doc.needs ?? []).map((n) => [
          n.id,
          n.name[language] || Object.values(n.name)[0] || n.id,
        ])}
      />
      <ActionPicker at={at} />
      <div className="field-row">
        <ChoiceField
          label={say('stepSheet.in-which-vessel')}
          path={path('in')}
          value={s.in}
          options={[
            ['', say('stepSheet.not-said-all-together')],
            ...(doc.needs ?? [])
              .filter((n) => n.kind !== 'person' && n.kind !== 'place')
              .map((n): [string, string] => [n.id, n.name[language] || n.id]),
          ]}
        />
        <div className="align-self-end">
          <TickField label={say('stepSheet.it-is-closed')} path={path('closed')} value={s.closed} />
        </div>
      </div>
      <div className="field-row">
        <PlainField
          label={say('stepSheet.hottest-if-warm')}
          path={path('heat')}
          value={s.heat}
          hint="50 °C"
        />
        <PlainField
          label={say('stepSheet.battery-on-something-wet')}
          path={path('voltage')}
          value={s.voltage}
          hint="none"
        />
      </div>
      <TickList
        legend={say('readingsBand.evidence')}
        path={path('evidence')}
        value={s.evidence}
        options={(doc.evidence ?? []).map((e) => [e.id, e.name[language] || e.id])}
      />
      <TickList
        legend={say('stepSheet.asked-in-this-step')}
        path={path('questions')}
        value={s.questions}
        options={(doc.questions ?? [])
          .filter((q) => q.when === 'while')
          .map((q) => [q.id, q.text[language] || q.id])}
      />
    </>
  );
}

/** How long one waits before a step and from when, and what to do meanwhile. */
function Wait({ at }: { at: number }) {
  const { doc, set, language } = useEditing();
  const s = doc.steps![at];
  const path = (...rest: (string | number)[]) => ['steps', at, ...rest];
  return (
    <>
      <div className="field-row">
        <PlainField
          label={say('stepSheet.wait-before-it')}
          path={path('wait', 'for')}
          value={s.wait?.for}
          hint={say('stepSheet.no-wait')}
        />
        <div>
          <ChoiceField
            label={say('stepSheet.from-the-end-of')}
            path={path('wait', 'from')}
            value={s.wait?.from}
            options={[
              ['', say('stepSheet.the-step-before')],
              ...doc
                .steps!.slice(0, at)
                .map((x, i): [string, string] => [x.id, `${i + 1} ${x.title[language] ?? ''}`]),
            ]}
          />
        </div>
      </div>
      {s.wait && !s.wait.for && !s.wait.from && (
        <Button variant="plain" className="small" onClick={() => set(path('wait'), undefined)}>
          {say('stepSheet.no-wait-after-all')}
        </Button>
      )}
      {s.wait?.for && (
        <>
          <div className="field-row">
            <PlainField
              label={say('stepSheet.may-end-from')}
              path={path('wait', 'earliest')}
              value={s.wait.earliest}
              hint={s.wait.for}
            />
            <PlainField
              label={say('stepSheet.will-do-until')}
              path={path('wait', 'latest')}
              value={s.wait.latest}
              hint={s.wait.for}
            />
          </div>
          <WordsField
            label={say('stepSheet.meanwhile')}
            path={path('meanwhile')}
            value={s.meanwhile}
          />
        </>
      )}
      <TickField label={say('stepSheet.gate')} path={path('gate')} value={s.gate} />
    </>
  );
}
