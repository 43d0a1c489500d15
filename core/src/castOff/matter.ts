import { type Case } from '../party/ofHire';
import type { ForPlan } from '../trip/lasts';
import type { CrewFault } from '../party/aboard';
import { type Level } from '../policy/castOff';
import { type Hold, type Override } from './hold';
import { type Deposit } from '../settlement/deposit';
import type { Tank } from '../fleet/rows';
import type { Defect } from '../turnaround/work';

/** Another hire that has the boat: she is out with it, and has not been said to be back. A renter is not told whose. */
export type Away = { hire: string; renter: string; castOffAt: string; due: string };

/** What the check finds beside what the record itself holds her for. */
export type Found =
  | Hold
  /** A boat is in one place: somebody else is out with her. */
  | { is: 'away'; away: Away }
  /** Something was put right after departure was signed: it is signed again. */
  | { is: 'signAgain'; entries: number }
  /** Nobody has said who is aboard. */
  | { is: 'noParty' }
  /** Nobody is named to drive, or to look out, or their age is not known. */
  | { is: 'crewOpen'; fault: CrewFault }
  /** People for whom there is a jacket that they have not been given. */
  | { is: 'jacketsOpen'; people: string[] }
  /** Musts of one stop. */
  | { is: 'notTold'; points: string[]; station: string }
  | { is: 'notUnderstood'; point: string; station: string; by: 'driver' | 'lookout' }
  | { is: 'notAsked'; points: string[] }
  /** Left by an earlier hire, and nobody has settled it. */
  | { is: 'defect'; defect: Defect }
  | { is: 'gaugesDisagree'; tank: string; station: string | undefined }
  /** Of a surface, of what a gauge reads, or of a propeller's blades. */
  | { is: 'pictureMissing'; surface: string; station: string }
  | { is: 'deposit'; deposit: Deposit }
  | { is: 'fuel'; tank: string; plan: ForPlan; hours: number; station: string | undefined }
  /** What is in a tank is surely, or perhaps, not enough for the hire, or until it can be filled or emptied on the way. */
  | {
      is: 'levelShort' | 'levelTight';
      tank: string;
      holds: Tank['holds'];
      hours: { low: number; likely: number; high: number };
      wantedH: number;
      onTheWay: boolean;
      station: string | undefined;
    }
  | { is: 'wind'; windMs: number; limitMs: number; by: WindBy }
  | { is: 'light'; dusk: string | undefined; dark: boolean; night: 'restricted' | 'forbidden' }
  /** People are to be towed, and the policy restricts or forbids it. */
  | { is: 'towing'; people: string[]; towing: 'restricted' | 'forbidden' };

/** Where the wind is known from. */
export type WindBy = 'mast' | 'mastOld' | 'hand';

/** Whose rule it is: the law's or the plate's, the boat's book, the operator's, or somebody's word. */
export type Origin = 'law' | 'plate' | 'book' | 'operator' | 'somebody' | 'record';

/** Where it is settled: on the page of this name, at this stop. */
export type Place =
  | { page: 'fit' | 'sign' | 'deposit' | 'docking' | 'hire' }
  | { page: 'turnaround'; hire: string }
  /** Where another hire of the boat comes in. */
  | { page: 'comeIn'; hire: string }
  | { page: 'walk'; station: string }
  | { page: 'drill'; drill: string };

export type CastOffMatter = {
  /** Names it as it stands now; a manager's word is about this, and about nothing worse. */
  key: string;
  found: Found;
  level: Level;
  /** Whether a manager may let her go with it. */
  overridable: boolean;
  override: Override | undefined;
  origin: Origin;
  place: Place;
};

export type CheckCase = Case & { hire: { depositMinor: number }; defects: readonly Defect[]; away: Away | undefined };

export type CheckNow = {
  /** ISO instant. */
  now: string;
  /** Nothing where nobody measured or set it. */
  wind: { ms: number; by: WindBy } | undefined;
  /** The renter makes this walk by themselves. */
  alone: boolean;
};
