import { Link } from 'react-router';
import type { Review } from '../draft/useDraft';
import { Said, say } from '../words';
import { Band, Remove, useEditing } from '../draft/fields';

/** What models of the Workbench say should come out. */
export function ExpectedBand({ review }: { review: Review | undefined }) {
  const { doc, set, language } = useEditing();
  const expectations = doc.expectations ?? [];
  const named = [...(doc.derived ?? []), ...(doc.readings ?? [])];
  return (
    <Band title={say('readingsBand.expected')}>
      {expectations.length === 0 && (
        <p className="hint">
          <Said
            of={say('readingsBand.nothing-is-expected-yet-ask-the')}
            with={[<Link key="0" to="/workbench" />]}
          />
        </p>
      )}
      {expectations.map((x) => {
        const out = review?.expected?.find((e) => e.id === x.id);
        const of = named.find((r) => r.id === x.for);
        const where = doc.conditions?.find((c) => c.id === x.condition);
        return (
          <div key={x.id} className="row-line">
            <span className="flex-fill">
              <strong>{of?.name[language] ?? x.for}</strong>
              {where && <>, {where.name[language] ?? where.id}</>}:{' '}
              {out?.problem ? <span className="w-mend">{out.problem}</span> : out?.text}{' '}
              <Link
                className="small"
                to={`/workbench?${new URLSearchParams({ ask: x.model, ...x.typed }).toString()}`}
              >
                {out?.title || say('readingsBand.open-at-the-workbench')}
              </Link>
            </span>
            <Remove
              what={say('readingsBand.what-is-expected')}
              onRemove={() =>
                set(
                  ['expectations'],
                  expectations.filter((e) => e !== x),
                  say('readingsBand.took-out-what-was-expected'),
                )
              }
            />
          </div>
        );
      })}
    </Band>
  );
}
