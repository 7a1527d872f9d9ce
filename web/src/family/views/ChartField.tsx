import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { useKept } from '../phone/typing';
import { useRemembered } from '../phone/useRemembered';
import type { Schemas } from '../../api/client';
import { useRowKeys } from '../../ui/useRowKeys';
import { useWords } from '../words';
import type { EvidenceProps } from './EvidenceField';

type Stop = Schemas['Stop'];
const most = 8;
const said = (s: Stop) => ((s.where ?? '') + (s.change ?? '')).trim() !== '';

/** The way of something, stage after stage: where it is and what changes there. Kept when it is left. */
export function ChartField({ state, sheet, book, step, evidence, typing }: EvidenceProps) {
  const t = useWords();
  const id = `chart-${evidence.id}`;
  const [drawn, setDrawn] = useRemembered<Stop[]>(state, `${id}/${sheet.assignment}`);
  const sent = book.shown(evidence.id, step)?.entry.value?.chart;
  const stops = drawn ?? sent ?? [{}, {}];
  const keep = useKept(typing, id, async () => {
    const chart = (drawn ?? []).filter(said);
    if (chart.length === 0) return;
    await state.add(sheet.assignment, {
      kind: 'observation',
      step,
      evidence: evidence.id,
      value: { chart },
    });
    setDrawn(undefined);
  });
  const { keys, takeOut } = useRowKeys(stops.length);
  const set = (i: number, part: Stop) =>
    setDrawn(stops.map((s, k) => (k === i ? { ...s, ...part } : s)));
  const move = (i: number, by: number) => {
    const next = [...stops];
    [next[i], next[i + by]] = [next[i + by], next[i]];
    setDrawn(next);
  };
  return (
    <>
      <datalist id={`${id}-places`}>
        {(evidence.places ?? []).map((p) => (
          <option key={p.id} value={p.word} />
        ))}
      </datalist>
      <ol className="chart" data-testid={id}>
        {stops.map((s, i) => (
          <li key={keys[i]}>
            <label htmlFor={`${id}-where-${i}`}>{t('stopWhere', { n: i + 1 })}</label>
            <FormControl
              id={`${id}-where-${i}`}
              list={`${id}-places`}
              autoComplete="off"
              maxLength={200}
              value={s.where ?? ''}
              onChange={(e) => set(i, { where: e.target.value })}
            />
            <label htmlFor={`${id}-change-${i}`}>{t('stopChange', { n: i + 1 })}</label>
            <FormControl
              id={`${id}-change-${i}`}
              as="textarea"
              rows={2}
              maxLength={200}
              value={s.change ?? ''}
              onChange={(e) => set(i, { change: e.target.value })}
            />
            <div className="answers">
              <Button
                variant="plain"
                disabled={i === 0}
                aria-label={`${t('stopN', { n: i + 1 })}: ${t('up')}`}
                onClick={() => move(i, -1)}
              >
                {t('up')}
              </Button>
              <Button
                variant="plain"
                disabled={i === stops.length - 1}
                aria-label={`${t('stopN', { n: i + 1 })}: ${t('down')}`}
                onClick={() => move(i, 1)}
              >
                {t('down')}
              </Button>
              <Button
                variant="plain"
                disabled={stops.length === 1}
                aria-label={`${t('stopN', { n: i + 1 })}: ${t('away')}`}
                onClick={() => (takeOut(i), setDrawn(stops.filter((_, k) => k !== i)))}
              >
                {t('away')}
              </Button>
            </div>
          </li>
        ))}
      </ol>
      <div className="answers">
        <Button
          variant="outline-primary"
          disabled={stops.length >= most}
          onClick={() => setDrawn([...stops, {}])}
        >
          {t('addStop')}
        </Button>
        <Button disabled={!drawn || !drawn.some(said)} onClick={() => void keep()}>
          {t('keep')}
        </Button>
      </div>
      {sent && !drawn && (
        <p className="second m-0" aria-live="polite">
          {t('chartKept')}
        </p>
      )}
    </>
  );
}
