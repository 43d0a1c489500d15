import { lazyScreen } from '../ui/lazyScreen';

const DrillTrial = lazyScreen(
  () => import('../topics/drill/DrillTrial'),
  (file) => file.DrillTrial,
);

/** A drill as it is being written, to be tried beside its form. */
export const triedDrill = (drill: object) => <DrillTrial drill={drill} />;
