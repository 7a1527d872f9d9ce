import Button from 'react-bootstrap/Button';
import { Notice } from '../parts/Notice';
import { merge } from './merge';
import { Differences } from './Differences';
import type { State } from './store';
import { Said, say } from '../words';

/** Two windows changed one draft: what each says where, and three ways on. */
export function Conflict({
  state,
  onSettle,
}: {
  state: State;
  onSettle: (take: 'mine' | 'theirs' | 'both') => void;
}) {
  const { theirs, from } = state.conflict!;
  const mine = state.doc!;
  const clashes = merge(from, mine, theirs.document).clashes.length;
  return (
    <Notice
      live
      className="my-2 mx-5"

      label={say('conflict.changed-in-another-window')}
    >
      <p className="m-0">
        <Said
          of={say('conflict.changed-in-another-window-since-this', {
            value:
              clashes === 0
                ? say('conflict.the-changes-are-in-different-places')
                : say('conflict.changed-in-both', {
                    value:
                      clashes === 1
                        ? say('conflict.one-place-was')
                        : say('conflict.places-were', { clashes }),
                  }),
          })}
          with={[<strong key="0" />]}
        />
      </p>
      <Differences
        mine={mine}
        theirs={theirs.document}
        heads={[say('conflict.here'), say('conflict.in-the-other-window')]}
      />
      <p className="mt-2 mb-0 d-flex gap-4 flex-wrap">
        <Button variant="outline-primary" onClick={() => onSettle('both')}>
          {clashes === 0
            ? say('conflict.keep-both')
            : say('conflict.keep-both-mine-where-they-differ')}
        </Button>
        <Button variant="plain" onClick={() => onSettle('mine')}>
          {say('conflict.keep-mine')}
        </Button>
        <Button variant="plain" onClick={() => onSettle('theirs')}>
          {say('conflict.take-theirs')}
        </Button>
      </p>
    </Notice>
  );
}
