import { useEffect, useRef, useState } from 'react';

/** So often a picture is looked through, ms: a code held before the camera is read at once, and a phone stays cool. */
const EVERY_MS = 200;
/** A picture is looked through at this width at most, px. */
const LOOKED_AT = 640;

/**
 * What the camera sees, until there is a QR code in it.
 * @param onSeen given what the code says, each time one is read @param onFault there is no camera, or it may not be used
 */
export const CodeScanner = ({
  width,
  height,
  onSeen,
  onFault,
}: {
  width: number;
  height: number;
  onSeen: (text: string) => void;
  onFault: () => void;
}) => {
  const video = useRef<HTMLVideoElement>(null);
  const told = useRef({ onSeen, onFault });
  useEffect(() => {
    told.current = { onSeen, onFault };
  });
  const [canvas] = useState(() => document.createElement('canvas'));
  useEffect(() => {
    let stream: MediaStream | undefined;
    let timer: ReturnType<typeof setInterval> | undefined;
    let gone = false;
    const begin = async () => {
      const { default: read } = await import('jsqr');
      stream = await navigator.mediaDevices.getUserMedia({ audio: false, video: { facingMode: { ideal: 'environment' } } });
      const element = video.current;
      if (gone || !element) return stream.getTracks().forEach((one) => one.stop());
      element.srcObject = stream;
      const context = canvas.getContext('2d', { willReadFrequently: true })!;
      timer = setInterval(() => {
        if (element.videoWidth === 0) return;
        canvas.width = Math.min(LOOKED_AT, element.videoWidth);
        canvas.height = Math.round((canvas.width * element.videoHeight) / element.videoWidth);
        context.drawImage(element, 0, 0, canvas.width, canvas.height);
        const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
        const found = read(data, canvas.width, canvas.height);
        if (found && found.data !== '') told.current.onSeen(found.data);
      }, EVERY_MS);
    };
    // Refused, in use, or none there: a code can be typed.
    begin().catch(() => !gone && told.current.onFault());
    return () => {
      gone = true;
      clearInterval(timer);
      stream?.getTracks().forEach((one) => one.stop());
    };
  }, [canvas]);
  return (
    <video
      ref={video}
      autoPlay
      muted
      playsInline
      data-testid="scanner"
      style={{ width, height, objectFit: 'cover', display: 'block', borderRadius: 14, background: '#000' }}
    />
  );
};
