import Button from 'react-bootstrap/Button';
import { Icon } from '../../ui/Icon';
import { factsAt, HomeFact } from '../parts/HomeFacts';
import { clock } from '../parts/time';
import { useWords } from '../words';
import { AskedQuestion } from './AskedQuestion';
import { EvidenceField } from './EvidenceField';
import { StepReadings } from './StepReadings';
import { UsedFields } from './UsedFields';
import type { Slot } from '../phone/book';
import type { Typing } from '../phone/typing';
import type { Sheet } from '../phone/useHome';
import { usesAt } from '../phone/uses';
import type { WorkProps } from '../phone/work';

type Step = Sheet['steps'][number];
type Facts = ReturnType<typeof factsAt>;

interface Props extends WorkProps {
  step: Step;
  facts: Facts;
  typing: Typing;
  /** Readings that have to stand before one goes on. */
  lacking: Slot[];
  depth: Depth;
  onDepth: (depth: Depth) => void;
}

/** How deep a home goes: in simpler words, as written, or further. */
export type Depth = 'simple' | '' | 'deeper';

/** What a step says and asks, in the order in which it is done. */
export function StepBody({ step, facts, typing, lacking, depth, onDepth, ...props }: Props) {
  const { sheet, book } = props;
  const t = useWords();
  const adult = step.adult || facts.adult;
  const barred = facts.open || facts.closed;
  const shut = barred || (Boolean(adult) && !book.adult(step.id));
  const takes = step.takes.filter(
    (slot) => depth === 'deeper' || !isDeeper(sheet, slot) || book.settled(slot),
  );
  return (
    <>
      {(step.crew ?? []).length > 0 && (
        <p className="crew">
          <Icon name="person-standing" size={20} /> {step.crew.join(' · ')}
        </p>
      )}
      {step.lanes && !barred && <p className="crew">{step.lanes}</p>}
      {step.text && !barred && (
        <p className="instruction">{depth === 'simple' && step.simple ? step.simple : step.text}</p>
      )}
      {step.deeper && depth === 'deeper' && !barred && <p className="added">{step.deeper}</p>}
      {step.picture && !barred && (
        <img
          className="step-picture"
          src={props.state.picture(sheet.assignment, step.picture.id)}
          alt={step.picture.alt}
        />
      )}
      {!barred && <Depths {...{ depth, onDepth, sheet, step }} />}
      {!barred &&
        usesAt(step, sheet, book).map((u) => (
          <p key={u} className="added">
            <strong>{u}</strong>
          </p>
        ))}
      {step.before.map((b) => (
        <p key={b} className="added">
          {b}
        </p>
      ))}
      {!barred &&
        (step.helps ?? []).map((h) => (
          <p key={h} className="help">
            <Icon name="info-circle" size={18} /> {h}
          </p>
        ))}
      {step.see && (
        <p>
          <span className="second">{t('shouldSee')}</span> {step.see}
        </p>
      )}
      {facts.here.length > 0 && barred && <OurHome {...props} facts={facts} />}
      {adult && <AdultCard {...props} step={step} facts={facts} adult={adult} />}
      {!shut && <UsedFields {...props} step={step} typing={typing} />}
      {takes.length > 0 && !shut && (
        <StepReadings {...props} step={{ ...step, takes }} typing={typing} />
      )}
      {lacking.length > 0 && (
        <div className="card-paper" role="alert" ref={intoView}>
          <p>
            <strong>{t('neededNow', { what: neededNames(sheet, lacking) })}</strong>
          </p>
          <p className="hint">{t('neededHint')}</p>
        </div>
      )}
      {step.evidence.map((id) => {
        const e = sheet.evidence.find((x) => x.id === id);
        if (!e) return null;
        return <EvidenceField key={id} {...props} typing={typing} step={step.id} evidence={e} />;
      })}
      {step.questions.map((id) => {
        const q = sheet.questions.find((x) => x.id === id);
        return (
          q && <AskedQuestion key={id} {...props} typing={typing} step={step.id} question={q} />
        );
      })}
      {step.cautions.map((c) => (
        <p key={c} className="second">
          <Icon name="exclamation-diamond" size={18} /> {c}
        </p>
      ))}
      {(step.keeps ?? []).map((k) => (
        <p key={k} className="help">
          <Icon name="info-circle" size={18} /> {k}
        </p>
      ))}
      {step.after.map((a) => (
        <p key={a} className="added">
          {a}
        </p>
      ))}
    </>
  );
}

