import { useQueryClient } from '@tanstack/react-query';
import { ask, type Schemas } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { time } from './parts';

export const doors: Record<string, string> = { hurt: 'Someone is hurt', spilled: 'Spilled or broken', 'not-working': 'It isn’t working' };
const outcomes: Record<string, string> = { fine: 'An adult says: small, we are fine.', 'phone-us': 'They ask you to phone.', 'mistaken-tap': 'They say it was a mistaken tap.' };

/** What a home told through Something went wrong: the advice given, the time, the guardian's phone. Brief, it is one line over other work. */
export function Trouble({ incident: i, brief }: { incident: Schemas['IncidentView']; brief?: boolean }) {
  const client = useQueryClient();
  const see = async () => {
    await ask('POST', `/classes/${i.class}/incidents/${i.id}/seen`);
    await client.invalidateQueries({ queryKey: ['incidents'] });
  };
  const phone = i.phone ? <a href={`tel:${i.phone.replace(/ /g, '')}`}>Phone {i.phone}</a> : <span className="second">No number on file</span>;
  if (brief)
    return (
      <p className="trouble-line">
        <NameLabel name={i.nickname} />
        <span>
          <strong>{doors[i.door]}</strong>, {time(i.phone_time)}
        </span>
        {phone}
        <button type="button" className="btn-plain" onClick={() => void see()}>
          I have seen it
        </button>
      </p>
    );
  return (
    <article className="card-paper trouble">
      <p style={{ margin: '0 0 4px' }}>
        <NameLabel name={i.nickname} /> {i.class_name} pressed Something went wrong, {time(i.phone_time)}
      </p>
      <p style={{ margin: 0 }}>
        <strong>{doors[i.door]}.</strong> {i.note && `“${i.note}” `}
        {i.advice && `The page showed: ${i.advice}. `}
        {outcomes[i.outcome ?? ''] ?? 'No adult has answered yet.'}
      </p>
      <p style={{ margin: '6px 0 0' }}>
        {phone}{' '}
        <button type="button" className="btn btn-outline-primary" onClick={() => void see()}>
          I have seen it
        </button>
      </p>
    </article>
  );
}
