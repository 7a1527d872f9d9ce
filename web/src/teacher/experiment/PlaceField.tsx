import type { PointerEvent } from 'react';
import { Ground, middleOf, squareOf, squares, type Picture } from '../../ui/Ground';
import type { Reading } from '../draft/document';
import { ChoiceField, PlainField, useEditing } from '../draft/fields';
import { say } from '../words';
import { Guidance } from './ReadingGuidance';

/** The picture that homes mark a place on, its fixed spot, and what a place comes to. */
export function PlaceField({ reading, at }: { reading: Reading; at: number }) {
  const { set } = useEditing();
  const place = reading.place ?? { picture: 'field' as Picture, from: { x: 0.5, y: 0.5 } };
  const path = ['readings', at, 'place'];
  const put = (e: PointerEvent<HTMLElement>) => {
    const box = e.currentTarget.querySelector('.squares')!.getBoundingClientRect();
    const share = (n: number) => Math.round(100 * Math.min(1, Math.max(0, n))) / 100;
    set([...path, 'from'], {
      x: share((e.clientX - box.left) / box.width),
      y: share((e.clientY - box.top) / box.height),
    });
  };
  return (
    <div className="place-field">
      <div className="mark-on" onPointerDown={put}>
        <Ground picture={place.picture} from={place.from} label={say(`ground.${place.picture}`)} />
      </div>
      <div>
        <div className="field-row">
          <ChoiceField
            label={say('placeField.drawing')}
            path={[...path, 'picture']}
            value={place.picture}
            options={[
              ['field', say('ground.field')],
              ['sheet', say('ground.sheet')],
              ['dish', say('ground.dish')],
              ['glass', say('ground.glass')],
            ]}
          />
          <ChoiceField
            label={say('placeField.fixed-spot')}
            path={[...path, 'from']}
            value={squareOf(place.from)}
            options={squares.map((s) => [s, s])}
            onPick={(square) => set([...path, 'from'], middleOf(square))}
          />
        </div>
        <p className="hint mb-1">{say('placeField.press-where-the-fixed-spot-is')}</p>
        <div className="field-row">
          <ChoiceField
            label={say('placeField.a-place-comes-to')}
            path={[...path, 'as']}
            value={place.as}
            options={[
              ['', say('placeField.its-distance')],
              ['direction', say('placeField.its-direction')],
            ]}
          />
          <PlainField
            label={say('placeField.how-wide-in-the-world')}
            path={[...path, 'ruler']}
            value={place.ruler}
            hint="297 mm"
          />
        </div>
        <Guidance reading={reading} at={at} />
      </div>
    </div>
  );
}
