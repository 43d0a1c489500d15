import { type Measures, measuresIn, METRIC, type Units } from '@quay/core/number/units';
import { MASS_MAX_KG, MASS_MIN_KG } from '@quay/core/party/people';
import { i18n } from '../i18n';

/** One operator at a time is spoken for here, as one language is spoken. */
let current: Measures = measuresIn(METRIC);

/** Says figures in the operator's units. */
export const measures = (): Measures => current;

/** Bounds that a schema of a form names without being asked: they are in the operator's units, too. */
const sayBounds = () => {
  const { interpolation } = i18n.options;
  if (interpolation) interpolation.defaultVariables = { massFrom: current.figure(MASS_MIN_KG, 'kg', 0), massTo: current.mass(MASS_MAX_KG) };
};
sayBounds();

/** Takes the operator's units; whatever shows figures is drawn anew where they are other ones. @param units undefined: kept before there were any */
export const speakIn = (units: Units | undefined): void => {
  const next = { ...METRIC, ...units };
  if (Object.entries(next).every(([quantity, unit]) => current.units[quantity as keyof Units] === unit)) return;
  current = measuresIn(next);
  sayBounds();
  void i18n.changeLanguage(i18n.language);
};
