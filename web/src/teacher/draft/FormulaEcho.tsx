import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, got } from '../../api/client';
import { useSettled } from '../../ui/useSettled';
import { useEditing } from './fields';
import { say } from '../words';

/** The server's word on a formula while it is typed. */
export function FormulaEcho({ formula, unit }: { formula: string; unit: string }) {
  const { doc } = useEditing();
  const asked = useSettled({ formula, unit, document: doc });
  const { readings, constants, trials } = asked.document;
  const { data: answer } = useQuery({
    queryKey: ['formula', asked.formula, asked.unit, readings, constants, trials],
    enabled: asked.formula !== '',
    placeholderData: keepPreviousData,
    queryFn: async ({ signal }) => ({
      ...(await got(api.POST('/api/v1/preview/formula', { body: asked, signal }))),
      of_formula: asked.formula,
    }),
  });
  if (!formula || !answer) return null;
  if (answer.ok)
    return (
      <span className="hint small">
        {say('formulaEcho.gives', {
          value: answer.of
            ? say('formulaEcho.a-share-in-of', { of: answer.of })
            : say('formulaEcho.a-value-in', {
                value: answer.unit || say('formulaEcho.plain-numbers'),
              }),
        })}
      </span>
    );
  return (
    <span className="small w-mend" role="status">
      {answer.position < answer.end && (
        <>
          {say('formulaEcho.at', {
            formula: answer.of_formula.slice(answer.position, answer.end),
          })}{' '}
        </>
      )}
      {answer.problem}
    </span>
  );
}
