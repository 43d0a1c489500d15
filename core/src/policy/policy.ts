/**
 * Matters on which practitioners disagree, with their policies. Which one an operator follows is a setting; wording that
 * depends on it asks for it by a condition on `policy.<matter>`. None of them is right everywhere: local rules first.
 */
export const POLICIES = {
  handover: ['staffed', 'unattended', 'staffedOut', 'engineRunning'],
  personInWater: ['neutralFirst', 'engineOffFirst'],
  firstCall: ['emergencyNumber', 'rescueStation', 'radio', 'operator', 'all'],
  carbonMonoxide: ['everyoneOutFirst', 'outAndPhone'],
  warningLamp: ['stopAtOnce', 'slowToShelter'],
  fire: ['fightSmall', 'clearAWay'],
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
  /** Jackets that people bring from home. */
  ownJackets: ['never', 'confirmedByHand', 'confirmedByRenter'],
  anchoring: ['allowed', 'knifeReady', 'emergencyOnly'],
  /** Multiples of the depth: while somebody is awake aboard, and overnight. */
  anchorLine: ['fiveAndSeven', 'threeAndFive', 'sevenAndTen'],
  breach: ['wholeDeposit', 'priced', 'warning'],
} as const;
export type PolicyTopic = keyof typeof POLICIES;
export const POLICY_TOPICS = Object.keys(POLICIES) as PolicyTopic[];

/** What an operator or a base has chosen; a matter that is not there is nobody’s choice. */
type Chosen = { readonly [M in PolicyTopic]?: (typeof POLICIES)[M][number] | undefined };

/** The policy followed in a matter: the operator's, or the first of the list where nobody chose. */
export const policyOf = <M extends PolicyTopic>(policies: Chosen, matter: M): (typeof POLICIES)[M][number] =>
  (policies[matter] ?? POLICIES[matter][0]) as (typeof POLICIES)[M][number];

export type Handover = (typeof POLICIES)['handover'][number];
/** Whether the renter makes a walk by themselves, on their own phone. */
export const unattended = (handover: Handover, walk: 'out' | 'in'): boolean =>
  handover === 'unattended' || (handover === 'staffedOut' && walk === 'in');
