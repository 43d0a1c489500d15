import { getPhoto } from '@quay/contract/record';
import { useEffect, useState } from 'react';
import { callForFile, NoAnswer, Refused } from '../data/api';
import { keep } from '../data/keep';

/** A photograph of a hire: from this phone when it has it, else from the quay. @throws NoAnswer without a way to the quay */
export const pictureOf = async (hire: string, sha: string): Promise<Blob | undefined> => {
  const row = await (await keep()).get('photos', [hire, sha]);
  return row?.blob ?? callForFile(getPhoto, { params: { hireId: hire, sha } });
};

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
  const [failed, setFailed] = useState<Error>();
  useEffect(() => {
    let url: string | undefined;
    let gone = false;
    pictureOf(hire, sha)
      .then((blob) => {
        if (gone || !blob) return;
        url = URL.createObjectURL(blob);
        setSource(url);
      })
      .catch((error: Error) => {
        // Not at the quay yet, or no signal: its name stands where it would be.
        if (!(error instanceof NoAnswer) && !(error instanceof Refused)) setFailed(error);
      });
    return () => {
      gone = true;
      if (url !== undefined) URL.revokeObjectURL(url);
    };
  }, [hire, sha]);
  if (failed) throw failed;
  // Without a source the browser writes the picture's name in its place.
  return (
    <img
      {...(source === undefined ? {} : { src: source })}
      alt={alt}
      style={{ width, height, objectFit: fit, borderRadius: 10, display: 'block', overflow: 'hidden', fontSize: 14 }}
    />
  );
};
