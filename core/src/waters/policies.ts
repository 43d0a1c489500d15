import type { Base } from '../fleet/base';
import type { Policies } from '../policy/policies';
import type { Waters } from './zone';

/** The policies that hold: the water's over the base's over the operator's. */
export const policiesFor = ({
  policies,
  base,
  waters,
}: {
  policies: Policies;
  base: Pick<Base, 'policies'>;
  waters: Pick<Waters, 'policies'> | undefined;
}): Policies => ({
  ...policies,
  ...base.policies,
  ...waters?.policies,
});
