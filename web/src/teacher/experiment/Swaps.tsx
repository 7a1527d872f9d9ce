import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { api, got, type Schemas } from '../../api/client';
import type { Doc, Need } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { ProblemLine } from '../parts/states';
import { Comparability, Verdict } from '../parts/Verdict';
import { say } from '../words';
import { useEditing } from '../draft/fields';

type Row = Schemas['SheetSwap'];

/** What may stand in, for the result that is measured, with its sum and its effect. */
export function Swaps({ need, replace }: { need: Need; replace: Replace }) {
  const { doc } = useEditing();
  const [problem, setProblem] = useState<unknown>();
  const key = JSON.stringify([need, doc.measured?.[0]?.result, doc.age_band]);
  const list = useQuery({
    queryKey: ['swaps', key],
    queryFn: () =>
      got(api.POST('/api/v1/preview/swaps', { body: { document: doc, need: need.id } })),
    placeholderData: (before: { items: Row[] } | undefined) => before,
  });
  const take = async (row: Row) => {
    try {
      replace(
        (
          await got(
            api.POST('/api/v1/preview/mend', { body: { document: doc, change: row.change } }),
          )
        ).document as Doc,
        say('needSheet.took', { name: row.name }),
        doc,
      );
    } catch (error) {
      setProblem(error);
    }
  };
  return (
    <section aria-label={say('needSheet.what-may-stand-in-for-it')}>
      <h3 className="usual mt-3 mb-1">{say('needSheet.may-stand-in-for-it')}</h3>
      {!doc.measured?.[0]?.result && (
        <p className="hint small">{say('needSheet.say-at-plan-what-kind-of')}</p>
      )}
      <ProblemLine error={list.error ?? problem} />
      {list.data?.items.length === 0 && (
        <p className="second">{say('needSheet.nothing-that-the-larder-knows')}</p>
      )}
      {list.data?.items.slice(0, 8).map((r) => (
        <div key={JSON.stringify(r.change)} className="swap">
          <p className="m-0">
            <strong>
              {r.name}
              {r.other ? `, ${r.other}` : ''}
            </strong>{' '}
            {r.amount && <span className="tabular">{r.amount}</span>} <Comparability c={r.class} />{' '}
            {r.graver && (
              <>
                {say('needSheet.then')} <Verdict v={r.verdict} />
              </>
            )}
          </p>
          <p className="second small m-0">
            {r.how} {r.because} {r.effect && say('needSheet.effect', { effect: r.effect })}{' '}
            {r.acid && `${r.acid[0].toUpperCase()}${r.acid.slice(1)}.`}{' '}
            {r.procedure && say('needSheet.also', { procedure: r.procedure })}{' '}
            {r.cautions.join(' ')}{' '}
            <Button variant="plain" onClick={() => void take(r)}>
              {say('needSheet.use-it-in-the-design')}
            </Button>
          </p>
        </div>
      ))}
    </section>
  );
}
