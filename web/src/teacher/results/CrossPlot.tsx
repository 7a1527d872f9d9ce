import Button from 'react-bootstrap/Button';
import type { Schemas } from '../../api/client';
import { Cross, Ground, on, Ring, squareOf } from '../../ui/Ground';
import { say } from '../words';
import type { Results } from './useResults';

interface Props {
  r: Results;
  crosses: Schemas['CrossView'];
  /** Without names: for a shared screen. */
  anonymous?: boolean;
  onOpen?: (home: string) => void;
}

/** The places that a class marked on one picture, with its middle and the ring that holds half of them. */
export function CrossPlot({ r, crosses, anonymous, onOpen }: Props) {
  const { picture, from, spots, middle, ring, lane } = crosses;
  const nickname = (home: string) => r.homes.find((h) => h.home === home)?.nickname ?? home;
  const centre = on(picture, middle);
  const title = lane ? `${lane} · ${crosses.name}` : crosses.name;
  return (
    <figure className="cross-plot">
      <figcaption>{title}</figcaption>
      <Ground
        picture={picture}
        from={from}
        label={say('crossPlot.row', { lane: title, square: squareOf(middle) })}
      >
        {spots.length > 1 && <Ring picture={picture} at={middle} reach={ring} />}
        {spots.map((s) => (
          <g key={s.home}>
            {!anonymous && (
              <title>{say('crossPlot.in', { home: nickname(s.home), square: s.square })}</title>
            )}
            <Cross picture={picture} at={s} size={10} />
          </g>
        ))}
        {spots.length > 1 && (
          <path
            className="middle"
            transform={`translate(${centre.x} ${centre.y})`}
            d="M0-14L14 0L0 14L-14 0Z"
          />
        )}
      </Ground>
      {!anonymous && (
        <details className="small" open={spots.length <= 8}>
          <summary>{say('crossPlot.homes', { count: spots.length })}</summary>
          {spots.map((s) => (
            <Button key={s.home} variant="plain" className="me-2" onClick={() => onOpen?.(s.home)}>
              {say('crossPlot.in', { home: nickname(s.home), square: s.square })}
            </Button>
          ))}
        </details>
      )}
    </figure>
  );
}
