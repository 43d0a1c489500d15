import * as z from 'zod/mini';
import { POLICIES } from './policy';

/** The policies that an operator or a base has chosen. */
const one = <T extends readonly [string, ...string[]]>(options: T) => z.optional(z.enum(options));
export const Policies = z.object({
  handover: one(POLICIES.handover),
  personInWater: one(POLICIES.personInWater),
  firstCall: one(POLICIES.firstCall),
  carbonMonoxide: one(POLICIES.carbonMonoxide),
  warningLamp: one(POLICIES.warningLamp),
  fire: one(POLICIES.fire),
  trim: one(POLICIES.trim),
  hob: one(POLICIES.hob),
  batterySwitch: one(POLICIES.batterySwitch),
  starting: one(POLICIES.starting),
  beach: one(POLICIES.beach),
  trees: one(POLICIES.trees),
  channel: one(POLICIES.channel),
  night: one(POLICIES.night),
  towing: one(POLICIES.towing),
  bowAnchoringOnly: one(POLICIES.bowAnchoringOnly),
  noWake: one(POLICIES.noWake),
  ownJackets: one(POLICIES.ownJackets),
  anchoring: one(POLICIES.anchoring),
  anchorLine: one(POLICIES.anchorLine),
  breach: one(POLICIES.breach),
});
export type Policies = z.infer<typeof Policies>;
