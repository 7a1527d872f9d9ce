import { useRef, useState, type RefObject } from 'react';
import FormControl from 'react-bootstrap/FormControl';
import { useKept, type Typing } from '../phone/typing';
import { useRemembered } from '../phone/useRemembered';
import type { Sheet } from '../phone/useHome';
import type { WorkProps } from '../phone/work';
import { useWords } from '../words';

type Chosen = Sheet['objects'][number];
type Given = RefObject<Map<string, string>>;
const longest = 24;

/** The things that a home chooses itself: what they have to be like, and what this home calls each. */
export function ObjectNames({
  objects,
  typing,
  ...props
}: WorkProps & { objects: Chosen[]; typing: Typing }) {
  const t = useWords();
  // A name given but still being stored counts too, however quickly the next one is typed.
  const given = useRef(new Map<string, string>());
  const sorts = [...new Set(objects.map((o) => o.sort))];
  return (
    <>
      {sorts.map((sort) => {
        const ours = objects.filter((o) => o.sort === sort);
        const { what, must, never } = ours[0];
        return (
          <section key={sort} className="card-paper" aria-label={what}>
            <h2>{t('chooseThings', { count: ours.length, what })}</h2>
            {must.map((m) => (
              <p key={m} className="second m-0">
                {m}
              </p>
            ))}
            {never && (
              <p className="m-0">
                {t('neverThese')} <strong>{never}</strong>
              </p>
            )}
            {ours.map((o) => (
              <NameRow key={o.id} {...props} typing={typing} object={o} given={given} />
            ))}
          </section>
        );
      })}
    </>
  );
}

/** What one thing is called; a name that another one has is asked about. */
function NameRow({
  state,
  sheet,
  book,
  typing,
  object: o,
  given,
}: WorkProps & { typing: Typing; object: Chosen; given: Given }) {
  const t = useWords();
  const id = `name-${o.id}`;
  const kept = book.called(o.id);
  const [typed, setTyped] = useRemembered<string>(state, `name/${sheet.assignment}/${o.id}`);
  const [twice, setTwice] = useState('');
  const name = typed ?? kept ?? '';
  const keep = useKept(typing, id, async () => {
    const text = (typed ?? '').trim();
    if (!text || text === kept) return setTyped(undefined);
    const same = sheet.objects.some(
      (x) =>
        x.id !== o.id &&
        (given.current.get(x.id) ?? book.called(x.id))?.toLowerCase() === text.toLowerCase(),
    );
    setTwice(same ? text : '');
    if (same) return; // two of one name cannot be told apart
    given.current.set(o.id, text);
    await state.add(sheet.assignment, { kind: 'named', refers: o.id, text });
    setTyped(undefined);
  });
  return (
    <div className="field">
      <label htmlFor={id}>{o.name}</label>
      <FormControl
        id={id}
        autoComplete="off"
        maxLength={longest}
        value={name}
        onChange={(e) => (setTwice(''), setTyped(e.target.value))}
        onBlur={() => void keep()}
        aria-describedby={twice ? `${id}-twice` : undefined}
      />
      {twice && (
        <p id={`${id}-twice`} className="doubt" role="alert">
          {t('nameTwice', { name: twice })}
        </p>
      )}
    </div>
  );
}
