import { i18n } from './';
import { inside } from './inside';
import { en as stop } from './stop/en';

/**
 * What the screens behind the first view say, in a file of its own that is fetched with the first of them. A walk is
 * spoken of in English by staff, and by a renter whose words are not there yet; the party form speaks the renter's words.
 */
for (const words of [stop, inside]) i18n.addResourceBundle('en', 'translation', words, true);

/** The renter's words are no part of anybody's first view but a renter's, and stay in a file of their own. */
export const ready = import('./renter/en').then(({ en }) => i18n.addResourceBundle('en', 'translation', en, true));
