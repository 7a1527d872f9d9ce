import type { Sheet } from '../phone/useHome';
import { useWords } from '../words';

/** The teacher's own readings, one table a reading, marked as shared. */
export function SharedReadings({ sheet }: { sheet: Sheet }) {
  const t = useWords();
  return (
    <>
      {sheet.shown.map((r) => (
        <div className="card-paper shared" key={r.name}>
          <h2>{r.name}</h2>
          <div className="scroll-x" tabIndex={0} role="region" aria-label={r.name}>
            <table className="result">
              <thead>
                <tr>
                  <th scope="col">
                    <span className="visually-hidden">{t('shared')}</span>
                  </th>
                  {r.times.map((x) => (
                    <th key={x} scope="col" className="num">
                      {x}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {r.rows.map((row) => (
                  <tr key={row.name ?? ''}>
                    <th scope="row">{row.name}</th>
                    {r.times.map((x, i) => (
                      <td key={x} className="num">
                        {row.values[i] || '–'}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </div>
      ))}
    </>
  );
}
