import { useEffect, useState } from 'react';
import { useWords } from '../words';
import { clock, left } from './time';

/** The server's time, ticking; offset is the server's clock minus the phone's, in milliseconds. */
export function useNow(offset: number, every = 1000): number {
  const [now, setNow] = useState(() => Date.now() + offset);
  useEffect(() => {
    const tick = () => setNow(Date.now() + offset);
    tick();
    const timer = setInterval(tick, every);
    return () => clearInterval(timer);
  }, [offset, every]);
  return now;
}

/** The wall clock: time that is running now. Start and end come from entries, so a reload or a locked phone changes nothing. Once it is over, or was not waited for, it is one line. */
export function Timer({
  readyAt,
  seconds,
  offset,
  zone,
  language,
  small,
}: {
  readyAt: number;
  seconds: number;
  offset: number;
  zone: string;
  language: string;
  small?: boolean;
}) {
  const t = useWords();
  const now = useNow(offset);
  const ms = readyAt - now;
  const share = Math.max(0, Math.min(1, ms / (seconds * 1000)));
  const angle = share * 2 * Math.PI;
  const x = 60 + 50 * Math.sin(angle);
  const y = 60 - 50 * Math.cos(angle);
  if (ms <= 0 || small) {
    return (
      <p
        className="second"
        role="timer"
        aria-live="off"
        data-testid="timer"
        data-ready-at={new Date(readyAt).toISOString()}
      >
        {ms <= 0
          ? t('readySince', { time: clock(readyAt, zone, language) })
          : t('timeLeft', { time: left(ms) })}
      </p>
    );
  }
  return (
    <div
      className="card-paper text-center"
      data-testid="timer"
      data-ready-at={new Date(readyAt).toISOString()}
    >
      <svg className="clock-face" viewBox="0 0 120 120" aria-hidden="true">
        <circle
          cx="60"
          cy="60"
          r="50"
          fill="var(--ground)"
          stroke="var(--edge)"
          strokeWidth="1.5"
        />
        {share < 1 && (
          <path
            d={`M60 10 A50 50 0 ${share > 0.5 ? 1 : 0} 1 ${x} ${y}`}
            fill="none"
            stroke="var(--samphire)"
            strokeWidth="9"
          />
        )}
        {share >= 1 && (
          <circle cx="60" cy="60" r="50" fill="none" stroke="var(--samphire)" strokeWidth="9" />
        )}
        <path
          d={`M60 60 L60 22 M60 60 L${60 + 26 * Math.sin(angle)} ${60 - 26 * Math.cos(angle)}`}
          stroke="var(--ink)"
          strokeWidth="3"
          strokeLinecap="round"
        />
      </svg>
      <p role="timer" aria-live="off" className="big m-0">
        {t('timeLeft', { time: left(ms) })}
      </p>
      <p className="mt-2 mb-0">{t('readyAt', { time: clock(readyAt, zone, language) })}</p>
    </div>
  );
}
