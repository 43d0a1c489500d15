import { type ReactNode, useEffect, useRef, useState } from 'react';

/** Whether there may be a camera that we can look through ourselves. */
export const canSee = (): boolean => window.isSecureContext && 'mediaDevices' in navigator && 'getUserMedia' in navigator.mediaDevices;

/** What is wanted of it: the camera on the back, as fine as it can. */
const WANTED: MediaStreamConstraints = {
  audio: false,
  video: { facingMode: { ideal: 'environment' }, width: { ideal: 4096 }, height: { ideal: 3072 } },
};

/** A picture from a stream: as the camera itself takes it where it can, else what is seen at this moment. */
const shootFrom = async (video: HTMLVideoElement, track: MediaStreamTrack): Promise<Blob> => {
  if ('ImageCapture' in window) {
    try {
      return await new ImageCapture(track).takePhoto();
    } catch {
      // Some cameras only stream; then a frame of it is the picture.
    }
  }
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [video.videoWidth, video.videoHeight];
  canvas.getContext('2d')!.drawImage(video, 0, 0);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture came of it'))), 'image/jpeg', 0.92),
  );
};

/**
 * What the camera sees, with something laid over it.
 * @param onReady given the way to take the picture, once there is something to see @param onFault why there is nothing
 */
export const Viewfinder = ({
  width,
  height,
  onReady,
  onFault,
  children,
}: {
  width: number;
  height: number;
  onReady: (shoot: () => Promise<Blob>) => void;
  onFault: () => void;
  children?: ReactNode;
}) => {
  const video = useRef<HTMLVideoElement>(null);
  // Told once; a page that draws anew does not start the camera anew.
  const [told] = useState({ onReady, onFault });
  useEffect(() => {
    let stream: MediaStream | undefined;
    let gone = false;
    navigator.mediaDevices
      .getUserMedia(WANTED)
      .then((found) => {
        stream = found;
        const element = video.current;
        const [track] = found.getVideoTracks();
        if (gone || !element || !track) return found.getTracks().forEach((one) => one.stop());
        element.srcObject = found;
        element.onloadeddata = () => told.onReady(() => shootFrom(element, track));
      })
      // Refused, in use, or none there: there are other ways to a picture.
      .catch(() => !gone && told.onFault());
    return () => {
      gone = true;
      stream?.getTracks().forEach((one) => one.stop());
    };
  }, [told]);
  return (
    <div style={{ position: 'relative', width, height, borderRadius: 14, overflow: 'hidden', background: '#000' }}>
      <video
        ref={video}
        autoPlay
        muted
        playsInline
        style={{ width, height, objectFit: 'contain', display: 'block' }}
        data-testid="viewfinder"
      />
      <div style={{ position: 'absolute', left: 0, top: 0, pointerEvents: 'none' }}>{children}</div>
    </div>
  );
};
