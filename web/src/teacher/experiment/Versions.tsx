import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
import { Differences } from '../draft/Differences';
import { differences } from '../draft/merge';
import type { Doc } from '../draft/document';
import { useEditing } from '../draft/fields';
import type { Replace } from '../draft/useDraft';
import { day } from '../parts/dates';
import { Loading, PartError } from '../parts/states';
import { SideSheet } from '../parts/SideSheet';
import { say } from '../words';

const useVersions = (id: string) =>
  useQuery({
    queryKey: ['versions', id],
    queryFn: () =>
      got(
        api.GET('/api/v1/experiments/{experiment}/versions', {
          params: { path: { experiment: id } },
        }),
      ),
  });

const useVersion = (id: string, number: number | undefined) =>
  useQuery({
    queryKey: ['versions', id, number],
    queryFn: () =>
      got(
        api.GET('/api/v1/experiments/{experiment}/versions/{number}', {
          params: { path: { experiment: id, number: number! } },
        }),
      ),
    enabled: number !== undefined,
    staleTime: Infinity, // it is frozen
  });

const named = (v: Schemas['VersionView']) =>
  say('versions.version', { number: v.number }) +
  ' · ' +
  [day(v.frozen_at), ...v.classes].join(' · ');

/** The frozen versions of an experiment, and what one says otherwise than the draft or another one. */
export function Versions({
  id,
  replace,
  onClose,
}: {
  id: string;
  replace: Replace;
  onClose: () => void;
}) {
  const { doc } = useEditing();
  const list = useVersions(id);
  const [chosen, setChosen] = useState<number>();
  const [against, setAgainst] = useState<number>();
  const versions = list.data?.items ?? [];
  const number = chosen ?? versions[0]?.number;
  const one = useVersion(id, number);
  const other = useVersion(id, against);
  const theirs = against === undefined ? doc : (other.data?.document as Doc | undefined);
  const mine = one.data?.document as Doc | undefined;
  const choice = (name: string, label: string, at: number | undefined, draft: boolean) => (
    <>
      <label className="named" htmlFor={name}>
        {label}
      </label>
      <FormSelect
        id={name}
        value={at ?? ''}
        onChange={(e) => {
          const n = e.target.value === '' ? undefined : Number(e.target.value);
          if (draft) setAgainst(n);
          else setChosen(n);
        }}
      >
        {draft && <option value="">{say('versions.the-draft')}</option>}
        {versions.map((v) => (
          <option key={v.number} value={v.number}>
            {named(v)}
          </option>
        ))}
      </FormSelect>
    </>
  );
  return (
    <SideSheet title={say('versions.versions')} onClose={onClose}>
      {list.isPending && <Loading what={say('versions.versions')} />}
      {(list.error ?? one.error ?? other.error) && (
        <PartError
          what={say('versions.versions')}
          error={list.error ?? one.error ?? other.error}
          retry={() => void list.refetch()}
        />
      )}
      {list.data && versions.length === 0 && <p>{say('versions.none-yet')}</p>}
      {versions.length > 0 && (
        <>
          {choice('version', say('versions.look-at'), number, false)}
          {choice('version-against', say('versions.against'), against, true)}
          {mine && theirs && (
            <section className="mt-3" aria-live="polite">
              {differences(mine, theirs).length === 0 ? (
                <p>{say('versions.the-same')}</p>
              ) : (
                <Differences
                  mine={mine}
                  theirs={theirs}
                  heads={[
                    say('versions.version', { number }),
                    against === undefined
                      ? say('versions.the-draft')
                      : say('versions.version', { number: against }),
                  ]}
                />
              )}
            </section>
          )}
          {(one.data?.told ?? []).length > 0 && (
            <p className="small mt-2">
              <strong>{say('versions.told')}</strong> {one.data!.told.join(' ')}
            </p>
          )}
          {mine && (
            <Button
              variant="outline-primary"
              className="mt-2"
              disabled={differences(mine, doc).length === 0}
              onClick={() => replace(mine, say('versions.taken-back', { number }), doc)}
            >
              {say('versions.take-back', { number })}
            </Button>
          )}
        </>
      )}
    </SideSheet>
  );
}

/** What a new version would change, before it is issued. */
export function SinceLast({ id }: { id: string }) {
  const { doc } = useEditing();
  const last = useVersions(id).data?.items[0]?.number;
  const before = useVersion(id, last).data?.document as Doc | undefined;
  if (!before || differences(before, doc).length === 0) return null;
  return (
    <details className="band">
      <summary>
        {say('versions.since', { number: last, count: differences(before, doc).length })}
      </summary>
      <Differences
        mine={before}
        theirs={doc}
        heads={[say('versions.version', { number: last }), say('versions.the-draft')]}
      />
      <p className="hint small">{say('versions.families-are-told')}</p>
    </details>
  );
}
