import { createContext } from 'react';

/** Whether somebody is signed in here. Staff's screens show nothing until then, but stay where they are: signing in again leads back to the same page. */
export const LetIn = createContext(false);
