import * as z from 'zod/mini';
import { SCHOOLS } from './school';

/** The schools that an operator or a base has chosen. */
const one = <T extends readonly [string, ...string[]]>(options: T) => z.optional(z.enum(options));
export const Schools = z.object({
  handover: one(SCHOOLS.handover),
  personInWater: one(SCHOOLS.personInWater),
  firstCall: one(SCHOOLS.firstCall),
  carbonMonoxide: one(SCHOOLS.carbonMonoxide),
  warningLamp: one(SCHOOLS.warningLamp),
  fire: one(SCHOOLS.fire),
  trim: one(SCHOOLS.trim),
  hob: one(SCHOOLS.hob),
  batterySwitch: one(SCHOOLS.batterySwitch),
  starting: one(SCHOOLS.starting),
  beach: one(SCHOOLS.beach),
  trees: one(SCHOOLS.trees),
  channel: one(SCHOOLS.channel),
  night: one(SCHOOLS.night),
  towing: one(SCHOOLS.towing),
  bowAnchoringOnly: one(SCHOOLS.bowAnchoringOnly),
  noWake: one(SCHOOLS.noWake),
  ownJackets: one(SCHOOLS.ownJackets),
  anchoring: one(SCHOOLS.anchoring),
  breach: one(SCHOOLS.breach),
});
export type Schools = z.infer<typeof Schools>;
