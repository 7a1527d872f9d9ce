import { Labelled } from '../parts/Labelled';
import FormSelect from 'react-bootstrap/FormSelect';
import { isNumber, type Doc, type Reading } from '../draft/document';
import type { Review } from '../draft/useDraft';
import { say } from '../words';
import { Said } from './Said';
import { freshClaim, setUpsOf, thingsOf, wordsOf, type Claim } from './ClaimsBand';
import { ChoiceField, PlainField, Remove, useEditing } from '../draft/fields';

type Value = NonNullable<Doc['derived']>[number] | Reading;
type Options = [string, string][];

const sides: Options = [
  ['more', say('claims.more')],
  ['less', say('claims.less')],
  ['differs', say('claims.differs')],
];
const numbers: Options = [
  ...sides,
  ['same', say('claims.same')],
  ['rises', say('claims.rises')],
  ['falls', say('claims.falls')],
  ['order', say('claims.order')],
  ['equals', say('claims.equals')],
];

/** One claim: about what, in which direction, between which set-ups; and by which test it will be held. */
export function ClaimRow({
  claim,
  at,
  values,
  planned,
}: {
  claim: Claim;
  at: number;
  values: Value[];
  planned: Review['claims'][number] | undefined;
}) {
  const { doc, set, language } = useEditing();
  const path = ['claims', at];
  const name = (v: Value) => v.name[language] || Object.values(v.name)[0] || v.id;
  const reading = doc.readings?.find((r) => r.id === claim.value);
  const kind = reading?.kind ?? 'quantity';
  return (
    <div className="card-paper">
      <Said legend={say('claims.this-claim')}>
        <Labelled id={`claim-${claim.id}`} words={say('claims.about')}>
          <FormSelect
            id={`claim-${claim.id}`}
            value={claim.value ?? ''}
            onChange={(e) => set(path, freshClaim(doc, claim.id, e.target.value))}
          >
            {values.map((v) => (
              <option key={v.id} value={v.id}>
                {name(v)}
              </option>
            ))}
          </FormSelect>
        </Labelled>
        {kind === 'choice' && <Share claim={claim} at={at} reading={reading!} />}
        {(kind === 'order' || kind === 'stage-order') && (
          <Order at={at} ids={claim.order} things={thingsOf(doc, reading!)} />
        )}
        {kind === 'zones' && (
          <>
            <Named
              at={at}
              part="zone"
              label={say('claims.zone')}
              claim={claim}
              of={reading!.zones}
            />
            <Says at={at} claim={claim} options={sides} />
          </>
        )}
        {(kind === 'several' || kind === 'words') && (
          <>
            <Named
              at={at}
              part="option"
              label={say('claims.word')}
              claim={claim}
              of={kind === 'words' ? wordsOf(reading!) : reading!.options}
            />
            <Sides claim={claim} at={at} options={sides} />
          </>
        )}
        {(kind === 'ordinal' || kind === 'yes-partly-no') && (
          <Sides claim={claim} at={at} options={[...sides, ['order', say('claims.order')]]} />
        )}
        {isNumber(kind) && <Sides claim={claim} at={at} options={numbers} sized />}
        <div>
          <Remove
            what={say('claims.this-claim')}
            onRemove={() =>
              set(
                ['claims'],
                doc.claims!.filter((c) => c !== claim),
                say('claims.took-out-a-claim'),
              )
            }
          />
        </div>
      </Said>
      <p className="small m-0" role="status">
        {planned ? (
          <>
            {planned.words}.{' '}
            <span className="second">
              {say('claims.held-by', { test: planned.test })} {planned.why}
            </span>
          </>
        ) : (
          <span className="w-mend">{say('claims.not-whole-yet')}</span>
        )}
      </p>
    </div>
  );
}

/** In which direction; an order begins with the conditions as they stand. */
function Says({ at, claim, options }: { at: number; claim: Claim; options: Options }) {
  const { doc, set } = useEditing();
  const id = `f-claims-${at}-says`;
  const choose = (says: Claim['says']) =>
    set(
      ['claims', at],
      says === 'order'
        ? {
            id: claim.id,
            value: claim.value,
            says,
            order: setUpsOf(doc, claim.value).map((c) => c.id),
          }
        : { ...claim, says, order: undefined },
    );
  return (
    <Labelled id={id} words={say('claims.is')}>
      <FormSelect
        id={id}
        value={claim.says}
        onChange={(e) => choose(e.target.value as Claim['says'])}
      >
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </FormSelect>
    </Labelled>
  );
}

