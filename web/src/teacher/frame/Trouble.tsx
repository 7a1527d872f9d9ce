import { useQueryClient } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import { api, got, type Schemas } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { time } from '../parts/dates';
import { say } from '../words';

export const doors: Record<string, string> = {
  hurt: say('trouble.someone-is-hurt'),
  spilled: say('trouble.spilled-or-broken'),
  'not-working': say('trouble.it-isnt-working'),
};
const outcomes: Record<string, string> = {
  fine: say('trouble.an-adult-says-small'),
  'phone-us': say('trouble.they-ask-you-to-phone'),
  'mistaken-tap': say('trouble.they-say-it-was-a-mistaken'),
};

/** What a home told through Something went wrong: the advice given, the time, the guardian's phone. Brief, it is one line over other work. */
export function Trouble({
  incident: i,
  brief,
}: {
  incident: Schemas['IncidentView'];
  brief?: boolean;
}) {
  const client = useQueryClient();
  const see = async () => {
    await got(
      api.POST('/api/v1/classes/{class}/incidents/{incident}/seen', {
        params: { path: { class: i.class, incident: i.id } },
      }),
    );
    await client.invalidateQueries({ queryKey: ['incidents'] });
  };
  const phone = i.phone ? (
    <a href={`tel:${i.phone.replace(/ /g, '')}`}>{say('trouble.phone', { phone: i.phone })}</a>
  ) : (
    <span className="second">{say('trouble.no-number-on-file')}</span>
  );
  if (brief)
    return (
      <p className="trouble-line">
        <NameLabel name={i.nickname} />
        <span>
          <strong>{doors[i.door]}</strong>, {time(i.phone_time)}
        </span>
        {phone}
        <Button variant="plain" onClick={() => void see()}>
          {say('trouble.i-have-seen-it')}
        </Button>
      </p>
    );
  return (
    <article className="card-paper trouble">
      <p className="mt-0 mb-1">
        <NameLabel name={i.nickname} />{' '}
        {say('trouble.pressed-something-went-wrong', {
          classname: i.class_name,
          time: time(i.phone_time),
        })}
      </p>
      <p className="m-0">
        <strong>{doors[i.door]}.</strong> {i.note && `${say('quoted', { text: i.note })} `}
        {i.advice && say('trouble.the-page-showed', { advice: i.advice })}
        {outcomes[i.outcome ?? ''] ?? say('trouble.no-adult-has-answered-yet')}
      </p>
      <p className="mt-2 mb-0">
        {phone}{' '}
        <Button variant="outline-primary" onClick={() => void see()}>
          {say('trouble.i-have-seen-it')}
        </Button>
      </p>
    </article>
  );
}
