import Button from 'react-bootstrap/Button';
import { useKept } from '../phone/typing';
import { useRemembered } from '../phone/useRemembered';
import { useWords } from '../words';
import { Beside, type KeptField } from './CountField';
import type { Given } from './GivenField';

/** How many are in each zone at this look: a tap on a zone adds one. They begin empty at each look; kept when it is left. */
export function ZonesField({ id, draft, reading, typing, state, first, onKeep }: KeptField) {
  const t = useWords();
  const [kept, setKept] = useRemembered<Given>(state, `${draft}/value`);
  const given = kept ?? first ?? {};
  const counts = given.counts ?? {};
  const placed =
    Object.values(counts).reduce((sum, n) => sum + n, 0) +
    (given.escaped ?? 0) +
    (given.undecided ?? 0);
  const whole = (): Given => ({
    ...given,
    counts: Object.fromEntries(reading.choices.map((z) => [z.id, counts[z.id] ?? 0])),
  });
  const keep = useKept(typing, id, async () => {
    if (!kept) return;
    await onKeep(whole());
    setKept(undefined);
  });
  const set = (part: Partial<Given>) => setKept({ ...given, counts, ...part });
  return (
    <div>
      <div className="zones">
        {reading.choices.map((z) => (
          <div key={z.id} className="zone">
            <button
              type="button"
              className="one-more"
              onClick={() => set({ counts: { ...counts, [z.id]: (counts[z.id] ?? 0) + 1 } })}
            >
              {z.word}
              <span className="count">{counts[z.id] ?? 0}</span>
            </button>
            <Button
              variant="outline-primary"
              className="w-100"
              disabled={!counts[z.id]}
              onClick={() => set({ counts: { ...counts, [z.id]: counts[z.id] - 1 } })}
              aria-label={t('oneLess', { what: z.word })}
            >
              −
            </Button>
          </div>
        ))}
      </div>
      <Beside
        id={`${id}-escaped`}
        label={t('climbedOut')}
        n={given.escaped ?? 0}
        onSet={(escaped) => set({ escaped })}
      />
      <Beside
        id={`${id}-undecided`}
        label={t('onTheLine')}
        n={given.undecided ?? 0}
        onSet={(undecided) => set({ undecided })}
      />
      <p className="second my-2" aria-live="polite">
        {reading.of ? t('placedOf', { n: placed, of: reading.of }) : t('placed', { n: placed })}
      </p>
      <Button className="w-100" onClick={() => void (kept ? keep() : onKeep(whole()))}>
        {t('keep')}
      </Button>
    </div>
  );
}
