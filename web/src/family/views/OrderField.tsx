import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import { JarPicture } from '../../ui/JarPicture';
import { useKept } from '../phone/typing';
import { useRemembered } from '../phone/useRemembered';
import { useWords } from '../words';
import type { KeptField } from './CountField';
import type { Given } from './GivenField';

/** Puts a thing behind the others, in a place of its own. */
const added = (order: string[][], id: string) => [...order, [id]];

/** Moves a place up or down by one. */
const moved = (order: string[][], at: number, by: number) => {
  const next = [...order];
  [next[at], next[at + by]] = [next[at + by], next[at]];
  return next;
};

/** Puts a place together with the one above it. */
const tied = (order: string[][], at: number) => [
  ...order.slice(0, at - 1),
  [...order[at - 1], ...order[at]],
  ...order.slice(at + 1),
];

/** Parts a place into its things again. */
const parted = (order: string[][], at: number) => [
  ...order.slice(0, at),
  ...order[at].map((id) => [id]),
  ...order.slice(at + 1),
];

type Seen = Given['seen'];

/** Things or stages put in order: they begin outside, a tap sends one to the next free place; ties are allowed. Of stages it is said which did not happen, and whether they were seen. Kept when it is left. */
export function OrderField({
  id,
  draft,
  reading,
  typing,
  state,
  first,
  made,
  onKeep,
}: KeptField & { /** The order that answers to pairs make, not kept yet. */ made?: string[][] }) {
  const t = useWords();
  const [kept, setKept] = useRemembered<string[][]>(state, `${draft}/order`);
  const [seen, setSeen] = useRemembered<Seen>(state, `${draft}/seen`);
  const stages = reading.kind === 'stage-order';
  const fresh = kept ?? made;
  const order = fresh ?? first?.order ?? [];
  const word = (thing: string) => reading.choices.find((c) => c.id === thing)?.word ?? thing;
  const outside = reading.choices.filter((c) => !order.some((place) => place.includes(c.id)));
  const rest = outside.map((c) => c.id);
  const given = (): Given => ({
    order,
    ...(rest.length > 0 && { [stages ? 'did_not_happen' : 'left_out']: rest }),
    ...(stages && { seen: seen ?? first?.seen ?? 'happening' }),
  });
  const keep = useKept(typing, id, async () => {
    if (!fresh || fresh.length === 0) return;
    await onKeep(given());
    setKept(undefined);
  });
  return (
    <div>
      {reading.from && <p className="second m-0">{reading.from}</p>}
      <ol className="list-unstyled p-0 m-0">
        {order.map((place, i) => {
          const name = place.map(word).join(' = ');
          return (
            <li className="row-48 flex-wrap" key={place[0]}>
              <span className="what">
                {i + 1} <strong>{name}</strong>
              </span>
              <Button
                variant="outline-primary"
                disabled={i === 0}
                onClick={() => setKept(moved(order, i, -1))}
                aria-label={`${name}: ${t('up')}`}
              >
                {t('up')}
              </Button>
              <Button
                variant="outline-primary"
                disabled={i === order.length - 1}
                onClick={() => setKept(moved(order, i, 1))}
                aria-label={`${name}: ${t('down')}`}
              >
                {t('down')}
              </Button>
              {place.length > 1 ? (
                <Button variant="plain" onClick={() => setKept(parted(order, i))}>
                  {t('partThem')}
                </Button>
              ) : (
                i > 0 && (
                  <Button
                    variant="plain"
                    onClick={() => setKept(tied(order, i))}
                    aria-label={`${name}: ${t('likeAbove')}`}
                  >
                    {t('likeAbove')}
                  </Button>
                )
              )}
            </li>
          );
        })}
      </ol>
      {reading.to && <p className="second m-0">{reading.to}</p>}
      {outside.length > 0 && (
        <div role="group" aria-label={t(stages ? 'notYetSeen' : 'notInOrder')}>
          <p className="hint mt-2 mb-1">{t(stages ? 'notYetSeen' : 'notInOrder')}</p>
          {outside.map((c) => (
            <button
              key={c.id}
              type="button"
              className="choice tall"
              onClick={() => setKept(added(order, c.id))}
            >
              {c.picture && <JarPicture picture={c.picture} />} {c.word}
            </button>
          ))}
        </div>
      )}
      {stages && order.length > 0 && (
        <div role="group" aria-label={t('howSeen')} className="choices mt-2">
          {(['happening', 'guessed'] as const).map((way) => (
            <label
              key={way}
              className={`choice ${(seen ?? first?.seen ?? 'happening') === way ? 'chosen' : ''}`}
            >
              <FormCheckInput
                type="radio"
                className="visually-hidden"
                name={`${id}-seen`}
                checked={(seen ?? first?.seen ?? 'happening') === way}
                onChange={() => setSeen(way)}
              />
              {t(`seen.${way}`)}
            </label>
          ))}
        </div>
      )}
      {order.length > 0 && (
        <Button className="w-100 mt-2" onClick={() => void (fresh ? keep() : onKeep(given()))}>
          {t('keep')}
        </Button>
      )}
    </div>
  );
}
