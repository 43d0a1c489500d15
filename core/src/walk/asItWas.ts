import { marksOf } from '../condition/placed';
import { currentOf, type HireRecord } from '../events/record';
import { counted, type markPlaced, type surfaceSeen } from '../condition/events';
import type { BodyOf } from '../events/define';
import type { Surface } from '../fleet/rows';
import { type StopState, wantsPicture } from './walk';

/** What one press enters. */
export type SaidAsBefore = BodyOf<typeof markPlaced> | BodyOf<typeof surfaceSeen> | BodyOf<typeof counted>;

/** What confirms that surfaces look as they did at departure: every mark seen again, and nothing new. */
export const surfacesAsTheyWere = (record: HireRecord, surfaces: readonly Surface[]): SaidAsBefore[] => {
  const [out, back] = [marksOf(record, 'out'), marksOf(record, 'in')];
  return surfaces.flatMap(({ id }): SaidAsBefore[] => [
    ...out
      .filter((mark) => mark.surface === id && !back.some((one) => one.id === mark.id))
      .map((mark): SaidAsBefore => ({ kind: 'markPlaced', walk: 'in', mark: { ...mark, photos: [] }, asBefore: true })),
    { kind: 'surfaceSeen', walk: 'in', surface: id, photos: [], asBefore: true },
  ]);
};

/**
 * What one press at a stop of the return says of all that is still open there: equipment as counted at departure, and
 * surfaces as they looked. What has to be read, felt, photographed or looked for (a switch off, a cover down, a cabin
 * empty) is never said by it, nor what nobody counted at departure: the record says nothing that nobody has seen.
 */
export const asItWas = (record: HireRecord, stop: StopState, alone = false): SaidAsBefore[] => {
  const { missing } = stop;
  return [
    ...stop.fittings.flatMap(({ id }): SaidAsBefore[] => {
      const was = missing.fittings.includes(id) ? currentOf(record, ['out', 'count', id], counted)?.value : undefined;
      return was
        ? [
            {
              kind: 'counted',
              walk: 'in',
              fitting: id,
              count: was.count,
              state: was.state,
              ...(was.seal === undefined ? {} : { seal: was.seal }),
              ...(was.at === undefined ? {} : { at: was.at }),
              asBefore: true,
            },
          ]
        : [];
    }),
    ...surfacesAsTheyWere(
      record,
      stop.surfaces.filter((surface) => missing.surfaces.includes(surface.id) && !wantsPicture(record, 'in', surface, alone)),
    ),
  ];
};

/** How much of what is open at a stop one press does not say. Marks that are seen again go with their surface. */
export const unsaidBy = (said: readonly SaidAsBefore[], stop: StopState): number =>
  stop.left - said.filter(({ kind }) => kind !== 'markPlaced').length;
