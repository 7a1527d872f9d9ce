import { useState, type PointerEvent } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormRange from 'react-bootstrap/FormRange';
import { Cross, Ground, middleOf, Ring, squareOf, type Spot } from '../../ui/Ground';
import { useKept } from '../phone/typing';
import { useRemembered } from '../phone/useRemembered';
import { useWords } from '../words';
import type { KeptField } from './CountField';
import type { Given } from './GivenField';

/** How far from the mark it may lie, as shares of the picture's width. */
const reaches = [
  ['exactly', 0.01],
  ['about', 0.03],
  ['roughly', 0.1],
] as const;

const percent = (share: number) => Math.round(100 * share);

/** A place on a drawn picture: by a tap, by two sliders, or by the letter and number of its square. Kept when it is left. */
export function PositionField({ id, draft, reading, typing, state, first, onKeep }: KeptField) {
  const t = useWords();
  const [kept, setKept] = useRemembered<Given>(state, `${draft}/value`);
  const [typed, setTyped] = useState('');
  const given = kept ?? first;
  const { picture, from } = reading.place!;
  const at =
    given?.x === undefined || given.y === undefined ? undefined : { x: given.x, y: given.y };
  const reach = given?.reach ?? 0.03;
  const keep = useKept(typing, id, async () => {
    if (kept?.x === undefined) return;
    await onKeep(kept);
    setKept(undefined);
  });
  const put = (spot: Spot, within = reach) => setKept({ ...spot, reach: within });
  const tap = (e: PointerEvent<HTMLElement>) => {
    const box = e.currentTarget.querySelector('.squares')!.getBoundingClientRect();
    const share = (n: number) => Math.round(1000 * Math.min(1, Math.max(0, n))) / 1000;
    put({
      x: share((e.clientX - box.left) / box.width),
      y: share((e.clientY - box.top) / box.height),
    });
  };
  const slide = (axis: keyof Spot, label: string) => (
    <div className="field">
      <label htmlFor={`${id}-${axis}`}>{label}</label>
      <FormRange
        id={`${id}-${axis}`}
        min={0}
        max={100}
        value={percent((at ?? from)[axis])}
        aria-valuetext={at ? t('squareAt', { square: squareOf(at) }) : t('notMarked')}
        onChange={(e) => put({ ...(at ?? from), [axis]: Number(e.target.value) / 100 })}
      />
    </div>
  );
  return (
    <div>
      <div className="mark-on" data-testid={id} onPointerDown={tap}>
        <Ground picture={picture} from={from} label={t(`ground.${picture}`)}>
          {at && <Ring picture={picture} at={at} reach={reach} />}
          {at && <Cross picture={picture} at={at} />}
        </Ground>
      </div>
      <p className="second my-1" aria-live="polite">
        {at ? t('squareAt', { square: squareOf(at) }) : t('tapOrSlide')}
      </p>
      {slide('x', t('leftToRight'))}
      {slide('y', t('topToBottom'))}
      <div className="d-flex flex-wrap gap-2 align-items-center my-2">
        <label htmlFor={id}>{t('orSquare')}</label>
        <FormControl
          id={id}
          className="count-typed"
          value={typed}
          maxLength={3}
          autoComplete="off"
          onChange={(e) => {
            setTyped(e.target.value);
            const middle = middleOf(e.target.value);
            if (middle) put(middle, Math.max(reach, 0.1)); // a square is no point
          }}
        />
      </div>
      <p className="second m-0" id={`${id}-sure`}>
        {t('howSure')}
      </p>
      <div className="choices" role="radiogroup" aria-labelledby={`${id}-sure`}>
        {reaches.map(([name, share]) => (
          <label key={name} className={`choice ${reach === share ? 'chosen' : ''}`}>
            <input
              type="radio"
              className="visually-hidden"
              name={`${id}-reach`}
              checked={reach === share}
              onChange={() => put(at ?? from, share)}
            />
            {t(`sure.${name}`)}
          </label>
        ))}
      </div>
      <Button
        className="w-100 mt-2"
        disabled={!at}
        onClick={() => void (kept ? keep() : onKeep({ ...at!, reach }))}
      >
        {t('keep')}
      </Button>
    </div>
  );
}
