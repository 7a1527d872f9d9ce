import { PhonePage } from '../parts/PhonePage';
import { useWords } from '../words';
import { Conclusion, ResultTable, useOwnResult } from './Result';
import { Prediction } from './Prediction';
import type { WorkProps } from '../phone/work';

/** For homes that would rather watch: the teacher's own readings, clearly marked, and the home's own thinking. */
export function Watch({ view, onGo, ...props }: WorkProps & { view: string; onGo: (page: string) => void }) {
  const { state, sheet, book, onWrong } = props;
  const t = useWords();
  const before = sheet.questions.filter((q) => q.when === 'before');
  const predicted = before.every((q) => book.answer(q.id));
  const { own } = useOwnResult(props);
  if (view === 'conclusion') return <Conclusion {...props} onGo={() => onGo('sent')} />;
  if (!predicted || view === 'predict') return <Prediction {...props} onGo={() => onGo('watch')} />;
  return (
    <PhonePage
      place={sheet.title}
      aside={<button type="button" className="btn-plain" onClick={() => onGo('permission')}>{t('permission')}</button>}
      heading={t('shared')}
      focusKey="watch"
      state={state}
      action={{ words: t('nextMeaning'), do: () => onGo('conclusion') }}
      onWrong={onWrong}
    >
      <p>{t('declinedNote')}</p>
      {sheet.shared.length === 0 ? <p className="card-paper shared">{t('sharedNone')}</p> : <SharedReadings sheet={sheet} />}
      {own && sheet.shared.length > 0 && <ResultTable sheet={sheet} own={own} shared />}
    </PhonePage>
  );
}

function SharedReadings({ sheet }: { sheet: WorkProps['sheet'] }) {
  const t = useWords();
  return (
    <>
      {sheet.readings.map((r) => {
        const slots = sheet.steps.flatMap((s) => s.takes).filter((s) => s.reading === r.id);
        const times = [...new Set(slots.map((s) => s.time ?? ''))];
        const conditions = [...new Set(slots.map((s) => s.condition ?? ''))];
        const value = (condition: string, time: string) => sheet.shared.filter((e) => e.entry.reading === r.id && (e.entry.condition ?? '') === condition && (e.entry.time ?? '') === time).map((e) => e.echo ?? e.entry.typed).join('; ');
        return (
          <div className="card-paper shared" key={r.id}>
            <h2>{r.name}</h2>
            <div className="scroll-x" tabIndex={0} role="region" aria-label={r.name}>
              <table className="result">
                <thead>
                  <tr>
                    <th scope="col"><span className="visually-hidden">{t('shared')}</span></th>
                    {times.map((x) => <th key={x} scope="col" className="num">{x}</th>)}
                  </tr>
                </thead>
                <tbody>
                  {conditions.map((c) => (
                    <tr key={c}>
                      <th scope="row">{sheet.conditions.find((x) => x.id === c)?.name ?? ''}</th>
                      {times.map((x) => <td key={x} className="num">{value(c, x) || '–'}</td>)}
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </div>
        );
      })}
    </>
  );
}
