import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { api, got, type Schemas } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { Head } from '../frame/TeacherFrame';
import { ButtonLink } from '../parts/ButtonLink';
import { day } from '../parts/dates';
import { Grid } from '../parts/Grid';
import { occasions } from '../parts/occasions';
import { Loading, PartError } from '../parts/states';
import { say } from '../words';

type Message = Schemas['MessageView'];

/** The outbox: what was written to whom, in its words, and whether it left. */
export function Messages() {
  const { class: id = '' } = useParams();
  const list = useQuery({
    queryKey: ['messages', id],
    queryFn: () =>
      got(api.GET('/api/v1/classes/{class}/messages', { params: { path: { class: id } } })),
    refetchInterval: 10_000,
  });
  return (
    <>
      <Head
        title={say('messages.messages')}
        aside={<ButtonLink to={`/classes/${id}`}>{say('classPage.class')}</ButtonLink>}
      />
      <main className="work">
        {list.isPending && <Loading what={say('messages.the-messages')} />}
        {list.isError && (
          <PartError
            what={say('messages.the-messages')}
            error={list.error}
            retry={() => void list.refetch()}
          />
        )}
        {list.data?.items.length === 0 && (
          <p className="lead-sentence">{say('messages.nothing-was-written-yet')}</p>
        )}
        {list.data && list.data.items.length > 0 && (
          <>
            <p className="hint small">{say('messages.nobody-is-written-to-twice')}</p>
            <Grid label={say('messages.messages')}>
              <thead>
                <tr>
                  <th scope="col">{say('classPage.home')}</th>
                  <th scope="col">{say('messages.what')}</th>
                  <th scope="col">{say('messages.to')}</th>
                  <th scope="col">{say('messages.when')}</th>
                </tr>
              </thead>
              <tbody>
                {list.data.items.map((m) => (
                  <Line key={`${m.nickname}/${m.kind}/${m.subject}/${m.send_at}`} m={m} />
                ))}
              </tbody>
            </Grid>
          </>
        )}
      </main>
    </>
  );
}

function Line({ m }: { m: Message }) {
  return (
    <tr>
      <th scope="row">
        <NameLabel name={m.nickname} />
      </th>
      <td>
        <details>
          <summary>
            {occasions[m.kind]}: {m.subject}
          </summary>
          <p className="text-break pre-line">{m.body}</p>
        </details>
      </td>
      <td>{m.address}</td>
      <td>
        {m.state === 'sent' && say('messages.sent-on', { day: day(m.sent_at ?? m.send_at) })}
        {m.state === 'waits' && say('messages.waits-until', { day: day(m.send_at) })}
        {m.state === 'failed' && (
          <strong>{say('messages.could-not-be-sent', { why: m.failed ?? '' })}</strong>
        )}
      </td>
    </tr>
  );
}
