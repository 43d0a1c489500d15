import * as z from 'zod/mini';

/**
 * Matters on which practitioners disagree, with their schools. Which one an operator follows is a setting; wording that
 * depends on it asks for it by a condition on `school.<matter>`. None of them is right everywhere: local rules first.
 */
export const SCHOOLS = {
  handover: ['staffed', 'unattended', 'staffedOut', 'engineRunning'],
  personInWater: ['neutralFirst', 'engineOffFirst'],
  firstCall: ['emergencyNumber', 'rescueStation', 'radio', 'operator', 'all'],
  carbonMonoxide: ['everyoneOutFirst', 'outAndPhone'],
  warningLamp: ['stopAtOnce', 'slowToShelter'],
  trim: ['withinBand', 'staysDown'],
  hob: ['flameFirst', 'sparkBuiltIn', 'leftOn'],
  batterySwitch: ['renterOff', 'leftForStaff'],
  starting: ['eitherHelm', 'lowerOnly'],
  beach: ['engineOffEarly', 'aheadToHold'],
  trees: ['yes', 'never'],
  channel: ['right', 'middleWhenClear'],
  night: ['allowed', 'restricted', 'forbidden'],
  towing: ['allowed', 'restricted', 'forbidden'],
  bowAnchoringOnly: ['always', 'exceptCrowdedDock', 'exceptCalm'],
  noWake: ['bySpeed', 'byNotch', 'byWave'],
  breach: ['wholeDeposit', 'priced', 'warning'],
} as const;
export type Matter = keyof typeof SCHOOLS;
export const MATTERS = Object.keys(SCHOOLS) as Matter[];

const one = <T extends readonly [string, ...string[]]>(options: T) => z.optional(z.enum(options));
export const Schools = z.object({
  handover: one(SCHOOLS.handover),
  personInWater: one(SCHOOLS.personInWater),
  firstCall: one(SCHOOLS.firstCall),
  carbonMonoxide: one(SCHOOLS.carbonMonoxide),
  warningLamp: one(SCHOOLS.warningLamp),
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
  breach: one(SCHOOLS.breach),
});
export type Schools = z.infer<typeof Schools>;

/** The school followed in a matter: the operator's, or the first of the list where nobody chose. */
export const schoolOf = <M extends Matter>(schools: Schools, matter: M): (typeof SCHOOLS)[M][number] =>
  (schools[matter] ?? SCHOOLS[matter][0]) as (typeof SCHOOLS)[M][number];

export type Handover = (typeof SCHOOLS)['handover'][number];
/** Whether the renter makes a walk by themselves, on their own phone. */
export const unattended = (handover: Handover, walk: 'out' | 'in'): boolean =>
  handover === 'unattended' || (handover === 'staffedOut' && walk === 'in');
