import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { Sha256 } from '../events/parts';

const share = z.number().check(z.gte(0), z.lte(1));

/** What the machine boxed on a photograph is nothing, says somebody; its corner as shares of the photograph. */
export const boxDismissed = defineEvent('boxDismissed', {
  body: { photo: Sha256, x: share, y: share },
  subject: ({ photo, x, y }) => ['box', photo, `${x.toFixed(3)},${y.toFixed(3)}`],
  merge: 'replace',
  addedBy: ['hand', 'manager'],
});
