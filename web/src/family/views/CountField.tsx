import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import type { HomeState } from '../phone/useHome';
import { useKept, type Typing } from '../phone/typing';
import { useRemembered } from '../phone/useRemembered';
import { useWords } from '../words';
import type { Given } from './GivenField';
import type { SlotProps } from './SlotFrame';

/** What a count or order field gets, and how it is kept. */
export interface KeptField {
  id: string;
  draft: string;
  reading: SlotProps['reading'];
  typing: Typing;
  state: HomeState;
  first: Given | undefined;
  onKeep: (value: Given) => Promise<void>;
}

/** Counting by tap or digits; what rolled away or cannot be said stands apart. Kept when it is left. */
export function CountField({ id, draft, reading, typing, state, first, onKeep }: KeptField) {
  const t = useWords();
  const [kept, setKept] = useRemembered<Given>(state, `${draft}/value`);
  const given = kept ?? first;
  const n = given?.count ?? 0;
  const keep = useKept(typing, id, async () => {
    if (kept?.count === undefined) return;
    await onKeep(kept);
    setKept(undefined);
  });
  const set = (part: Partial<Given>) => setKept({ ...given, count: n, ...part });
  return (
    <div>
      <p className="count" aria-live="polite">
        {given?.count === undefined ? '–' : reading.of ? t('countOf', { n, of: reading.of }) : n}
      </p>
      <button type="button" className="one-more" onClick={() => set({ count: n + 1 })}>
        {t('oneMore')}
      </button>
      <div className="d-flex flex-wrap gap-2 align-items-center my-2">
        <Button
          variant="outline-primary"
          disabled={n === 0}
          onClick={() => set({ count: Math.max(0, n - 1) })}
        >
          {t('oneBack')}
        </Button>
        <label htmlFor={id} className="ms-auto">
          {t('orType')}
        </label>
        <FormControl
          id={id}
          type="number"
          min={0}
          inputMode="numeric"
          className="count-typed"
          value={given?.count ?? ''}
          onChange={(e) => {
            const typed = (e.target as HTMLInputElement).valueAsNumber;
            if (Number.isInteger(typed) && typed >= 0) set({ count: typed });
          }}
        />
      </div>
      <Beside
        id={`${id}-escaped`}
        label={t('rolledAwayLabel')}
        n={given?.escaped ?? 0}
        onSet={(escaped) => set({ escaped })}
      />
      <Beside
        id={`${id}-undecided`}
        label={t('cannotSayLabel')}
        n={given?.undecided ?? 0}
        onSet={(undecided) => set({ undecided })}
      />
      <Button
        className="w-100 mt-2"
        onClick={() => void (kept ? keep() : onKeep({ ...given, count: n }))}
      >
        {t('keep')}
      </Button>
    </div>
  );
}

/** A small number beside the count, by − and +. */
export function Beside({
  id,
  label,
  n,
  onSet,
}: {
  id: string;
  label: string;
  n: number;
  onSet: (n: number) => void;
}) {
  const t = useWords();
  return (
    <div className="row-48 flex-wrap" role="group" aria-labelledby={id}>
      <span id={id} className="what">
        {label}
      </span>
      <Button
        variant="outline-primary"
        disabled={n === 0}
        onClick={() => onSet(n - 1)}
        aria-label={t('oneLess', { what: label })}
      >
        −
      </Button>
      <output>{n}</output>
      <Button
        variant="outline-primary"
        onClick={() => onSet(n + 1)}
        aria-label={t('oneMoreOf', { what: label })}
      >
        +
      </Button>
    </div>
  );
}