/** Which set-up is held against which; or all of them in an order, or a stated value. */
function Sides({
  claim,
  at,
  options,
  sized,
}: {
  claim: Claim;
  at: number;
  options: Options;
  sized?: boolean;
}) {
  const { doc, language } = useEditing();
  const setUps = setUpsOf(doc, claim.value);
  const conditions = setUps.map((c): [string, string] => [c.id, c.word[language] || c.id]);
  if (claim.says === 'order')
    return (
      <>
        <Says at={at} claim={claim} options={options} />
        <Order at={at} ids={claim.order} things={setUps} />
      </>
    );
  const matters = sized && claim.says !== 'equals' && (
    <PlainField
      label={say('claims.different-from')}
      path={['claims', at, 'matters']}
      value={claim.matters}
      hint={say('plan.with-unit-such-as-5-mm')}
    />
  );
  if (claim.says === 'rises' || claim.says === 'falls')
    return (
      <>
        <Says at={at} claim={claim} options={options} />
        {matters}
      </>
    );
  return (
    <>
      {conditions.length > 0 && (
        <ChoiceField
          label={say('claims.set-up')}
          path={['claims', at, 'condition']}
          value={claim.condition}
          options={[['', '–'], ...conditions]}
        />
      )}
      <Says at={at} claim={claim} options={options} />
      {claim.says === 'equals' ? (
        <PlainField
          label={say('claims.stated')}
          path={['claims', at, 'stated']}
          value={claim.stated}
          hint={say('plan.with-unit')}
        />
      ) : (
        <ChoiceField
          label={say('claims.than')}
          path={['claims', at, 'against']}
          value={claim.against}
          options={[['', '–'], ...conditions]}
        />
      )}
      {matters}
    </>
  );
}

/** The share of homes that choose an option, against guessing. */
function Share({ claim, at, reading }: { claim: Claim; at: number; reading: Reading }) {
  const { doc, language } = useEditing();
  return (
    <>
      {setUpsOf(doc, reading.id).length > 0 && (
        <ChoiceField
          label={say('claims.set-up')}
          path={['claims', at, 'condition']}
          value={claim.condition}
          options={[
            ['', '–'],
            ...setUpsOf(doc, reading.id).map((c): [string, string] => [
              c.id,
              c.word[language] || c.id,
            ]),
          ]}
        />
      )}
      <ChoiceField
        label={say('claims.more-homes-choose')}
        path={['claims', at, 'option']}
        value={claim.option}
        options={[
          ...(reading.right ? ([['right', say('readingKind.the-right-one')]] as Options) : []),
          ...(reading.options ?? []).map((o): [string, string] => [o.id, o.word[language] || o.id]),
        ]}
      />
      <PlainField
        label={say('claims.by-chance')}
        path={['claims', at, 'stated']}
        value={claim.stated}
        hint={say('claims.guessing')}
      />
    </>
  );
}

/** One zone, option or word that a claim is about. */
function Named({
  at,
  part,
  label,
  claim,
  of,
}: {
  at: number;
  part: 'zone' | 'option';
  label: string;
  claim: Claim;
  of: { id: string; word: Record<string, string> }[] | undefined;
}) {
  const { language } = useEditing();
  return (
    <ChoiceField
      label={label}
      path={['claims', at, part]}
      value={claim[part]}
      options={(of ?? []).map((z): [string, string] => [z.id, z.word[language] || z.id])}
    />
  );
}

/** An order, place by place, from its beginning on; a thing chosen for one place gives up its own for the one that stood there. */
function Order({
  at,
  ids = [],
  things,
}: {
  at: number;
  ids: string[] | undefined;
  things: { id: string; word: Record<string, string> }[];
}) {
  const { set, language } = useEditing();
  const order = things.map((t, i) => ids[i] ?? t.id);
  const put = (place: number, id: string) =>
    set(
      ['claims', at, 'order'],
      order.map((was, i) => (i === place ? id : was === id ? order[place] : was)),
    );
  return (
    <>
      {order.map((id, place) => (
        <Labelled
          key={things[place].id}
          id={`claim-${at}-${place}`}
          words={say('givenSelect.place', { n: place + 1 })}
        >
          <FormSelect
            id={`claim-${at}-${place}`}
            value={id}
            onChange={(e) => put(place, e.target.value)}
          >
            {things.map((t) => (
              <option key={t.id} value={t.id}>
                {t.word[language] || t.id}
              </option>
            ))}
          </FormSelect>
        </Labelled>
      ))}
    </>
  );
}
