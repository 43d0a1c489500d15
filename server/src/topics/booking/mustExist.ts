import type { Call } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { hireExists } from './hire';

/** @throws ProblemError 404 where there is no such hire */
export const mustExist = async ({ quay }: Pick<Call<unknown>, 'quay'>, hireId: string): Promise<void> => {
  if (!(await hireExists(quay.store.db, hireId))) fail(404, 'noSuchHire');
};
