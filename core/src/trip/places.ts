import type { Position } from '../waters/position';
import type { Feature, Waters, ZoneKind } from '../waters/zone';

/** Places one may wish to go to, the ones people ask for most first. */
const WISHED: readonly ZoneKind[] = ['landmark', 'cove', 'berth', 'mooring', 'fuel', 'water', 'pumpOut'];

export type Wish = { id: string; name: string; kind: ZoneKind; at: Position };

/** Everything on the sheet that one can go to. */
export const wishesOf = ({ features }: Pick<Waters, 'features'>): Wish[] =>
  features
    .flatMap(({ id, properties: { kind, name }, geometry }: Feature): Wish[] =>
      geometry.type === 'Point' && WISHED.includes(kind) ? [{ id, name, kind, at: geometry.coordinates }] : [],
    )
    .sort((a, b) => WISHED.indexOf(a.kind) - WISHED.indexOf(b.kind));
