import { useEffect, useRef } from 'react';

/** Calls `keep` when the component goes away, and when the page does: nothing typed is lost by a reload. */
export function useKeepOnLeave(keep: () => void): void {
  const latest = useRef(keep);
  useEffect(() => {
    latest.current = keep;
  });
  useEffect(() => {
    const leave = () => latest.current();
    window.addEventListener?.('pagehide', leave);
    return () => {
      window.removeEventListener?.('pagehide', leave);
      leave();
    };
  }, []);
}
