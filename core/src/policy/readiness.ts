/**
 * What an operator needs before boats can be hired out, in the order in which it is best come to. `needed`: no hire can be
 * signed out without it.
 */
export const READINESS = ['base', 'waters', 'boat', 'book', 'rules', 'prices', 'terms', 'staff', 'phone', 'https', 'backup'] as const;
export type ReadinessStep = (typeof READINESS)[number];
export const READINESS_STATES = ['done', 'open', 'needed'] as const;
export type ReadinessState = (typeof READINESS_STATES)[number];

/** How far an installation is, counted. */
export type Installation = {
  bases: number;
  /** Stretches of water that nobody has drawn yet. */
  watersEmpty: number;
  waters: number;
  boats: number;
  /** Boats whose books lack something. */
  boatsLacking: number;
  /** Bases and boats on whose waters no set of rules holds. */
  withoutRules: number;
  /** Prices that the boats’ books name, and those of them that are nothing yet. */
  pricesNamed: number;
  pricesOpen: number;
  /** Whether somebody has decided how fuel, lateness and damage are charged. */
  termsDecided: boolean;
  /** Who may sign in, by role. */
  hands: number;
  managers: number;
  phones: number;
  https: boolean;
  /** Days since a backup ran; none ever. */
  backupDays: number | undefined;
};

/** A backup older than this is none to lean on, days. */
const BACKUP_GOOD_DAYS = 8;

export type Readiness = { is: ReadinessStep; state: ReadinessState; count: number };

const state = (done: boolean, otherwise: 'open' | 'needed' = 'open'): ReadinessState => (done ? 'done' : otherwise);

/** What is done and what is missing, in order. */
export const readinessOf = (at: Installation): Readiness[] => [
  { is: 'base', state: state(at.bases > 0, 'needed'), count: at.bases },
  // Water that nobody has drawn keeps no boat ashore: what the renter is told of it is then said at the quay.
  { is: 'waters', state: state(at.waters > 0 && at.watersEmpty === 0), count: at.watersEmpty },
  { is: 'boat', state: state(at.boats > 0, 'needed'), count: at.boats },
  { is: 'book', state: state(at.boats > 0 && at.boatsLacking === 0), count: at.boatsLacking },
  { is: 'rules', state: state(at.bases > 0 && at.withoutRules === 0, 'needed'), count: at.withoutRules },
  { is: 'prices', state: state(at.boats > 0 && at.pricesOpen === 0), count: at.boats > 0 ? at.pricesOpen : at.pricesNamed },
  { is: 'terms', state: state(at.termsDecided), count: 0 },
  { is: 'staff', state: state(at.hands + at.managers > 1), count: at.hands + at.managers },
  { is: 'phone', state: state(at.phones > 0), count: at.phones },
  { is: 'https', state: state(at.https), count: 0 },
  { is: 'backup', state: state(at.backupDays !== undefined && at.backupDays <= BACKUP_GOOD_DAYS), count: Math.floor(at.backupDays ?? 0) },
];

/** Whether a first hire can be signed out. */
export const isReady = (steps: readonly Readiness[]): boolean => steps.every((step) => step.state !== 'needed');
