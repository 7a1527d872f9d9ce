import { useEffect, useState } from 'react';

/** What was typed, once nothing was typed for a moment, so that not every keystroke is a request. */
export function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  const text = JSON.stringify(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(JSON.parse(text) as T), 120);
    return () => clearTimeout(timer);
  }, [text]);
  return settled;
}
