import { say } from '../words';
export const verdictWords: Record<string, string> = {
  care: say('verdict.with-care'),
  'adult-near': say('verdict.adult-near'),
  'adult-does': say('verdict.adult-does'),
  'not-at-home': say('verdict.not-at-home'),
};
const signs: Record<string, string> = {
  care: '□',
  'adult-near': '▤',
  'adult-does': '▣',
  'not-at-home': '■',
};
export const verdicts = ['not-at-home', 'adult-does', 'adult-near', 'care'];

/** A verdict of the safety rules: its sign and its word, never a colour alone. */
export function Verdict({ v, word = true }: { v: string; word?: boolean }) {
  return (
    <span className={`verdict v-${v}`}>
      <span aria-hidden={word}>{signs[v]}</span>
      {word ? (
        ` ${verdictWords[v] ?? v}`
      ) : (
        <span className="visually-hidden">{verdictWords[v]}</span>
      )}
    </span>
  );
}

const classWords: Record<string, string> = {
  pools: say('comparability.pools'),
  scales: say('comparability.scales'),
  separate: say('comparability.separate'),
  unsuitable: say('comparability.unsuitable'),
};
const classSigns: Record<string, string> = {
  pools: '∪',
  scales: '≈',
  separate: '‖',
  unsuitable: '✕',
};

/** How a home's result with a swap stands to the others'. */
export function Comparability({ c }: { c: string }) {
  return (
    <span className={`comparability c-${c}`}>
      <span aria-hidden>{classSigns[c]}</span> {classWords[c] ?? c}
    </span>
  );
}
