import Button from 'react-bootstrap/Button';
import { useRowKeys } from '../../ui/useRowKeys';
import { Remove, TickList, useEditing, WordsField } from '../draft/fields';
import { say } from '../words';
import type { Localized } from '../draft/document';

/** What a way of working asks beside the steps. */
export function TaskFields() {
  const { doc } = useEditing();
  return (
    <>
      {doc.way === 'calculate-first' && <Calculate />}
      {doc.way === 'open-challenge' && (
        <Texts
          path={['task', 'keep_to']}
          texts={doc.task?.keep_to ?? []}
          nameOf={(n) => say('task.keep-to', { n })}
          add={say('task.add-keep-to')}
          tookOut={say('task.took-out-keep-to')}
        />
      )}
    </>
  );
}

/** Amounts that homes work out before they begin, each with its hints. */
function Calculate() {
  const { doc, set, language } = useEditing();
  const all = doc.task?.calculate ?? [];
  const amounts = (doc.needs ?? []).filter((n) => n.amount);
  return (
    <>
      <TickList
        legend={say('task.calculate')}
        path={['task', 'calculate']}
        value={all.map((c) => c.need)}
        setter={(path, needs) =>
          set(
            path,
            (needs as string[]).map((need) => all.find((c) => c.need === need) ?? { need }),
          )
        }
        options={amounts.map((n): [string, string] => [n.id, n.name[language] ?? n.id])}
      />
      {amounts.length === 0 && <p className="hint">{say('task.none')}</p>}
      {all.map((c, i) => (
        <section key={c.need} aria-label={`${say('task.amount-of')} ${c.need}`}>
          <p className="named m-0">
            {say('task.amount-of')} {amounts.find((n) => n.id === c.need)?.name[language] ?? c.need}
          </p>
          <Texts
            path={['task', 'calculate', i, 'hints']}
            texts={c.hints ?? []}
            nameOf={(n) => say('task.hint', { n })}
            add={say('task.add-a-hint')}
            tookOut={say('task.took-out-a-hint')}
          />
        </section>
      ))}
    </>
  );
}

/** Texts that families read, one a row. */
function Texts({
  path,
  texts,
  nameOf,
  add,
  tookOut,
}: {
  path: (string | number)[];
  texts: Localized[];
  nameOf: (n: number) => string;
  add: string;
  tookOut: string;
}) {
  const { set } = useEditing();
  const { keys, takeOut } = useRowKeys(texts.length);
  return (
    <>
      {texts.map((text, i) => (
        <div key={keys[i]} className="field-row">
          <div className="grows">
            <WordsField label={nameOf(i + 1)} path={[...path, i]} value={text} />
          </div>
          <div className="flex-none">
            <Remove
              what={nameOf(i + 1)}
              onRemove={() => {
                takeOut(i);
                set(
                  path,
                  texts.filter((x) => x !== text),
                  tookOut,
                );
              }}
            />
          </div>
        </div>
      ))}
      <Button variant="plain" onClick={() => set(path, [...texts, {}])}>
        {add}
      </Button>
    </>
  );
}
