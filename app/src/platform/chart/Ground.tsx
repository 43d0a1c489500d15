import type { LonLat } from '@quay/core/geometry/plane';
import type { Feature } from '@quay/core/waters/zone';
import type { LatLngTuple } from 'leaflet';
import { memo } from 'react';
import { Pane, Polygon, Polyline } from 'react-leaflet';
import type { Tones } from '../../ui/theme';
import { latLng, rings, useScale } from './scale';

/** Far beyond any water: what is cut out of it is water, the rest land. */
const EVERYWHERE: LatLngTuple[] = [
  [-89, -720],
  [89, -720],
  [89, 720],
  [-89, 720],
];
/** Water, its shores, and the strips along them that rules hold in: a strip is the shore drawn as wide as it, the land laid over it. */
export const Ground = memo(({ features, tones }: { features: readonly Feature[]; tones: Tones }) => {
  const scale = useScale();
  const shores = features.flatMap(({ properties, geometry }) =>
    properties.kind === 'shore' && geometry.type === 'Polygon' ? [geometry.coordinates as LonLat[][]] : [],
  );
  const strips = features.flatMap(({ id, properties: { fromShoreM } }) => (fromShoreM === undefined ? [] : [{ id, fromShoreM }]));
  const islands = shores.flatMap((shore) => shore.slice(1));
  return (
    <>
      <Pane name="water" style={{ zIndex: 210 }}>
        {shores.map((shore, i) => (
          <Polygon
            key={i}
            positions={rings(shore.slice(0, 1))}
            interactive={false}
            pathOptions={{ stroke: false, fillColor: tones.water, fillOpacity: 1 }}
          />
        ))}
        {strips.map(({ id, fromShoreM }) =>
          shores
            .flat()
            .map((ring, i) => (
              <Polyline
                key={`${id}/${i}`}
                positions={ring.map(latLng)}
                interactive={false}
                pathOptions={{ color: tones.ripple, weight: 2 * fromShoreM * scale.perMetre, lineJoin: 'round', opacity: 1 }}
              />
            )),
        )}
      </Pane>
      <Pane name="land" style={{ zIndex: 320 }}>
        {shores.length > 0 ? (
          <Polygon
            positions={[EVERYWHERE, ...shores.map((shore) => shore[0]!.map(latLng))]}
            interactive={false}
            pathOptions={{ color: tones.ropeDark, weight: 2.5, fillColor: tones.board, fillOpacity: 1 }}
          />
        ) : null}
        {islands.map((ring, i) => (
          <Polygon
            key={i}
            positions={ring.map(latLng)}
            interactive={false}
            pathOptions={{ color: tones.ropeDark, weight: 2.5, fillColor: tones.board, fillOpacity: 1 }}
          />
        ))}
      </Pane>
    </>
  );
});
Ground.displayName = 'Ground';
