import type { Base } from '../fleet/base';
import type { Schools } from '../policy/schools';
import type { Waters } from './zone';

/** The schools that hold: the water's over the base's over the operator's. */
export const schoolsFor = ({
  schools,
  base,
  waters,
}: {
  schools: Schools;
  base: Pick<Base, 'schools'>;
  waters: Pick<Waters, 'schools'> | undefined;
}): Schools => ({
  ...schools,
  ...base.schools,
  ...waters?.schools,
});
