import { deliver } from './outbox/deliver';
import { rememberAuthor } from './outbox/author';
import { openLink } from '@quay/contract/renter';
import { askAsRenter, call } from './api';
import { chooseDatabase } from './localDb';

/** A renter's phone: one hire at a time in hand, each with a store of its own that no other hire's link opens. */

const HIRE = 'quay-renter-hire';

const take = (hireId: string) => {
  chooseDatabase(`jolly-quay-r-${hireId}`);
  askAsRenter(hireId);
  localStorage.setItem(HIRE, hireId);
};

/** The hire this phone was last opened with. */
export const hireInHand = (): string | undefined => {
  const hireId = localStorage.getItem(HIRE) ?? undefined;
  if (hireId !== undefined) take(hireId);
  return hireId;
};

/** Exchanges the link's token. @returns the hire it is for @throws Refused, NoAnswer */
export const exchange = async (token: string): Promise<string> => {
  const { hireId, renter, device } = await call(openLink, { body: { token } });
  take(hireId);
  await rememberAuthor({ staff: { ...renter, role: 'renter' }, device });
  void deliver();
  return hireId;
};
