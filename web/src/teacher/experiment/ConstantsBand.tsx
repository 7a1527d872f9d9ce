import Button from 'react-bootstrap/Button';
import type { Doc } from '../draft/document';
import { useLarder } from '../larder/useLarder';
import { Band, ChoiceField, PlainField, Remove, useEditing, WordsField } from '../draft/fields';
import { useRowKeys } from '../../ui/useRowKeys';
import { say } from '../words';

/** Values that are the same for every home, for use in formulas. */
export function ConstantsBand() {
  const { doc, set, language, findings } = useEditing();
  const constants = doc.constants ?? [];
  const { keys, takeOut } = useRowKeys(constants.length);
  const own = useLarder().larder?.own_values ?? [];
  const unitOf = (id: string | undefined) => own.find((o) => o.id === id)?.unit;
  const add = () =>
    set(
      ['constants'],
      [
        ...constants,
        { symbol: `c${constants.length + 1}`, name: {}, value: '' } satisfies NonNullable<
          Doc['constants']
        >[number],
      ],
    );
  return (
    <Band
      title={say('constantsBand.the-same-for-all-homes')}
      aside={
        <Button variant="outline-primary" onClick={add}>
          {say('constantsBand.add-a-constant')}
        </Button>
      }
    >
      {constants.length === 0 && (
        <p className="hint small">{say('constantsBand.a-value-that-formulas-need-and')}</p>
      )}
      {constants.map((c, i) => (
        <div key={keys[i]} className="field-row">
          <div className="grows">
            <WordsField
              label={say('constantsBand.what-it-is')}
              path={['constants', i, 'name']}
              value={c.name}
            />
          </div>
          <ChoiceField
            label={say('constantsBand.whose')}
            path={['constants', i, 'own']}
            value={c.own}
            options={[
              ['', say('constantsBand.the-same')],
              ...own.map((o): [string, string] => [
                o.id,
                say('constantsBand.own', { name: o.name }),
              ]),
            ]}
          />
          <PlainField
            label={say('constantsBand.symbol-in-formulas')}
            path={['constants', i, 'symbol']}
            value={c.symbol}
          />
          <div>
            <PlainField
              label={
                c.own
                  ? say('constantsBand.usual-value', { unit: unitOf(c.own) })
                  : say('constantsBand.value-with-unit')
              }
              path={['constants', i, 'value']}
              value={c.value}
              hint="340 m ± 5 m"
            />
            {c.value &&
              findings
                .filter((f) => f.path.startsWith(`/constants/${i}/`) && !f.path.endsWith('/name'))
                .map((f) => (
                  <p key={f.path} className="small w-mend" role="status">
                    {f.message} {f.mend}
                  </p>
                ))}
          </div>
          <div className="flex-none">
            <Remove
              what={c.name[language] || say('constantsBand.this-constant')}
              onRemove={() => (
                takeOut(i),
                set(
                  ['constants'],
                  constants.filter((x) => x !== c),
                  say('constantsBand.took-out-a-constant'),
                )
              )}
            />
          </div>
        </div>
      ))}
    </Band>
  );
}
