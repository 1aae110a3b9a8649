import { useSyncExternalStore } from 'react';

const KEY = 'keel.shop-mode';
const listeners = new Set<() => void>();

function read(): boolean {
  return localStorage.getItem(KEY) === 'on';
}

function mark(): void {
  document.documentElement.classList.toggle('shop', read());
}

/** Put the mode of this screen on the page; called once at the start. */
export function startShopMode(): void {
  mark();
}

/** Whether the shop mode is on, and the switch. */
export function useShopMode(): [boolean, (on: boolean) => void] {
  const on = useSyncExternalStore((changed) => {
    listeners.add(changed);
    return () => listeners.delete(changed);
  }, read);
  return [
    on,
    (next) => {
      localStorage.setItem(KEY, next ? 'on' : 'off');
      mark();
      for (const listener of listeners) listener();
    },
  ];
}
