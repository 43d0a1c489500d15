import type { Lack, LackKind } from '@quay/core/fleet/lacks/lacks';

/** Why it matters that a book lacks something, for whoever imports it. */
const WORDS: Record<LackKind, (about: string) => string> = {
  gasCard: () => 'there is gas aboard, and no card for when it is smelt',
  gasAlarm: () => 'there is gas aboard, and no alarm is counted',
  gasShut: () => 'there is gas aboard, and nobody is told where it is shut',
  fumesAlarm: () => 'something burns inside, and no carbon monoxide alarm is counted',
  cordNotCounted: (about) => `“${about}” wants a kill cord, which nobody counts`,
  gaugeWithoutTank: (about) => `“${about}” names no tank: what it shows is compared with nothing`,
  tankUnread: (about) => `nothing reads “${about}”: what was used of it cannot be settled`,
  propellerUnjudged: () => 'there are more engines than propellers: nobody looks at what is hit most often',
  emptyStation: (about) => `there is nothing to do at “${about}”`,
  noSuchPrice: (about) => `there is no price “${about}”`,
  drillWithoutCaution: (about) => `“${about}” is practised without a caution`,
  cardWithoutCaution: (about) => `the urgent card “${about}” has no caution`,
  noExtinguisher: () => 'no extinguisher is counted',
  jacketsTooFew: (about) => `jackets for fewer than her plate takes: ${about}`,
  twoFigures: (about) => `“${about}” has another figure than the one before it`,
  conditionUnused: (about) => `nothing asks for the condition “${about}”`,
  notInLanguage: (about) => `is not there in ${about}; it is shown in English`,
};
export const sayLack = ({ is, about }: Lack): string => WORDS[is](about);
