import { lazy } from 'react';

/** The form of the party in a file of its own: neither face needs it in its first view. */
export const PartyForm = lazy(() => import('./PartyForm').then((file) => ({ default: file.PartyForm })));
