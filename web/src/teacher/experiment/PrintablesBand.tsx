import { Band, TickList, useEditing } from '../draft/fields';
import { useLarder } from '../larder/useLarder';
import { say } from '../words';

/** The sheets that are printed at true size for this experiment. */
export function PrintablesBand() {
  const { doc } = useEditing();
  const all = useLarder().larder?.true_size ?? [];
  return (
    <Band title={say('printables.to-print')}>
      <p className="hint small mb-1">{say('printables.hint')}</p>
      <TickList
        legend=""
        path={['printables']}
        value={doc.printables}
        options={all.map((o): [string, string] => [o.id, o.text])}
      />
    </Band>
  );
}
