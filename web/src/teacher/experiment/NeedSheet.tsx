import { useState } from 'react';
import FormControl from 'react-bootstrap/FormControl';
import { api, got, type Schemas } from '../../api/client';
import { Labelled } from '../parts/Labelled';
import { Loading, PartError, ProblemLine } from '../parts/states';
import type { Doc } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { ChoiceField, useEditing, WordsField } from '../draft/fields';
import { AmountFields } from './AmountFields';
import { Swaps } from './Swaps';
import { Qualities } from './Qualities';
import { ThingPicker } from '../larder/ThingPicker';
import { useLarder } from '../larder/useLarder';
import { say } from '../words';
import { failed } from '../parts/failed';

const kinds: [string, string][] = [
  ['', say('needSheet.not-said-yet')],
  ['material', say('needSheet.a-thing-of-the-larder')],
  ['object', say('needSheet.an-everyday-object')],
  ['person', say('needSheet.a-person')],
  ['place', say('needSheet.a-place')],
];
const bases: [string, string][] = [
  ['w/v', say('needSheet.as-most-labels')],
  ['w/w', say('needSheet.by-mass')],
  ['v/v', say('needSheet.by-volume')],
  ['volumes', say('needSheet.volumes')],
  ['mol/L', 'mol/L'],
];

/** What a need is: the thing, its job, its strength and amount; and what may stand in for it. */
export function NeedSheet({ at, replace }: { at: number; replace: Replace }) {
  const { doc } = useEditing();
  const n = doc.needs![at];
  const path = (...rest: (string | number)[]) => ['needs', at, ...rest];
  const [problem, setProblem] = useState<unknown>();
  const { query: larder } = useLarder();
  if (failed(larder))
    return (
      <PartError
        what={say('needSheet.the-larder')}
        error={larder.error}
        retry={() => void larder.refetch()}
      />
    );
  if (!larder.data) return <Loading what={say('needSheet.the-larder-2')} />;
  const thing = larder.data.things.find((t) => t.id === n.material);
  const choose = async (id: string) => {
    try {
      setProblem(undefined);
      const { document } = await got(
        api.POST('/api/v1/preview/choose', { body: { document: doc, need: n.id, thing: id } }),
      );
      replace(
        document as Doc,
        say('needSheet.chose', { name: larder.data?.things.find((t) => t.id === id)?.name ?? id }),
        doc,
      );
    } catch (error) {
      setProblem(error);
    }
  };
  return (
    <>
      <WordsField label={say('needSheet.what-families-read')} path={path('name')} value={n.name} />
      <ChoiceField
        label={say('needSheet.it-is')}
        path={path('kind')}
        value={n.kind}
        options={kinds}
      />
      {!n.kind ? (
        <p className="hint small">{say('needSheet.until-it-is-said-the-safety')}</p>
      ) : null}
      <ProblemLine error={problem} />
      {(n.kind === 'material' || !n.kind) && (
        <ThingPicker
          chosen={thing}
          things={larder.data.things}
          onChoose={(id) => void choose(id)}
        />
      )}
      {thing && <ThingFields at={at} thing={thing} />}
      {n.kind !== 'person' && n.kind !== 'place' && <AmountFields at={at} thing={thing} />}
      {n.kind !== 'person' && n.kind !== 'place' && (
        <Qualities
          path={path('qualities')}
          value={n.qualities ?? []}
          known={larder.data.qualities}
        />
      )}
      <WordsField label={say('margin.note')} path={path('note')} value={n.note} />
      {n.material && n.role && <Swaps need={n} replace={replace} />}
    </>
  );
}

interface Of {
  at: number;
  thing: Schemas['ThingRow'] | undefined;
}

/** What the thing does here, in which form and how strong. */
function ThingFields({ at, thing }: Of & { thing: Schemas['ThingRow'] }) {
  const { doc, set } = useEditing();
  const { jobName } = useLarder();
  const n = doc.needs![at];
  const path = (...rest: (string | number)[]) => ['needs', at, ...rest];
  return (
    <>
      <div className="field-row">
        <ChoiceField
          label={say('needSheet.its-job-here')}
          path={path('role')}
          value={n.role}
          options={[
            ['', say('needSheet.none')],
            ...thing.jobs.map((j): [string, string] => [j, jobName(j)]),
          ]}
        />
        {thing.forms && thing.forms.length > 0 && (
          <ChoiceField
            label={say('needSheet.form')}
            path={path('form')}
            value={n.form}
            options={[
              ['', say('needSheet.usual', { value: thing.forms[0].text })],
              ...thing.forms.map((f): [string, string] => [f.id, f.text]),
            ]}
          />
        )}
      </div>
      {thing.strong && (
        <div className="field-row">
          <Labelled id="strength" words={say('needSheet.strength-as-the-label-says')}>
            <FormControl
              id="strength"
              inputMode="decimal"
              placeholder={say('needSheet.not-said-the-strongest-is-assumed')}
              defaultValue={n.strength?.value ?? ''}
              key={n.material}
              onChange={(e) => {
                const v = Number(e.target.value.replace(',', '.'));
                set(
                  path('strength'),
                  v > 0 ? { value: v, basis: n.strength?.basis ?? 'w/v' } : undefined,
                );
              }}
            />
          </Labelled>
          {n.strength && (
            <ChoiceField
              label={say('needSheet.meant-as')}
              path={path('strength', 'basis')}
              value={n.strength.basis}
              options={bases}
            />
          )}
        </div>
      )}
    </>
  );
}
