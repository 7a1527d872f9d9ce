import { lazy, Suspense, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { Icon } from '../../ui/Icon';
import { Drawing } from '../../ui/Drawing';
import type { Sheet } from '../phone/useHome';
import type { Typing } from '../phone/typing';
import { useRemembered } from '../phone/useRemembered';
import type { WorkProps } from '../phone/work';
import { useWords } from '../words';
import { Notes } from './Notes';
import { PhotoField, Thumbnail } from './PhotoField';
import { RecordingField } from './RecordingField';

const draw = () => import('./DrawField').then((m) => ({ default: m.DrawField }));
const chart = () => import('./ChartField').then((m) => ({ default: m.ChartField }));
const DrawField = lazy(() => draw().catch(() => ({ default: NotHere })));
const ChartField = lazy(() => chart().catch(() => ({ default: NotHere })));

/** Fetches what is drawn or charted with before it is needed: by then there may be no connection. */
export const fetchEvidence = () => Promise.allSettled([draw(), chart()]);

/** In the place of a part that did not come before the connection went; another way stands below it. */
function NotHere() {
  const t = useWords();
  return <p className="doubt">{t('partOffline')}</p>;
}

export interface EvidenceProps extends WorkProps {
  typing: Typing;
  step: string;
  evidence: Sheet['evidence'][number];
}

/** How something is shown: a pair is two of its kind, in two steps. */
type Way = 'photo' | 'drawing' | 'clip' | 'sound' | 'text' | 'flow-chart' | 'talk';
const recorded = (way: Way) => way === 'clip' || way === 'sound';
const wayOf = (kind: EvidenceProps['evidence']['kind']) => kind.replace('-pair', '') as Way;

/**
 * Another way does as well: what the design names; for a drawing a photo of one on paper, or words; for
 * a clip or sound words.
 */
function waysOf({ bundle, sheet, evidence }: EvidenceProps): Way[] {
  const own = wayOf(evidence.kind);
  const more: Way[] = own === 'drawing' ? ['photo', 'text'] : recorded(own) ? ['text'] : [];
  const all = [...new Set([own, ...((evidence.instead ?? []) as Way[]), ...more])];
  const { photos } = sheet.permission;
  const open = all.filter((way) =>
    recorded(way) ? photos && bundle.recordings : way !== 'photo' || photos,
  );
  return open.length > 0 ? open : ['text']; // a sentence will do
}

/** One piece of evidence, in the way that this home takes: a photo, a drawing, words, a flow chart, a talk. */
export function EvidenceField(props: EvidenceProps) {
  const { state, bundle, sheet, step, evidence } = props;
  const t = useWords();
  const own = wayOf(evidence.kind);
  const ways = waysOf(props);
  const [chosen, choose] = useRemembered<Way>(state, `way/${sheet.assignment}/${evidence.id}`);
  const way = chosen && ways.includes(chosen) ? chosen : ways[0];
  const pair = evidence.kind.endsWith('-pair');
  const second = pair && (evidence.steps ?? [])[1] === step;
  const title = pair ? `${evidence.name} · ${t(second ? 'pairLater' : 'pairNow')}` : evidence.name;
  return (
    <section className="card-paper evidence" aria-label={title}>
      <h2>
        {way === 'photo' && <Icon name="camera" size={22} />} {title}
      </h2>
      {evidence.must_show && <p className="second">{evidence.must_show}</p>}
      {(own === 'photo' || recorded(own)) && !sheet.permission.photos && (
        <p className="second">{t('noPhotos')}</p>
      )}
      {recorded(own) && sheet.permission.photos && !bundle.recordings && (
        <p className="second">{t('noRecorder')}</p>
      )}
      {second && <First {...props} way={way} />}
      <Suspense>{fieldOf(way, props, title)}</Suspense>
      {ways.length > 1 && (
        <p className="ways" role="group" aria-label={t('otherWays')}>
          <span className="second">{t('otherWays')}</span>
          {ways
            .filter((w) => w !== way)
            .map((w) => (
              <Button key={w} variant="outline-primary" onClick={() => choose(w)}>
                {t(`way.${w}`)}
              </Button>
            ))}
        </p>
      )}
    </section>
  );
}

function fieldOf(way: Way, props: EvidenceProps, title: string): ReactNode {
  switch (way) {
    case 'photo':
      return <PhotoField {...props} />;
    case 'clip':
    case 'sound':
      return <RecordingField {...props} kind={way} />;
    case 'drawing':
      return <DrawField {...props} title={title} />;
    case 'flow-chart':
      return <ChartField {...props} />;
    case 'talk':
    case 'text':
      return <Notes {...props} title={title} talk={way === 'talk'} />;
  }
}

/** The first of a pair. A photo is taken from the same place; a drawing is done without looking at it. */
function First({ way, ...props }: EvidenceProps & { way: Way }) {
  const { state, book, evidence, step } = props;
  const t = useWords();
  const [before] = evidence.steps;
  const photo = [...book.photos(evidence.id)].reverse().find((p) => p.entry.step === before);
  const shown = book.shown(evidence.id, before)?.entry;
  const now = book.shown(evidence.id, step);
  if (way === 'drawing' && !now) return <p className="second">{t('underTheLid')}</p>;
  return (
    <>
      {way === 'photo' && <p>{t('samePlace')}</p>}
      {photo && (
        <Thumbnail
          state={state}
          id={photo.entry.refers!}
          sent={Boolean(photo.answer)}
          alt={t('photoOf', { name: `${evidence.name} · ${t('pairNow')}` })}
        />
      )}
      {shown?.value?.strokes && (
        <figure className="m-0">
          <Drawing strokes={shown.value.strokes} title={t('pairNow')} />
          <figcaption className="second fine">{t('pairNow')}</figcaption>
        </figure>
      )}
      {shown?.text && <p className="second">{t('quoted', { text: shown.text })}</p>}
    </>
  );
}
