import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { ask, type Schemas } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { Loading, PartError } from '../frame/parts';
import { Head } from '../frame/TeacherFrame';

const words: Record<string, [string, string]> = { en: ['Open the square, or type the code at', 'no account, no password'], es: ['Abra el cuadro o escriba el código en', 'sin cuenta ni contraseña'] };

/** Each home's own way in, on paper, to cut apart. */
export function Codes() {
  const { class: id = '' } = useParams();
  const cls = useQuery({ queryKey: ['class', id], queryFn: () => ask<Schemas['ClassView']>('GET', `/classes/${id}`) });
  const list = useQuery({ queryKey: ['invitations', id], queryFn: () => ask<Schemas['ListInvitation']>('GET', `/classes/${id}/invitations`) });
  if (cls.isPending || list.isPending) return <Loading what="the codes" />;
  if (cls.error || list.error) return <PartError what="The codes" error={cls.error ?? list.error} />;
  return (
    <>
      <Head title={`Codes · ${cls.data.name}`} small={`${list.data.items.length} homes. Cut along the dashes: each slip opens one home.`} aside={<><Link className="btn btn-outline-primary" to={`/classes/${id}`}>Class</Link><button type="button" className="btn btn-primary" onClick={() => print()}>Print</button></>} />
      <main className="work">
        {list.data.items.some((i) => i.lost) && (
          <p className="notice">
            Without a slip: {list.data.items.filter((i) => i.lost).map((i) => i.nickname).join(', ')}. Their links were made with a secret that the server has no more; give each a new one at <Link to={`/classes/${id}`}>its class</Link>.
          </p>
        )}
        <div className="slips">
          {list.data.items.filter((i) => !i.lost).map((i) => {
            const [open, none] = words[i.language] ?? words.en;
            return (
              <div className="slip" key={i.home} lang={i.language}>
                <svg viewBox={`0 0 ${i.qr.size} ${i.qr.size}`} role="img" aria-label={`Square code of ${i.nickname}`} shapeRendering="crispEdges">
                  <rect width={i.qr.size} height={i.qr.size} fill="#fff" />
                  <path d={i.qr.path} fill="#000" />
                </svg>
                <div style={{ minWidth: 0 }}>
                  <NameLabel name={i.nickname} />
                  <div className="code">{i.code}</div>
                  <div className="small">
                    {open} {new URL(i.link).host}/code
                  </div>
                  <div className="small second">{none}</div>
                </div>
              </div>
            );
          })}
        </div>
        <p className="hint small" style={{ marginTop: 12 }}>
          Lost a slip? Print it again, or give that home a new code at <Link to={`/classes/${id}`}>its class</Link>. Homes that watch get slips too: they look the same to a neighbour.
        </p>
      </main>
    </>
  );
}
