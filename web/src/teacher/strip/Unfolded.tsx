import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { api, got, type Schemas } from '../../api/client';
import { useEscape } from '../../ui/useEscape';
import { useWidth } from '../../ui/useWidth';
import { useEditing } from '../draft/fields';
import { PartError } from '../parts/states';
import { say } from '../words';
import type { Block } from './useSteps';

interface Props {
  block: Block;
  number: number;
  of: number;
  /** The class whose homes are counted; none for a usual home. */
  class: string;
  onClose: () => void;
}

const sleeve = 56;

/** One wait, straight to time: the clock, its night, the window of its end, and who is awake when. What lies before and after it is in two sleeves. */
export function Unfolded({ block, number, of, class: ofClass, onClose }: Props) {
  const { doc } = useEditing();
  const [begin, setBegin] = useState('18:00');
  const whole = useRef<HTMLElement>(null);
  useEscape(whole, onClose);
  const wait = useQuery({
    queryKey: ['unfold', block.step, begin, ofClass, doc],
    queryFn: () =>
      got(
        api.POST('/api/v1/preview/unfold', {
          body: { document: doc, step: block.step, begin, ...(ofClass && { class: ofClass }) },
        }),
      ),
    enabled: begin !== '',
    placeholderData: (before) => before,
    gcTime: 0,
  });
  return (
    <section ref={whole} className="unfolded" aria-label={say('unfold.wait-before', { number })}>
      <div className="unfolded-head">
        <strong>{say('unfold.wait-before', { number })}</strong>
        <label htmlFor="unfold-begin">{say('unfold.the-work-begins-at')}</label>
        <FormControl
          id="unfold-begin"
          // It is opened by a key or a press, and Escape folds it again.
          autoFocus
          type="time"
          size="sm"
          value={begin}
          onChange={(e) => setBegin(e.target.value)}
        />
        <Button size="sm" variant="outline-primary" onClick={onClose}>
          {say('unfold.fold')}
        </Button>
      </div>
      {wait.error && (
        <PartError
          what={say('unfold.wait-before', { number })}
          error={wait.error}
          retry={() => void wait.refetch()}
        />
      )}
      {wait.data && <Straight wait={wait.data} number={number} of={of} long={block.waits ?? ''} />}
      {wait.data?.says.map((s) => (
        <p key={s} className="m-0">
          {s}
        </p>
      ))}
    </section>
  );
}

/** The wait drawn straight between its two sleeves, with its hours under it. */
function Straight({
  wait,
  number,
  of,
  long,
}: {
  wait: Schemas['UnfoldedView'];
  number: number;
  of: number;
  /** How long it is, in words. */
  long: string;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(740);
  const room = Math.max(240, width - 2 * sleeve);
  const x = (second: number) => sleeve + (second / wait.seconds) * room;
  const every = Math.ceil(wait.hours.length / (room / 44)); // so that times do not touch
  const shown = wait.hours.filter((_, i) => i % every === 0);
  const apart = room / Math.max(1, wait.hours.length);
  return (
    <div ref={ref} className="unfolded-scroll">
      <div className="unfolded-track" style={{ width: room + 2 * sleeve }}>
        <span className="unfolded-sleeve" style={{ left: x(0) - sleeve, width: sleeve }}>
          {number > 2 ? say('unfold.steps', { from: 1, to: number - 1 }) : number - 1}
        </span>
        {wait.hours
          .filter((h) => h.night)
          .map((h) => (
            <span
              key={h.second}
              className="unfolded-night"
              style={{ left: x(h.second) - apart / 2, width: apart + 1 }}
            />
          ))}
        <span
          className="unfolded-wait"
          style={{ left: x(0), width: (wait.end / wait.seconds) * room }}
        >
          {wait.begins}
          <b>{long}</b>
          {wait.ends}
        </span>
        {wait.soonest < wait.seconds && (
          <span
            className="unfolded-window"
            style={{ left: x(wait.soonest), width: x(wait.seconds) - x(wait.soonest) }}
          />
        )}
        <span className="unfolded-sleeve" style={{ left: sleeve + room, width: sleeve }}>
          {number < of ? say('unfold.steps', { from: number, to: of }) : number}
        </span>
      </div>
      <div className="unfolded-hours" aria-hidden="true">
        <span>
          {say('unfold.clock')}
          {wait.homes > 1 && (
            <>
              <br />
              {say('unfold.awake')}
              <br />
              {say('unfold.adult-in')}
            </>
          )}
        </span>
        {shown.map((h) => (
          <span key={h.second} className="hour" style={{ left: x(h.second) }}>
            {h.clock}
            {wait.homes > 1 && (
              <>
                <br />
                {h.awake}
                <br />
                {h.adult}
              </>
            )}
          </span>
        ))}
      </div>
      {wait.homes > 1 && <Homes wait={wait} />}
    </div>
  );
}

/** The homes of each hour for those who hear them. */
function Homes({ wait }: { wait: Schemas['UnfoldedView'] }) {
  return (
    <table className="visually-hidden">
      <caption>{say('unfold.homes-by-the-hour', { count: wait.homes })}</caption>
      <thead>
        <tr>
          <th scope="col">{say('unfold.clock')}</th>
          <th scope="col">{say('unfold.awake')}</th>
          <th scope="col">{say('unfold.adult-in')}</th>
        </tr>
      </thead>
      <tbody>
        {wait.hours.map((h) => (
          <tr key={h.second}>
            <th scope="row">{h.clock}</th>
            <td>{h.awake}</td>
            <td>{h.adult}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
