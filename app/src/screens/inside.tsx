/**
 * Everything behind the first view, in one file of its own: the day and the sign-in open without it. One file, because
 * whatever two of them shared would be loaded with the first view again. Kept offline like the rest. The renter's own
 * walk lies here too, being made of the same parts; a renter's phone opens this file for nothing else.
 */
import { i18n } from '../i18n';
import { inside } from '../i18n/inside';
import { en } from '../i18n/stop/en';

// A walk is spoken of in English by staff, and by a renter whose words are not there yet.
i18n.addResourceBundle('en', 'translation', en, true);
i18n.addResourceBundle('en', 'translation', inside, true);
// The party form speaks the renter's words, which are no part of anybody's first view but a renter's.
void import('../i18n/renter/en').then((renter) => i18n.addResourceBundle('en', 'translation', renter.en, true));

export { CastOffPage } from './castOff/CastOffPage';
export { Compare } from './condition/Compare';
export { DockingPage } from './docking/DockingPage';
export { DrillPage } from './drill/DrillPage';
export { BaseBookPage } from './fleet/BaseBookPage';
export { BoatBookPage } from './fleet/BoatBookPage';
export { ClassBookPage } from './fleet/ClassBookPage';
export { Fleet } from './fleet/Fleet';
export { FleetDesk } from './fleet/FleetDesk';
export { Fit } from './fit/Fit';
export { Attention } from './hire/Attention';
export { Hire } from './hire/Hire';
export { Sign } from './record/Sign';
export { Walk } from './record/Walk';
export { Enrol } from './session/Enrol';
export { KeptSheet } from './session/KeptSheet';
export { Bookings } from './bookings/Bookings';
export { More } from './places/More';
export { Settings } from './session/Settings';
export { NotFound } from './session/NotFound';
export { AlonePage } from './renter/alone/AlonePage';
export { AloneSign } from './renter/alone/AloneSign';
export { AloneWalk } from './renter/alone/AloneWalk';
export { RenterDocking } from './renter/RenterDocking';
export { RenterStatement } from './renter/RenterStatement';
export { RenterDrills } from './renter/DrillsPage';
export { StaffAndPhones } from './session/StaffAndPhones';
export { Figures } from './settlement/Figures';
export { Statement } from './settlement/Statement';
export { TurnaroundPage } from './turnaround/TurnaroundPage';
