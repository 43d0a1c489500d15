import { getPhoto } from '@quay/contract/record';
import { useEffect, useState } from 'react';
import { addressOf } from '../data/api';
import { keep } from '../data/keep';

/** A photograph of a hire: from this phone when it has it, else from the quay. */
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
  useEffect(() => {
    let url: string | undefined;
    let gone = false;
    const kept = async () => (await keep()).get('photos', [hire, sha]);
    void kept().then((row) => {
      if (gone) return;
      url = row?.blob ? URL.createObjectURL(row.blob) : undefined;
      setSource(url ?? addressOf(getPhoto, { hireId: hire, sha }));
    });
    return () => {
      gone = true;
      if (url !== undefined) URL.revokeObjectURL(url);
    };
  }, [hire, sha]);
  return source === undefined ? null : (
    <img src={source} alt={alt} style={{ width, height, objectFit: fit, borderRadius: 10, display: 'block' }} />
  );
};
