import type { Condition } from '@quay/core/fleet/condition';
import { createContext } from 'react';

/** The conditions of the book that is open, by their names: others may be made of them. */
export const ConditionsOfBook = createContext<Readonly<Record<string, Condition>>>({});
