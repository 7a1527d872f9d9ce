import { useQuery } from '@tanstack/react-query';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
import type { Doc } from '../draft/document';
import { FormulaEcho } from '../draft/FormulaEcho';
import { PlainField, Remove, useEditing, WordsField } from '../draft/fields';
import { say } from '../words';

type Derived = NonNullable<Doc['derived']>[number];

/** A value worked out of readings, by a formula or by a model of the Workbench. */
export function DerivedRow({
  value: x,
  at,
  onRemove,
}: {
  value: Derived;
  at: number;
  onRemove: () => void;
}) {
  const { set, language } = useEditing();
  const models = useQuery({
    queryKey: ['models'],
    queryFn: () => got(api.GET('/api/v1/models')),
    staleTime: Infinity,
  });
  const list = models.data?.items ?? [];
  const choose = (id: string) => set(['derived', at, 'model'], id ? { id, inputs: {} } : undefined);
  return (
    <>
      <div className="field-row">
        <WordsField label={say('classForm.name')} path={['derived', at, 'name']} value={x.name} />
        <div className="field-200">
          <label className="named" htmlFor={`how-${x.id}`}>
            {say('derivedRow.worked-out')}
          </label>
          <FormSelect
            id={`how-${x.id}`}
            value={x.model?.id ?? ''}
            onChange={(e) => choose(e.target.value)}
          >
            <option value="">{say('derivedRow.by-a-formula')}</option>
            {list.map((m) => (
              <option key={m.id} value={m.id}>
                {m.title}
              </option>
            ))}
          </FormSelect>
        </div>
        {!x.model && (
          <div className="grows">
            <PlainField
              label={say('derivedRow.formula')}
              path={['derived', at, 'formula']}
              value={x.formula}
              hint="last(height)"
            />
            <FormulaEcho formula={x.formula ?? ''} unit={x.unit} />
          </div>
        )}
        <div className="field-110">
          <PlainField
            label={say('derivedRow.unit')}
            path={['derived', at, 'unit']}
            value={x.unit}
          />
        </div>
        <div className="flex-none">
          <Remove what={x.name[language] || say('derivedRow.this-value')} onRemove={onRemove} />
        </div>
      </div>
      {x.model && <ModelInputs value={x} at={at} model={list.find((m) => m.id === x.model?.id)} />}
    </>
  );
}

/** What goes into the model: readings by their symbols, or what would be typed at the Workbench. */
function ModelInputs({
  value: x,
  at,
  model,
}: {
  value: Derived;
  at: number;
  model: Schemas['ModelView'] | undefined;
}) {
  const { doc, findings } = useEditing();
  const symbols = [...(doc.readings ?? []), ...(doc.constants ?? [])].map((r) => r.symbol);
  const problem = findings.find((f) => f.path === `/derived/${at}/model`);
  return (
    <div className="ms-3 mb-3">
      <div className="field-row">
        {model?.inputs?.map((input) => (
          <div key={input.name} className="flex-fill">
            <PlainField
              label={input.label || input.name.replaceAll('_', ' ')}
              path={['derived', at, 'model', 'inputs', input.name]}
              value={x.model?.inputs[input.name]}
              hint={[symbols.join(', '), input.unit]
                .filter(Boolean)
                .join(say('derivedRow.or-a-value-in'))}
            />
          </div>
        ))}
      </div>
      <p className={`small ${problem ? 'w-mend' : 'hint'}`}>
        {problem?.message ??
          say('derivedRow.write-the-symbol-of-a-reading', {
            value: symbols.length ? ` (${symbols.join(', ')})` : '',
          })}
      </p>
    </div>
  );
}
