import Button from 'react-bootstrap/Button';
import { freshID, type Reading } from '../draft/document';
import type { Replace, Review } from '../draft/useDraft';
import { say } from '../words';
import { ConstantsBand } from './ConstantsBand';
import { DerivedRow } from './DerivedRow';
import { EvidenceBand } from './EvidenceBand';
import { ExpectedBand } from './ExpectedBand';
import { Band, useEditing } from '../draft/fields';
import { MistakesBand } from './MistakesBand';
import { ReadingCard } from './ReadingCard';

/** What is read, with which tool, how finely; and what is worked out of it. */
export function ReadingsBand({
  review,
  replace,
}: {
  review: Review | undefined;
  replace: Replace;
}) {
  const { doc, set } = useEditing();
  const readings = doc.readings ?? [];
  const derived = doc.derived ?? [];
  const removeReading = (r: Reading) =>
    replace(
      {
        ...doc,
        readings: readings.filter((x) => x !== r),
        steps: doc.steps?.map((s) => ({ ...s, takes: s.takes?.filter((t) => t.reading !== r.id) })),
      },
      say('readingsBand.took-out-a-reading'),
    );
  return (
    <>
      <Band
        title={say('readingsBand.readings')}
        aside={
          <Button
            variant="outline-primary"
            onClick={() =>
              set(
                ['readings'],
                [
                  ...readings,
                  {
                    id: freshID('reading', readings),
                    symbol: `x${readings.length + 1}`,
                    name: {},
                    unit: 'mm',
                    per: ['condition'],
                    instruments: [],
                  } satisfies Reading,
                ],
              )
            }
          >
            {say('readingsBand.add-a-reading')}
          </Button>
        }
      >
        {readings.length === 0 && (
          <p className="hint">{say('readingsBand.nothing-is-measured-yet-so-nothing')}</p>
        )}
        {readings.map((r, i) => (
          <ReadingCard
            key={r.id}
            reading={r}
            at={i}
            replace={replace}
            onRemove={() => removeReading(r)}
          />
        ))}
      </Band>
      <ConstantsBand />
      <Band
        title={say('derivedRow.worked-out')}
        aside={
          <Button
            variant="outline-primary"
            onClick={() =>
              set(
                ['derived'],
                [...derived, { id: freshID('value', derived), name: {}, formula: '', unit: '' }],
              )
            }
          >
            {say('readingsBand.add-a-value')}
          </Button>
        }
      >
        {derived.map((x, i) => (
          <DerivedRow
            key={x.id}
            value={x}
            at={i}
            onRemove={() =>
              set(
                ['derived'],
                derived.filter((d) => d !== x),
                say('readingsBand.took-out-a-value'),
              )
            }
          />
        ))}
        <p className="hint small">{say('readingsBand.constants-take-their-unit-such-as')}</p>
      </Band>
      <ExpectedBand review={review} />
      <EvidenceBand replace={replace} />
      <MistakesBand />
    </>
  );
}
