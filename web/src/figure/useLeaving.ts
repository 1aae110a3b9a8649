import { useEffect, useLayoutEffect, useRef } from 'react';

/** What a field still has to do when it is taken off the screen: what was typed and not yet sent must not go with it. */
export function useLeaving(leave: () => void): void {
  const last = useRef(leave);
  useLayoutEffect(() => {
    last.current = leave;
  });
  useEffect(() => () => last.current(), []);
}
