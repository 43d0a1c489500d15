import type { HirePack } from '@quay/contract/hire';

/** Whom a renter rings: the base, or the operator where the base has no number of its own. */
export const numberOf = ({ base, operator }: Pick<HirePack, 'base' | 'operator'>): string | undefined => base.phone ?? operator.phone;
