/** The renter's pages behind the start, fetched when one is opened (or from what is kept offline). */
export { PartyPage } from './PartyPage';
export { BriefPage } from './BriefPage';
export { GuidePage } from './GuidePage';
export { CardPage } from './CardPage';
export { RoundPage } from './RoundPage';
export { ReturnPage } from './ReturnPage';
export { HelpPage } from './HelpPage';
export { ReportPage } from './ReportPage';
export { Dossier } from './Dossier';