/** A reading that only those take who go deeper. */
const isDeeper = (sheet: Sheet, slot: Slot) =>
  sheet.readings.some((r) => r.id === slot.reading && r.deeper);

/** The other depths that a step has: simpler words, or more to read and to measure. */
function Depths({
  depth,
  onDepth,
  sheet,
  step,
}: Pick<Props, 'depth' | 'onDepth' | 'sheet' | 'step'>) {
  const t = useWords();
  const further = Boolean(step.deeper) || step.takes.some((s) => isDeeper(sheet, s));
  const offered: [Depth, 'simpler' | 'goDeeper'][] = [];
  if (step.simple) offered.push(['simple', 'simpler']);
  if (further) offered.push(['deeper', 'goDeeper']);
  return offered.map(([to, words]) => (
    <Button
      key={to}
      variant="plain"
      aria-pressed={depth === to}
      onClick={() => onDepth(depth === to ? '' : to)}
    >
      {t(depth === to ? 'asWritten' : words)}
    </Button>
  ));
}

/** What has to be said of the home before this step, or stands against it. */
function OurHome({ facts, ...props }: WorkProps & { facts: Facts }) {
  const t = useWords();
  return (
    <div className="card-paper">
      <h2>{t('inOurHome')}</h2>
      {facts.here.map((f) => (
        <HomeFact key={f.id} {...props} fact={f} />
      ))}
      <p className="hint">{t('ourHomeHint')}</p>
      {facts.closed && (
        <Button
          variant="outline-primary"
          className="w-100"
          onClick={() => props.go(`#/${props.sheet.assignment}/permission`)}
        >
          {t('ratherWatch')}
        </Button>
      )}
    </div>
  );
}

/** Which adult has to be there and why, and that one is. */
function AdultCard({
  state,
  bundle,
  sheet,
  book,
  step,
  facts,
  adult,
}: WorkProps & { step: Step; facts: Facts; adult: string }) {
  const t = useWords();
  const { zone } = bundle.class;
  const language = bundle.home.locale;
  return (
    <div className={`card-paper adult ${adult === 'adult-does' ? 'does' : ''}`}>
      <h2>
        <Icon name="person-standing" size={24} />{' '}
        {t(adult === 'adult-does' ? 'adultDoes' : 'adultNear')}
      </h2>
      {step.adult_why && <p>{step.adult_why}</p>}
      {!step.adult &&
        facts.here.filter((f) => book.fact(f.id) === f.raises).map((f) => <p key={f.id}>{f.do}</p>)}
      {book.adult(step.id) ? (
        <p>
          {t('adultConfirmed', {
            time: clock(book.adult(step.id)!.entry.phone_time, zone, language),
          })}
        </p>
      ) : (
        <Button
          variant="outline-primary"
          className="w-100"
          onClick={() => void state.add(sheet.assignment, { kind: 'adult', step: step.id })}
        >
          {t('adultHere')}
        </Button>
      )}
    </div>
  );
}

/** What appears is brought to where one looks. */
const intoView = (x: HTMLElement | null) => x?.scrollIntoView({ block: 'center' });

/** The readings of some slots, each once. */
const neededNames = (sheet: WorkProps['sheet'], slots: Slot[]) =>
  [...new Set(slots.map((s) => sheet.readings.find((r) => r.id === s.reading)?.name))].join(', ');
