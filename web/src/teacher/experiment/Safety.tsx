import { Icon } from '../../ui/Icon';
import { useEditing } from './fields';
import type { Review } from './useDraft';

const lines: [string, string][] = [
  ['heat', 'Is anything heated, or is water over 45 °C used?'],
  ['flame', 'Is there a flame, a spark or glowing heat?'],
  ['blade', 'Is a knife or another blade used? (Scissors are an action of a step.)'],
  ['gas', 'Does anything make gas, or can pressure build up in a vessel?'],
  ['chemicals', 'Is anything used beyond food and tap water?'],
];
const verdicts: Record<string, string> = { care: 'With care', 'adult-near': 'Adult near', 'adult-does': 'Adult does', 'not-at-home': 'Not at home', unanswered: 'Not answered' };

/** What could hurt, step by step; and the teacher's own statement, line by line. */
export function Safety({ review }: { review: Review | undefined }) {
  const { doc, set, language } = useEditing();
  const hazards = doc.hazards ?? {};
  const open = lines.filter(([h]) => hazards[h] === undefined).length;
  const findings = review?.safety.filter((f) => f.step) ?? [];
  const worst = review?.verdict ?? 'unanswered';
  const sentence =
    worst === 'not-at-home' ? 'Something here is not issued to homes. Show it yourself and share the readings, or change it.' : open > 0 ? `${open === 1 ? 'One line is' : `${open} lines are`} not answered yet. An unanswered line stops issuing.` : worst === 'care' ? 'Everyday actions with the usual care.' : 'An adult has to be there at some step; permission will name it.';
  return (
    <main className="work">
      <p className="lead-sentence">{sentence}</p>
      <section className="band" aria-label="Your statement">
        <h2>Your statement</h2>
        <table className="grid" style={{ maxWidth: 760 }}>
          <tbody>
            {lines.map(([h, words]) => (
              <tr key={h} id={`hazard-${h}`}>
                <th scope="row" style={{ fontWeight: 400 }} id={`h-${h}`}>
                  {words}
                </th>
                <td style={{ whiteSpace: 'nowrap' }}>
                  <span role="radiogroup" aria-labelledby={`h-${h}`}>
                    {[false, true].map((answer) => (
                      <label key={String(answer)} style={{ marginRight: 16, minHeight: 24 }}>
                        <input type="radio" className="form-check-input" name={`hazard-${h}`} checked={hazards[h] === answer} onChange={() => set(['hazards', h], answer)} /> {answer ? 'yes' : 'no'}
                      </label>
                    ))}
                  </span>
                </td>
                <td>{hazards[h] === undefined ? <span className="w-mend">not answered</span> : hazards[h] ? <span className="w-stop">not issued to homes</span> : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section className="band" aria-label="By step">
        <h2>By step</h2>
        {findings.length === 0 && <p className="second">No step has an action that the rules speak of. Tick what is done in each step at Materials and steps.</p>}
        {findings.map((f) => {
          const i = doc.steps?.findIndex((s) => s.id === f.step) ?? -1;
          const adult = f.verdict === 'adult-near' || f.verdict === 'adult-does';
          return (
            <article key={f.step + f.action} className={`card-paper ${f.verdict === 'not-at-home' ? 'trouble' : ''}`} style={adult ? { borderLeft: '6px solid var(--damson)' } : undefined}>
              <p style={{ margin: 0 }}>
                <strong>
                  {adult && <Icon name="person-standing" />} {verdicts[f.verdict]}
                </strong>{' '}
                · step {i + 1}, {doc.steps?.[i]?.title[language]} · {f.action}
              </p>
              <p style={{ margin: 0 }}>
                {f.why} {f.do}
              </p>
            </article>
          );
        })}
        <p className="hint small">
          These are the usual cautions. Product labels, your school’s own risk assessment and local law go first. This version knows the everyday actions; whatever it does not know is not issued.
        </p>
      </section>
    </main>
  );
}
