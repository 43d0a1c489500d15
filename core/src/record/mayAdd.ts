import { definitionOf, type EventBody } from './event';
import type { Actor } from '../events/stored';

/** Whether a hand names a sum beyond what the operator lets them name: such a line is a manager's to add. */
export const namesTooMuch = (role: Actor['role'], body: EventBody, handMinor: number): boolean =>
  role === 'hand' && body.kind === 'extraNoted' && body.amountMinor !== undefined && body.amountMinor > handMinor;

/** Whether it is a manager's alone to say. @param handMinor up to which sum a hand may name one freely */
export const isManagers = (body: EventBody, handMinor: number): boolean => !mayAdd('hand', body) || namesTooMuch('hand', body, handMinor);

/** @param alone the walks that the renter makes without staff: what they may add beside what is theirs anyway */
export const mayAdd = (role: Actor['role'], body: EventBody, alone: { out: boolean; in: boolean } = { out: false, in: false }): boolean => {
  const { addedBy, on } = definitionOf(body);
  const by = addedBy(body);
  if (by.includes(role)) return true;
  const walk = 'walk' in body ? body.walk : on;
  return role === 'renter' && by.includes('renterAlone') && walk !== undefined && alone[walk];
};
