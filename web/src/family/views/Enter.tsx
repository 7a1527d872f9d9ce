import { useEffect, useState, type FormEvent } from 'react';
import FormControl from 'react-bootstrap/FormControl';
import { api, got, ProblemError } from '../../api/client';
import { homeOfLink, keepPage, rememberLink } from '../phone/db';
import { hashOf } from '../../ui/ids';
import { PhonePage } from '../parts/PhonePage';
import { useWords } from '../words';

/** Lets a phone in by the link in the address, or by a code typed from paper. */
export function Enter({ onOpened }: { onOpened: (home: string) => void }) {
  const t = useWords();
  const token = location.pathname.match(/^\/h\/([\w-]+)$/)?.[1];
  const [code, setCode] = useState('');
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(Boolean(token));

  const open = async (body: { link?: string; code?: string }) => {
    const hash = body.link && (await hashOf(body.link));
    try {
      const opened = await got(api.POST('/api/v1/family/open', { body }));
      if (hash) await rememberLink(hash, opened.home).catch(() => undefined);
      await keepPage(opened.home, opened.page, opened.tag).catch(() => undefined);
      onOpened(opened.home);
    } catch (error) {
      const known =
        hash && error instanceof ProblemError && error.offline ? await homeOfLink(hash) : undefined;
      if (known) return onOpened(known);
      const p = error instanceof ProblemError ? error.problem : undefined;
      const tries = (p?.current as { tries_left?: number } | undefined)?.tries_left;
      setProblem(
        (p?.detail ?? t('loadingFault')) +
          (tries !== undefined ? ' ' + t('triesLeft', { count: tries }) : ''),
      );
      setBusy(false);
    }
  };
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- states change when the answer is there
    if (token) void open({ link: token });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the page opens
  }, []);

  const submit = (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    setProblem(undefined);
    void open({ code });
  };
  if (token && busy) {
    return (
      <PhonePage place="Patient Kitchen" heading={t('opening')} focusKey="opening">
        <p className="hint">{location.hostname}</p>
      </PhonePage>
    );
  }
  return (
    <PhonePage
      place="Patient Kitchen"
      heading={t('typeCode')}
      focusKey="code"
      action={{ words: t('open'), do: () => void open({ code }) }}
    >
      <form onSubmit={submit} className="card-paper">
        <label htmlFor="code">{t('codeLabel')}</label>
        <FormControl
          id="code"
          className="big spelled"
          value={code}
          onChange={(e) => setCode(e.target.value)}
          autoCapitalize="characters"
          autoComplete="off"
          spellCheck={false}
          aria-describedby="code-help"
          maxLength={30}
        />
        <p id="code-help" className="hint mt-2 mb-0">
          {t('smallLetters')}
        </p>
        <button className="visually-hidden" tabIndex={-1} type="submit" aria-hidden="true">
          {t('open')}
        </button>
      </form>
      {problem && (
        <p className="doubt" role="alert">
          {problem}
        </p>
      )}
    </PhonePage>
  );
}
