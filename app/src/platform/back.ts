import { useEffect, useRef } from 'react';

/**
 * The phone's back closes the sheet that is open, before it leaves the page under it. An open sheet lies on an entry of
 * the history of its own, which has the page's address and state, so that the router sees no other page. An entry whose
 * sheet was closed by other means stays until somebody goes back over it, and then counts for nothing: taking it away at
 * once would race with whatever the sheet leads to.
 */

type Marked = { sheet?: boolean } | null;
const isMarked = (): boolean => (history.state as Marked)?.sheet === true;

const open: (() => void)[] = [];
/** Whether the entry we stand on is a sheet's. */
let onSheet = false;
let listening = false;

const listen = () => {
  if (listening) return;
  listening = true;
  // The browser does not say from where one goes back; so it is noted whenever somebody goes on.
  const go = history.pushState.bind(history);
  history.pushState = (...entry) => {
    go(...entry);
    onSheet = isMarked();
  };
  // The router writes the entry anew that somebody has gone back to, before or after we hear of it: that is noted after both.
  const write = history.replaceState.bind(history);
  history.replaceState = (...entry) => {
    write(...entry);
    setTimeout(() => {
      onSheet = isMarked();
    });
  };
  const popped = () => {
    const cameFromSheet = onSheet;
    onSheet = isMarked();
    if (onSheet || !cameFromSheet) return;
    const close = open.at(-1);
    if (close) close();
    else history.back();
  };
  window.addEventListener('popstate', popped);
};

/** @param routed the sheet is open because the address says so: going back leaves it by itself */
export const useBackCloses = (onClose: () => void, routed = false): void => {
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  useEffect(() => {
    if (routed || !globalThis.history) return;
    listen();
    const mine = () => close.current();
    open.push(mine);
    onSheet = isMarked();
    // One entry for however many sheets lie on each other; each press of back closes one.
    const push = () => {
      history.pushState({ ...(history.state as object | null), sheet: true }, '');
    };
    if (!onSheet) push();
    return () => {
      open.splice(open.indexOf(mine), 1);
      // Another sheet lies under this one, and back has to close that as well.
      if (open.length > 0 && !isMarked()) push();
    };
  }, [routed]);
};
