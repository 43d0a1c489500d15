import { type ReactNode, useLayoutEffect, useRef } from 'react';
import { createPortal } from 'react-dom';

/**
 * Over the whole page, in the order in which they were opened; what is asked of a context is asked where it was opened from.
 * It is the browser's own dialog: what lies under it can be neither pressed nor reached, Escape asks to close it, and the
 * keyboard goes back to where it was.
 */
export const OverBody = ({ label, children, onClose }: { label: string; children: ReactNode; onClose: () => void }) => {
  const dialog = useRef<HTMLDialogElement>(null);
  const close = useRef(onClose);
  useLayoutEffect(() => {
    close.current = onClose;
  });
  useLayoutEffect(() => {
    const box = dialog.current;
    if (!box) return;
    // A field that wants to be typed into has the keyboard by now, and keeps it; else the dialog as a whole has it.
    const wanted = document.activeElement;
    // Where there is no such dialog (in a test) it is only shown.
    if ('showModal' in box) box.showModal();
    else (box as HTMLElement).setAttribute('open', '');
    (wanted instanceof HTMLElement && box.contains(wanted) ? wanted : box).focus({ preventScroll: true });
    // Closing is the page's own doing: it may have more to say, or lead somewhere.
    const ask = (event: Event) => {
      event.preventDefault();
      close.current();
    };
    box.addEventListener('cancel', ask);
    return () => {
      box.removeEventListener('cancel', ask);
      if ('close' in box) box.close();
    };
  }, []);
  return createPortal(
    <dialog
      ref={dialog}
      tabIndex={-1}
      aria-label={label}
      style={{
        position: 'fixed',
        inset: 0,
        width: '100%',
        height: '100%',
        maxWidth: 'none',
        maxHeight: 'none',
        margin: 0,
        padding: 0,
        border: 'none',
        background: 'transparent',
        display: 'flex',
        outline: 'none',
        overflow: 'hidden',
      }}
    >
      {children}
    </dialog>,
    document.body,
  );
};
