import type { Schemas } from '../api/client';

/** The guardian's sheet, section by section: the same words in the same order on the phone and in the teacher's preview. */
export function SheetSections({
  sections,
  heading: H,
}: {
  sections: Schemas['SheetSection'][];
  heading: 'h2' | 'h3';
}) {
  return (
    <>
      {sections.map((s) => (
        <div key={s.id} data-section={s.id}>
          <H>{s.title}</H>
          {s.lines.length === 1 ? (
            <p>
              <Line line={s.lines[0]} />
            </p>
          ) : (
            <ul className="indented">
              {s.lines.map((l) => (
                <li key={(l.strong ?? '') + l.text}>
                  <Line line={l} />
                </li>
              ))}
            </ul>
          )}
        </div>
      ))}
    </>
  );
}

function Line({ line: l }: { line: Schemas['SheetLine'] }) {
  return (
    <>
      {l.strong && <strong>{l.strong} </strong>}
      {l.why && `${l.why} `}
      {l.text}
    </>
  );
}
