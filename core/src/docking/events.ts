import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { TASKS, TOUCHES, WEATHERS } from './names';

/** A task of docking practised to its end, well or not: it shows what somebody tried, and holds nothing. */
export const dockingTried = defineEvent('dockingTried', {
  body: {
    task: z.enum(TASKS),
    weather: z.enum(WEATHERS),
    by: z.enum(['driver', 'lookout']),
    passed: z.boolean(),
    touch: z.enum(TOUCHES),
    /** How often somebody went back and tried on from there. */
    wentBack: z.int().check(z.gte(0), z.lte(999)),
    seconds: z.int().check(z.gte(0), z.lte(600)),
  },
  subject: ({ task }) => ['docking', task],
  merge: 'collect',
  addedBy: ['hand', 'manager', 'renter'],
});
