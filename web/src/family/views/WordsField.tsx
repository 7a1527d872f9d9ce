import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import FormControl from 'react-bootstrap/FormControl';
import { useKept } from '../phone/typing';
import { useRemembered } from '../phone/useRemembered';
import { useWords } from '../words';
import type { KeptField } from './CountField';
import type { Given } from './GivenField';

const toggled = (list: string[], id: string) =>
  list.includes(id) ? list.filter((x) => x !== id) : [...list, id];

/** Several options, or words by sense with room for one's own; the list is the same for every sample. Kept when it is left. */
export function WordsField({ id, draft, reading, typing, state, first, onKeep }: KeptField) {
  const t = useWords();
  const [kept, setKept] = useRemembered<Given>(state, `${draft}/value`);
  const [own, setOwn] = useState('');
  const given = kept ?? first ?? {};
  const bySense = reading.kind === 'words';
  /** Nothing ticked is no answer: none is one where it stands among the choices. */
  const says = [
    given.chosen,
    ...Object.values(given.words ?? {}),
    ...Object.values(given.own ?? {}),
  ]
    .flat()
    .some(Boolean);
  const keep = useKept(typing, id, async () => {
    if (!kept || !says) return;
    await onKeep(kept);
    setKept(undefined);
  });
  const senses = [...new Set(reading.choices.map((c) => c.sense ?? ''))];
  const ticked = (sense: string) => (bySense ? (given.words?.[sense] ?? []) : (given.chosen ?? []));
  const tick = (sense: string, choice: string) =>
    setKept(
      bySense
        ? { ...given, words: { ...given.words, [sense]: toggled(ticked(sense), choice) } }
        : { chosen: toggled(ticked(sense), choice) },
    );
  const sense = senses[0];
  const added = given.own?.[sense] ?? [];
  const add = () => {
    if (!own.trim()) return;
    setKept({
      ...given,
      words: given.words ?? {},
      own: { ...given.own, [sense]: [...added, own.trim()] },
    });
    setOwn('');
  };
  return (
    <div>
      {senses.map((s) => (
        <div key={s} role="group" aria-label={s ? t(`sense.${s}`) : undefined} className="mb-2">
          {s && <p className="second m-0">{t(`sense.${s}`)}</p>}
          <div className="choices">
            {reading.choices
              .filter((c) => (c.sense ?? '') === s)
              .map((c) => (
                <label key={c.id} className={`choice ${ticked(s).includes(c.id) ? 'chosen' : ''}`}>
                  <FormCheckInput
                    className="visually-hidden"
                    checked={ticked(s).includes(c.id)}
                    onChange={() => tick(s, c.id)}
                  />
                  {c.word}
                </label>
              ))}
          </div>
        </div>
      ))}
      {bySense && (
        <form
          className="value-row"
          onSubmit={(e) => {
            e.preventDefault();
            add();
          }}
        >
          <label htmlFor={`${id}-own`} className="visually-hidden">
            {t('ownWord')}
          </label>
          <FormControl
            id={`${id}-own`}
            maxLength={60}
            placeholder={t('ownWord')}
            value={own}
            onChange={(e) => setOwn(e.target.value)}
          />
          <Button type="submit" variant="outline-primary">
            {t('addWord')}
          </Button>
        </form>
      )}
      {added.length > 0 && (
        <p className="my-2">{added.map((text) => t('quoted', { text })).join(', ')}</p>
      )}
      <Button
        className="w-100 mt-2"
        disabled={!says}
        onClick={() => void (kept ? keep() : onKeep(given))}
      >
        {t('keep')}
      </Button>
    </div>
  );
}
