import { useEffect, useState } from 'react';

/** Whether a value has stood for so long, ms; what it is at first has. */
export function useSettled<T>(value: T, ms: number): boolean {
  const [stood, setStood] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setStood(() => value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return stood === value;
}
