import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import Button from 'react-bootstrap/Button';
import { ButtonLink } from '../parts/ButtonLink';
import { Notice } from '../parts/Notice';
import { api, got } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { Loading, PartError } from '../parts/states';
import { Head } from '../frame/TeacherFrame';
import { Said, say } from '../words';
import { failed } from '../parts/failed';

/** Each home's own way in, on paper, to cut apart. */
export function Codes() {
  const { class: id = '' } = useParams();
  const cls = useQuery({
    queryKey: ['class', id],
    queryFn: () => got(api.GET('/api/v1/classes/{class}', { params: { path: { class: id } } })),
  });
  const list = useQuery({
    queryKey: ['invitations', id],
    queryFn: () =>
      got(api.GET('/api/v1/classes/{class}/invitations', { params: { path: { class: id } } })),
  });
  if (cls.isPending || list.isPending) return <Loading what={say('codes.the-codes')} />;
  if (failed(cls) || failed(list))
    return <PartError what={say('codes.the-codes-2')} error={cls.error ?? list.error} />;
  return (
    <>
      <Head
        title={say('codes.codes', { name: cls.data.name })}
        small={say('codes.homes-cut-along-the-dashes-each', {
          homes: say('count.homes', { count: list.data.items.length }),
        })}
        aside={
          <>
            <ButtonLink to={`/classes/${id}`}>{say('classPage.class')}</ButtonLink>
            <Button onClick={() => print()}>{say('codes.print')}</Button>
          </>
        }
      />
      <main className="work">
        {list.data.items.some((i) => i.lost) && (
          <Notice>
            <Said
              of={say('codes.without-a-slip-their-links-were', {
                join: list.data.items
                  .filter((i) => i.lost)
                  .map((i) => i.nickname)
                  .join(', '),
              })}
              with={[<Link key="0" to={`/classes/${id}`} />]}
            />
          </Notice>
        )}
        <div className="slips">
          {list.data.items
            .filter((i) => !i.lost)
            .map((i) => {
              return (
                <div className="slip" key={i.home} lang={i.language}>
                  <svg
                    viewBox={`0 0 ${i.qr.size} ${i.qr.size}`}
                    role="img"
                    aria-label={say('codes.square-code-of', { nickname: i.nickname })}
                    shapeRendering="crispEdges"
                  >
                    <rect width={i.qr.size} height={i.qr.size} fill="var(--print-paper)" />
                    <path d={i.qr.path} fill="var(--print-ink)" />
                  </svg>
                  <div className="min-w-0">
                    <NameLabel name={i.nickname} />
                    <div className="code">{i.code}</div>
                    <div className="small">{`${i.open} ${new URL(i.link).host}/code`}</div>
                    <div className="small second">{i.no_account}</div>
                  </div>
                </div>
              );
            })}
        </div>
        <p className="hint small mt-3">
          <Said
            of={say('codes.lost-a-slip-print-it-again')}
            with={[<Link key="0" to={`/classes/${id}`} />]}
          />
        </p>
      </main>
    </>
  );
}
