import { loadShared } from '../platform/browser';

/** Fetches what the screens behind the first view say, and what they share. */
export const insideWords = async (): Promise<void> => {
  await Promise.all([loadShared(), import('./insideCatalogue').then(({ ready }) => ready)]);
};
