import { useEffect, useState } from 'react';
import { DragArea } from '../ui/drawn/touch';
import { letGoOf } from './browser';
import { Range } from './range';

export type Shows = 'slider' | 'blink' | 'heat';
const PICTURES = ['aligned', 'back', 'heat'] as const;
export type PairPicture = (typeof PICTURES)[number];
const BLINK_MS = 700;

/** Departure's photograph laid over return's: under one slider, in turns, or as what differs. */
export const PairView = ({
  load,
  shows,
  share,
  width,
  height,
  alt,
  onShape,
  onShare,
}: {
  /** Fetches one of the pictures; nothing without signal, and its name stands where it would be. Stays the same for a pair. */
  load: (picture: PairPicture) => Promise<Blob | undefined>;
  shows: Shows;
  /** How much of departure is seen, from the left. */
  share: number;
  width: number;
  height: number;
  alt: string;
  /** Told once it is known how high the pictures are for their width. */
  onShape: (heightToWidth: number) => void;
  /** Told where the dividing line is drawn to. */
  onShare: (share: number) => void;
}) => {
  const [sources, setSources] = useState<Partial<Record<PairPicture, string>>>({});
  const [failed, setFailed] = useState<Error>();
  const [first, setFirst] = useState(true);
  useEffect(() => {
    const urls: string[] = [];
    let gone = false;
    for (const picture of PICTURES)
      load(picture)
        .then((blob) => {
          if (gone || !blob) return;
          const url = URL.createObjectURL(blob);
          urls.push(url);
          setSources((now) => ({ ...now, [picture]: url }));
        })
        .catch((error: Error) => setFailed(error));
    return () => {
      gone = true;
      for (const url of urls) letGoOf(url);
    };
  }, [load]);
  useEffect(() => {
    if (shows !== 'blink') return undefined;
    const turn = setInterval(() => setFirst((now) => !now), BLINK_MS);
    return () => clearInterval(turn);
  }, [shows]);
  if (failed) throw failed;
  const style = { position: 'absolute', left: 0, top: 0, width, height, objectFit: 'fill', borderRadius: 12 } as const;
  const over = shows === 'slider' ? { clipPath: `inset(0 ${(1 - share) * 100}% 0 0)` } : { opacity: shows === 'blink' && first ? 1 : 0 };
  const slides = shows === 'slider' && sources.aligned !== undefined;
  // A finger beside the line takes it along; up and down it still scrolls what the pictures lie in.
  const draw = (x: number) => {
    if (slides) onShare(Math.min(1, Math.max(0, x / width)));
  };
  return (
    <DragArea width={width} height={height} onDrag={({ x }) => draw(x)} scrolls>
      <div
        style={{ position: 'relative', width, height, ...(slides ? { cursor: 'ew-resize' } : {}) }}
        role="img"
        aria-label={alt}
        data-testid="pair-view"
        onDragStart={(event) => event.preventDefault()}
      >
        {sources.back ? (
          <img
            src={sources.back}
            alt=""
            // What differs glows in the dark.
            style={shows === 'heat' ? { ...style, filter: 'brightness(0.4)' } : style}
            onLoad={({ currentTarget: { naturalHeight, naturalWidth } }) => onShape(naturalHeight / naturalWidth)}
          />
        ) : null}
        {sources.aligned ? <img src={sources.aligned} alt="" style={{ ...style, ...over }} /> : null}
        {sources.heat && shows === 'heat' ? <img src={sources.heat} alt="" style={{ ...style, mixBlendMode: 'screen' }} /> : null}
        {slides ? <Divider at={share * width} height={height} /> : null}
      </div>
    </DragArea>
  );
};

/** Where departure ends and return begins: light with a dark edge, to be seen on any paint and in the sun. */
const Divider = ({ at, height }: { at: number; height: number }) => (
  <svg
    width={44}
    height={height}
    viewBox={`0 0 44 ${height}`}
    aria-hidden
    style={{ position: 'absolute', left: at - 22, top: 0, pointerEvents: 'none' }}
  >
    <path d={`M22 0V${height}`} stroke="#17211E" strokeWidth={6} />
    <path d={`M22 0V${height}`} stroke="#FFFFFF" strokeWidth={3} />
    <g transform={`translate(22 ${height - 34})`}>
      <circle r={19} fill="#FFFFFF" stroke="#17211E" strokeWidth={2.5} />
      <path
        d="M-4 -7L-11 0L-4 7M4 -7L11 0L4 7"
        fill="none"
        stroke="#17211E"
        strokeWidth={2.5}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </g>
  </svg>
);

/** How much of each is seen, by finger, mouse or arrow keys. */
export const ShareSlider = ({
  share,
  onShare,
  label,
  colour,
  width,
}: {
  share: number;
  onShare: (share: number) => void;
  label: string;
  colour: string;
  width: number;
}) => (
  <Range
    most={100}
    value={Math.round(share * 100)}
    onValue={(value) => onShare(value / 100)}
    label={label}
    colour={colour}
    width={width}
    testID="pair-share"
  />
);
