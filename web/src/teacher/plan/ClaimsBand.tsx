import Button from 'react-bootstrap/Button';
import { freshID, type Choice, type Doc, type Reading } from '../draft/document';
import type { Review } from '../draft/useDraft';
import { say } from '../words';
import { ClaimRow } from './ClaimRow';
import { Band, useEditing } from '../draft/fields';

export type Claim = NonNullable<Doc['claims']>[number];

/** A fresh claim about a reading or value, such as its kind can make. */
export function freshClaim(doc: Doc, id: string, value: string): Claim {
  const reading = doc.readings?.find((r) => r.id === value);
  const setUps = setUpsOf(doc, value);
  const control = doc.conditions?.find((c) => c.control && setUps.some((s) => s.id === c.id));
  const against = control ?? setUps[0];
  const other = setUps.find((s) => s.id !== against.id);
  const sides = { condition: other?.id, against: against?.id };
  switch (reading?.kind) {
    case 'choice':
      return {
        id,
        value,
        says: 'share',
        option: reading.right ? 'right' : reading.options?.[0]?.id,
      };
    case 'order':
    case 'stage-order':
      return { id, value, says: 'order', order: thingsOf(doc, reading).map((t) => t.id) };
    case 'zones':
      return { id, value, says: 'more', zone: reading.zones?.[0]?.id };
    case 'several':
      return { id, value, says: 'more', option: reading.options?.[0]?.id, ...sides };
    case 'words':
      return { id, value, says: 'more', option: wordsOf(reading)[0]?.id, ...sides };
    default:
      return { id, value, says: 'more', ...sides };
  }
}

/** What a value can be held against: the conditions, or of what is read stage by stage the stages. */
export function setUpsOf(doc: Doc, value: string | undefined): Choice[] {
  const reading = doc.readings?.find((r) => r.id === value);
  const conditions = (doc.conditions ?? []).map((c) => ({ id: c.id, word: c.name }));
  const stages = doc.stages ?? [];
  if (reading?.per?.includes('condition')) return conditions;
  if (reading) return reading.per?.includes('stage') ? stages : [];
  return [...conditions, ...stages];
}

/** What an order puts in order: its things or stages, or else the conditions. */
export const thingsOf = (doc: Doc, r: Reading): Choice[] => {
  if (r.kind === 'stage-order') return r.stages?.length ? r.stages : (doc.stages ?? []);
  return r.things?.length
    ? r.things
    : (doc.conditions ?? []).map((c) => ({ id: c.id, word: c.name }));
};

export const wordsOf = (r: Reading) => Object.values(r.senses ?? {}).flat();

/** What is expected, said before: only that is tested. Without a word of the teacher's the tool makes the usual ones. */
export function ClaimsBand({ review }: { review: Review | undefined }) {
  const { doc, set } = useEditing();
  const claims = doc.claims;
  const planned = review?.claims ?? [];
  const values = [...(doc.derived ?? []), ...(doc.readings ?? [])].filter(
    (v) => !('kind' in v) || v.kind !== 'text',
  );
  const first = doc.measured?.[0]?.reading || values[0]?.id;
  const add = () => {
    if (!first) return;
    set(['claims'], [...(claims ?? []), freshClaim(doc, freshID('claim', claims), first)]);
  };
  const text = (id: string) => planned.find((p) => p.id === id);
  return (
    <Band
      title={say('claims.what-you-expect')}
      aside={
        first && (
          <Button variant="outline-primary" onClick={add}>
            {say('claims.say-what-you-expect')}
          </Button>
        )
      }
    >
      <div className="plan-reach">
        <p className="second small">{say('plan.what-it-can-show')}</p>
        {review?.reach.map((r) => (
          <p key={r}>{r}</p>
        ))}
      </div>
      {!claims && planned.length > 0 && (
        <>
          <p className="hint mb-1">{say('claims.you-say-nothing-so')}</p>
          <Tested planned={planned} />
          {first && (
            <Button
              variant="plain"
              onClick={() => set(['claims'], [], say('claims.only-looking-now'))}
            >
              {say('claims.we-only-look')}
            </Button>
          )}
        </>
      )}
      {claims?.length === 0 && (
        <p className="hint">
          {say('claims.you-only-look-so')}{' '}
          <Button variant="plain" onClick={() => set(['claims'], undefined)}>
            {say('claims.test-the-usual-ones')}
          </Button>
        </p>
      )}
      {claims?.map((c, i) => (
        <ClaimRow key={c.id} claim={c} at={i} values={values} planned={text(c.id)} />
      ))}
    </Band>
  );
}

function Tested({ planned }: { planned: Review['claims'] }) {
  return (
    <ul className="mb-2">
      {planned.map((p) => (
        <li key={p.id}>
          {p.words} <span className="second small">{p.test}</span>
        </li>
      ))}
    </ul>
  );
}
