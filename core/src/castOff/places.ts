import { type Found, type Origin, type Place } from './matter';
import { type Case } from '../party/ofHire';
import { keyOfHold, NEVER_OVERRIDDEN } from './hold';

export const keyOf = (found: Found): string => {
  switch (found.is) {
    case 'notTold':
      return `notTold/${found.station}/${found.points.length}/${found.points[0] ?? ''}`;
    case 'notUnderstood':
      return `notUnderstood/${found.point}/${found.by}`;
    case 'notAsked':
      return 'notAsked';
    case 'defect':
      return `defect/${found.defect.hire}/${found.defect.key}`.slice(0, 190);
    case 'gaugesDisagree':
      return `gaugesDisagree/${found.tank}`;
    case 'pictureMissing':
      return `pictureMissing/${found.surface}`;
    case 'deposit':
      return `deposit/${found.deposit.heldMinor}`;
    case 'fuel':
      return `fuel/${found.tank}/${Math.ceil(found.plan.needL - found.plan.mayUseL)}`;
    case 'levelShort':
    case 'levelTight':
      return `${found.is}/${found.tank}/${Math.floor(found.hours.low)}`;
    case 'wind':
      return `wind/${Math.ceil(found.windMs)}`;
    case 'light':
      return `light/${found.dark ? 'dark' : 'dusk'}`;
    case 'towing':
      return `towing/${found.towing}/${[...found.people].sort().join(',')}`.slice(0, 190);
    case 'away':
    case 'noParty':
    case 'signAgain':
      return found.is;
    case 'crewOpen':
      return `crewOpen/${found.fault.is}`;
    case 'jacketsOpen':
      return `jacketsOpen/${[...found.people].sort().join(',')}`.slice(0, 190);
    default:
      return keyOfHold(found);
  }
};

export const isNever = (is: Found['is']): is is (typeof NEVER_OVERRIDDEN)[number] => NEVER_OVERRIDDEN.some((one) => one === is);

export const ORIGIN: Record<Found['is'], Origin> = {
  away: 'record',
  signAgain: 'record',
  noParty: 'operator',
  crewOpen: 'operator',
  jacketsOpen: 'operator',
  safetyFitting: 'book',
  propeller: 'book',
  said: 'somebody',
  defect: 'record',
  tooMany: 'plate',
  noJacket: 'law',
  crew: 'law',
  drill: 'operator',
  conflict: 'record',
  notTold: 'operator',
  notUnderstood: 'operator',
  notAsked: 'operator',
  gaugesDisagree: 'record',
  pictureMissing: 'book',
  deposit: 'operator',
  fuel: 'operator',
  levelShort: 'operator',
  levelTight: 'operator',
  wind: 'book',
  light: 'operator',
  towing: 'operator',
};

/** The stop at which a thing of the book is dealt with. */
const stopOf = (book: Case['book'], id: string): string | undefined =>
  [...book.fittings, ...book.gauges, ...book.surfaces, ...book.propellers].find((one) => one.id === id)?.station;

export const placeOf = (found: Found, book: Case['book']): Place => {
  const at = (station: string | undefined): Place => (station === undefined ? { page: 'hire' } : { page: 'walk', station });
  switch (found.is) {
    case 'safetyFitting':
      return at(found.fault.fitting.station);
    case 'propeller':
      return at(stopOf(book, found.propeller));
    case 'conflict':
      return { page: 'hire' };
    case 'said':
      return { page: 'hire' };
    case 'defect':
      return { page: 'turnaround', hire: found.defect.hire };
    case 'away':
      return { page: 'comeIn', hire: found.away.hire };
    case 'tooMany':
    case 'noJacket':
    case 'crew':
    case 'noParty':
    case 'crewOpen':
    case 'jacketsOpen':
    case 'towing':
      return { page: 'fit' };
    case 'drill':
      return { page: 'drill', drill: found.drill };
    case 'notTold':
    case 'notUnderstood':
    case 'pictureMissing':
    case 'gaugesDisagree':
    case 'fuel':
    case 'levelShort':
    case 'levelTight':
      return at(found.station);
    case 'notAsked':
    case 'signAgain':
      return { page: 'sign' };
    case 'deposit':
      return { page: 'deposit' };
    case 'wind':
      return { page: 'docking' };
    case 'light':
      return { page: 'hire' };
  }
};
