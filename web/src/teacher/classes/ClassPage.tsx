import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useAddress } from '../frame/address';
import Button from 'react-bootstrap/Button';
import { ButtonLink } from '../parts/ButtonLink';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { useKeeping } from '../frame/keeping';
import { SideSheet } from '../parts/SideSheet';
import { homesHave } from '../parts/dates';
import { Loading, PartError } from '../parts/states';
import { Head } from '../frame/TeacherFrame';
import { ClassForm } from './ClassForm';
import { HomeSheet } from './HomeSheet';
import { HomesTable } from './HomesTable';
import { RosterPaste } from './RosterPaste';
import { TakeAlong } from './TakeAlong';
import { WasDone } from './WasDone';
import { say } from '../words';
import { failed } from '../parts/failed';

type HomeView = Schemas['HomeView'];

/** Takes a home out of the class, or lets the class go; both can be undone. */
function useLettingGo(id: string, name: string, again: () => Promise<unknown>, onOut: () => void) {
  const client = useQueryClient();
  const { did } = useKeeping();
  const navigate = useNavigate();
  const remove = async (h: HomeView) => {
    await got(
      api.DELETE('/api/v1/classes/{class}/homes/{home}', {
        params: { path: { class: id, home: h.id } },
      }),
    );
    onOut();
    await again();
    did(
      say('classPage.taken-out', { nickname: h.nickname }),
      () =>
        void got(
          api.POST('/api/v1/classes/{class}/homes/{home}/restore', {
            params: { path: { class: id, home: h.id } },
          }),
        ).then(again),
    );
  };
  const drop = async () => {
    await got(api.DELETE('/api/v1/classes/{class}', { params: { path: { class: id } } }));
    await navigate('/classes');
    const all = () => client.invalidateQueries();
    await all();
    did(
      say('classPage.class-deleted', { name }),
      () =>
        void got(
          api.POST('/api/v1/classes/{class}/restore', { params: { path: { class: id } } }),
        ).then(all),
    );
  };
  return { remove, drop };
}

/** A class with its homes; again asks for both anew. */
function useClass(id: string) {
  const client = useQueryClient();
  const cls = useQuery({
    queryKey: ['class', id],
    queryFn: () => got(api.GET('/api/v1/classes/{class}', { params: { path: { class: id } } })),
  });
  const homes = useQuery({
    queryKey: ['homes', id],
    queryFn: () =>
      got(api.GET('/api/v1/classes/{class}/homes', { params: { path: { class: id } } })),
  });
  const again = () =>
    Promise.all([
      client.invalidateQueries({ queryKey: ['homes', id] }),
      client.invalidateQueries({ queryKey: ['class', id] }),
      client.invalidateQueries({ queryKey: ['classes'] }),
    ]);
  return { cls, homes, again };
}

/** How many homes have opened their link. */
function Opened({ list }: { list: HomeView[] }) {
  const opened = list.filter((h) => h.opened_at).length;
  return (
    <p className="lead-sentence">
      {list.length === 0
        ? say('classPage.the-class-has-no-homes-yet')
        : say('classPage.of-opened-link', {
            opened,
            n: list.length,
            homesHave: homesHave(list.length),
            value: list.length === 1 ? say('classPage.its') : say('classPage.their'),
          })}
    </p>
  );
}

function WaysOn({
  id,
  settings,
  onSettings,
}: {
  id: string;
  settings: boolean;
  onSettings: () => void;
}) {
  return (
    <>
      <ButtonLink to={`/classes/${id}/messages`}>{say('messages.messages')}</ButtonLink>
      <ButtonLink to={`/classes/${id}/codes`}>{say('classPage.codes-to-print')}</ButtonLink>
      <Button variant="outline-primary" aria-expanded={settings} onClick={onSettings}>
        {say('classPage.settings')}
      </Button>
    </>
  );
}

/** Who is in the class, and has each home opened its link? */
export function ClassPage() {
  const { class: id = '' } = useParams();
  const [params, change] = useAddress();
  const client = useQueryClient();
  const { did } = useKeeping();
  const { cls, homes, again } = useClass(id);
  const [settings, setSettings] = useState(params.has('settings'));
  const sheet = params.get('home');
  const open = (home?: string) => change({ home });
  const acts = useLettingGo(id, cls.data?.name ?? '', again, () => open());
  if (cls.isPending || homes.isPending) return <Loading what={say('classPage.the-class')} />;
  if (failed(cls) || failed(homes))
    return (
      <>
        <Head title={say('classPage.class')} />
        <PartError
          what={say('classPage.this-class')}
          error={cls.error ?? homes.error}
          retry={() => void again()}
        />
      </>
    );
  const c = cls.data;
  const list = homes.data.items;
  const chosen = list.find((h) => h.id === sheet);
  const { remove, drop } = acts;
  const saved = (h: HomeView) => {
    client.setQueryData(
      ['homes', id],
      (l?: typeof homes.data) => l && { ...l, items: l.items.map((x) => (x.id === h.id ? h : x)) },
    );
    void again();
    open(h.id);
  };
  return (
    <>
      <Head
        title={say('classPage.class-2', { name: c.name })}
        small={`${c.school} · ${say('classPage.homes', { count: list.length })} · ${c.zone}`}
        aside={<WaysOn id={id} settings={settings} onSettings={() => setSettings(!settings)} />}
      />
      <div className={sheet ? 'with-sheet' : ''}>
        <main className="work">
          {settings && (
            <section className="card-paper" aria-label={say('classPage.settings')}>
              <ClassForm
                now={c}
                onSaved={(saved) => {
                  client.setQueryData(['class', id], saved);
                  setSettings(false);
                  void again();
                }}
                onCancel={() => setSettings(false)}
              />
            </section>
          )}
          {(!c.emergency_number || !c.poison_number) && !settings && (
            <Notice>
              {say('classPage.a-number-is-missing-without-the')}{' '}
              <Button variant="plain" onClick={() => setSettings(true)}>
                {say('classPage.set-it')}
              </Button>
            </Notice>
          )}
          <Opened list={list} />
          <RosterPaste
            classId={id}
            open={list.length === 0}
            onAdded={(n) => {
              void again();
              did(say('classPage.homes-added', { count: n }));
            }}
            onOne={() => open('new')}
          />
          {list.length > 0 && (
            <HomesTable
              classId={id}
              homes={list}
              chosen={sheet}
              zone={c.zone}
              onOpen={open}
              onChanged={(count) => {
                void again();
                did(say('classPage.many-done', { count }));
              }}
            />
          )}
          <WasDone of={id} zone={c.zone} names={new Map(list.map((h) => [h.id, h.nickname]))} />
          <TakeAlong c={c} onDelete={drop} />
          <p className="hint small mt-3">{say('classPage.no-surnames-and-no-photos-of')}</p>
        </main>
        {sheet && (
          <SideSheet
            title={chosen ? <NameLabel name={chosen.nickname} /> : say('classPage.new-home')}
            onClose={() => open()}
          >
            <HomeSheet
              key={chosen?.id ?? 'new'}
              classId={id}
              zone={c.zone}
              home={chosen}
              onSaved={saved}
              onRemove={remove}
              onErased={() => {
                open();
                void again();
              }}
            />
          </SideSheet>
        )}
      </div>
    </>
  );
}
