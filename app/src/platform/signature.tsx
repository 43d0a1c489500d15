import { useEffect, useRef } from 'react';
import SignaturePad from 'signature_pad';

/** Less way of the pen than this, px, is no signature. */
const LEAST_INK_PX = 40;

const inkOf = (pad: SignaturePad): number =>
  pad
    .toData()
    .flatMap(({ points }) => points.slice(1).map((to, i) => Math.hypot(to.x - points[i]!.x, to.y - points[i]!.y)))
    .reduce((sum, step) => sum + step, 0);

/** Where somebody signs. `onDrawn` gets the drawing as a PNG after each stroke, `undefined` when it is wiped. */
export const SignatureField = ({
  width,
  height,
  ink,
  label,
  wiped,
  onDrawn,
  onDot,
}: {
  width: number;
  height: number;
  ink: string;
  label: string;
  wiped: number;
  onDrawn: (png: Blob | undefined) => void;
  /** Told when somebody only touched it: a dot is nobody's name. */
  onDot: () => void;
}) => {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad>(undefined);
  const drawn = useRef(onDrawn);
  const dot = useRef(onDot);
  useEffect(() => {
    drawn.current = onDrawn;
    dot.current = onDot;
  });
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const ratio = Math.max(1, window.devicePixelRatio);
    element.width = width * ratio;
    element.height = height * ratio;
    element.getContext('2d')?.scale(ratio, ratio);
    // Signatures go on paper: ink on nothing, whatever the theme of the screen.
    const made = new SignaturePad(element, { penColor: ink, minWidth: 1.2, maxWidth: 3.2 });
    made.addEventListener('endStroke', () => {
      // A dot is a thumb that slipped, not somebody's name.
      if (inkOf(made) >= LEAST_INK_PX) element.toBlob((png) => drawn.current(png ?? undefined), 'image/png');
      else dot.current();
    });
    pad.current = made;
    return () => made.off();
  }, [width, height, ink]);
  useEffect(() => {
    if (wiped > 0) pad.current?.clear();
  }, [wiped]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      data-testid="signature"
      style={{ width, height, touchAction: 'none', display: 'block' }}
    />
  );
};
