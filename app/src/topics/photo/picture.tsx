import { mdiImageOffOutline } from '@mdi/js';
import { getPhoto } from '@quay/contract/record';
import { useEffect, useState } from 'react';
import { callForFile, NoAnswer, Refused } from '../../local/api';
import { isFull, localDb, storedPicture, pictureToStore, write } from '../../local/localDb';
import { letGoOf } from '../../platform/browser';
import { makeSmall } from '../../platform/threads/photoWorker';

/** A photograph of a hire: from this phone when it has it, else from the quay. @throws NoAnswer without a way to the quay */
export const pictureOf = async (hire: string, sha: string): Promise<Blob | undefined> => {
  const row = await (await localDb()).get('photos', [hire, sha]);
  return row?.blob ? storedPicture(row.blob) : callForFile(getPhoto, { params: { hireId: hire, sha } });
};

/** No wider than this, a small one will do. */
const SMALL_UP_TO = 160;

/** The same, made small: a walk shows many of them, and a phone has better to do than to decode twelve megapixels each. */
const smallOf = async (hire: string, sha: string): Promise<Blob | undefined> => {
  const row = await (await localDb()).get('photos', [hire, sha]);
  if (row?.small) return storedPicture(row.small);
  if (!row?.blob) return callForFile(getPhoto, { params: { hireId: hire, sha }, query: { size: 'small' } });
  const whole = storedPicture(row.blob);
  const small = await makeSmall(whole);
  if (!small) return whole;
  const toKeep = await pictureToStore(small);
  // It can be made again: a disk that is full keeps what was entered, not this.
  await write(['photos'], async (tx) => {
    const now = await tx.objectStore('photos').get([hire, sha]);
    if (now) await tx.objectStore('photos').put({ ...now, small: toKeep });
  }).catch((error: unknown) => {
    if (!isFull(error)) throw error;
  });
  return small;
};

/** Where a picture will be, or would be: grey in any light, with a sign where it cannot be had now. */
const Place = ({ alt, width, height, absent }: { alt: string; width: number | string; height: number; absent: boolean }) => (
  <div
    role="img"
    aria-label={alt}
    style={{
      width,
      height,
      borderRadius: 10,
      backgroundColor: 'rgba(110, 120, 116, 0.22)',
      display: 'flex',
      alignItems: 'center',
      justifyContent: 'center',
    }}
  >
    {absent ? (
      <svg width={28} height={28} viewBox="0 0 24 24" fill="rgb(110, 120, 116)" aria-hidden>
        <path d={mdiImageOffOutline} />
      </svg>
    ) : null}
  </div>
);

/** A photograph of a hire as it is shown. */
export const Picture = ({
  hire,
  sha,
  alt,
  width,
  height,
  fit = 'cover',
}: {
  hire: string;
  sha: string;
  alt: string;
  width: number | string;
  height: number;
  fit?: 'cover' | 'contain';
}) => {
  const [source, setSource] = useState<string>();
  const [absent, setAbsent] = useState(false);
  const [failed, setFailed] = useState<Error>();
  const small = typeof width === 'number' && width <= SMALL_UP_TO;
  useEffect(() => {
    let url: string | undefined;
    let gone = false;
    // Another picture's place is not filled with the one before it.
    setSource(undefined);
    setAbsent(false);
    (small ? smallOf : pictureOf)(hire, sha)
      .then((blob) => {
        if (gone || !blob) return;
        url = URL.createObjectURL(blob);
        setSource(url);
      })
      .catch((error: Error) => {
        // Not at the quay yet, or no signal: its place is kept, under its name.
        if (!(error instanceof NoAnswer) && !(error instanceof Refused)) setFailed(error);
        else if (!gone) setAbsent(true);
      });
    return () => {
      gone = true;
      if (url !== undefined) letGoOf(url);
    };
  }, [hire, sha, small]);
  if (failed) throw failed;
  if (source === undefined) return <Place alt={alt} width={width} height={height} absent={absent} />;
  return <img src={source} alt={alt} style={{ width, height, objectFit: fit, borderRadius: 10, display: 'block', overflow: 'hidden' }} />;
};
