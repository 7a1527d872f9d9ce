import Button from 'react-bootstrap/Button';
import { freshID, type Need } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { useLarder } from '../larder/useLarder';
import { Grid } from '../parts/Grid';
import { say } from '../words';
import { Band, PlainField, Remove, TickField, useEditing, WordsField } from '../draft/fields';

interface Props {
  replace: Replace;
  onChoose: (id: string) => void;
}

/** The things needed: what families call them, how much, what each is in the larder. */
export function NeedsBand({ replace, onChoose }: Props) {
  const { doc, set } = useEditing();
  const needs = doc.needs ?? [];
  return (
    <Band
      title={say('steps.things-needed')}
      aside={
        <Button
          variant="outline-primary"
          onClick={() => {
            const id = freshID('need', needs);
            set(['needs'], [...needs, { id, name: {} }]);
            onChoose(`need:${id}`);
          }}
        >
          {say('steps.add-a-thing')}
        </Button>
      }
    >
      {needs.length > 0 && (
        <div className="scroll">
          <Grid>
            <thead>
              <tr>
                <th scope="col" className="third">
                  {say('conflict.thing')}
                </th>
                <th scope="col" className="eighth">
                  {say('steps.amount')}
                </th>
                <th scope="col">{say('steps.what-it-is')}</th>
                <th scope="col">{say('steps.use-this-instead-in-your-words')}</th>
                <th scope="col">
                  <span className="visually-hidden">{say('steps.more')}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {needs.map((n, i) => (
                <NeedRow key={n.id} need={n} at={i} replace={replace} onChoose={onChoose} />
              ))}
            </tbody>
          </Grid>
        </div>
      )}
    </Band>
  );
}

function NeedRow({ need: n, at: i, replace, onChoose }: Props & { need: Need; at: number }) {
  const { doc, language } = useEditing();
  const { query: larder } = useLarder();
  const thingName = (id: string | undefined) =>
    id && (larder.data?.things.find((t) => t.id === id)?.name ?? id);
  return (
    <tr>
      <td>
        <WordsField
          label={say('steps.thing', { value: i + 1 })}
          hideLabel
          path={['needs', i, 'name']}
          value={n.name}
        />
      </td>
      <td>
        <PlainField
          label={say('steps.amount-of-thing', { value: i + 1 })}
          hideLabel
          path={['needs', i, 'amount']}
          value={n.amount}
          hint="200 mL"
        />
      </td>
      <td>
        <Button variant="plain" onClick={() => onChoose(`need:${n.id}`)}>
          {thingName(n.material) ??
            (n.kind && n.kind !== 'material' ? say(`steps.kind.${n.kind}`) : say('steps.not-said'))}
          <span className="visually-hidden">{say('steps.what-thing-is', { value: i + 1 })}</span>
        </Button>
        {n.strength && (
          <span className="second small">
            {' '}
            {n.strength.value} {n.strength.basis === 'volumes' ? say('steps.vol') : '%'}
          </span>
        )}
      </td>
      <td>
        <WordsField
          label={say('steps.instead-of-thing', { value: i + 1 })}
          hideLabel
          path={['needs', i, 'instead', 0]}
          value={n.instead?.[0]}
        />
      </td>
      <td className="small text-nowrap">
        <TickField
          label={say('needSheet.if-at-hand')}
          path={['needs', i, 'optional']}
          value={n.optional}
        />{' '}
        <Remove
          what={n.name[language] || say('steps.this-thing')}
          onRemove={() =>
            replace(
              {
                ...doc,
                needs: doc.needs?.filter((__, k) => k !== i),
                steps: doc.steps?.map((s) => ({
                  ...s,
                  uses: s.uses?.filter((u) => u !== n.id),
                })),
              },
              say('steps.took-out-a-thing'),
            )
          }
        />
      </td>
    </tr>
  );
}
