import { useGlobalSearchParams, usePathname, useRouter } from 'expo-router';
import { useEffect } from 'react';
import { placeAt } from './places';

/** The place somebody was last, with what was open in it, until the page is loaded anew. */
let last = '/';
export const lastPlace = (): string => last;

/** Remembers where somebody is, for the way back from a hire. */
export const useRememberPlace = (): void => {
  const path = usePathname();
  const { day, base } = useGlobalSearchParams<{ day?: string; base?: string }>();
  useEffect(() => {
    if (path.startsWith('/hire/') || placeAt(path) === undefined) return;
    const asked = new URLSearchParams(Object.entries({ day, base }).filter((one): one is [string, string] => typeof one[1] === 'string'));
    const query = asked.toString();
    last = query === '' ? path : `${path}?${query}`;
  }, [path, day, base]);
};

/** The way back from a hire: to where one came from. */
export const useBackToPlace = (): (() => void) => {
  const router = useRouter();
  return () => router.push(last);
};
