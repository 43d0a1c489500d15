import type { LonLat } from '@quay/core/geometry/plane';
import { USUAL_RING_M } from '@quay/core/waters/sheet';
import type { Feature, ZoneKind } from '@quay/core/waters/zone';
import type { LatLngTuple } from 'leaflet';
import { memo } from 'react';
import { Circle, Marker, Pane, Polygon, Polyline, Tooltip } from 'react-leaflet';
import type { Tones } from '../../ui/theme';
import { latLng, rings, useScale } from './scale';
import { arrowIcon, signIcon } from './symbols';

/** Signs that are there from afar; the others come nearer by. */
const FROM_AFAR: readonly ZoneKind[] = ['hazard', 'lock', 'landmark'];
const NAMED_FROM_AFAR: readonly ZoneKind[] = ['swimOnly', 'towOnly', 'forbidden'];
/** Drawn as an extent with an edge of its own. */
const LOOK: Partial<
  Record<ZoneKind, (tones: Tones) => { color: string; fillColor: string; fillOpacity: number; dashArray?: string; weight: number }>
> = {
  swimOnly: (tones) => ({ color: tones.danger, fillColor: tones.dangerPale, fillOpacity: 0.85, weight: 2.5 }),
  forbidden: (tones) => ({ color: tones.danger, fillColor: tones.danger, fillOpacity: 0.28, weight: 3, dashArray: '2 5' }),
  towOnly: (tones) => ({ color: tones.ropeDark, fillColor: tones.warningPale, fillOpacity: 0.8, weight: 2.5, dashArray: '10 5' }),
  oneWay: (tones) => ({ color: tones.primary, fillColor: tones.primary, fillOpacity: 0.08, weight: 1.5, dashArray: '3 5' }),
  depth: (tones) => ({ color: tones.rope, fillColor: tones.rope, fillOpacity: 0.32, weight: 1.5, dashArray: '2 4' }),
  noWake: (tones) => ({ color: tones.ripple, fillColor: tones.waterDeep, fillOpacity: 0.9, weight: 1.5 }),
};

const centreOf = (ring: readonly LonLat[]): LatLngTuple => {
  const [lon, lat] = ring.reduce(([x, y], [lonI, latI]) => [x + lonI / ring.length, y + latI / ring.length], [0, 0]);
  return [lat, lon];
};

const Name = ({ text, tone = '' }: { text: string; tone?: string }) => (
  <Tooltip permanent direction="center" pane="tooltipPane" className={`quay-label quay-label-zone ${tone}`} opacity={1} interactive={false}>
    {text}
  </Tooltip>
);

/** Zones, channels and places. What matters to a hull is there at every scale. */
export const Features = memo(
  ({
    features,
    tones,
    fit,
    nameOf,
    onPlace,
  }: {
    tones: Tones;
    features: readonly Feature[];
    /** The scale at which the whole water is seen. */
    fit: number;
    nameOf: (feature: Feature) => string;
    onPlace: (at: LonLat, feature: Feature | undefined) => void;
  }) => {
    const { zoom } = useScale();
    const [near, close] = [zoom >= fit + 1, zoom >= fit + 2];
    const hasShore = features.some(({ properties }) => properties.kind === 'shore');
    return (
      <>
        <Pane name="zones" style={{ zIndex: 300 }}>
          {features.map((feature) => {
            const { kind, name, fromShoreM, directionDeg } = feature.properties;
            const look = LOOK[kind]?.(tones);
            if (feature.geometry.type !== 'Polygon' || !look || fromShoreM !== undefined) return null;
            const outside = feature.geometry.coordinates[0]! as LonLat[];
            return (
              <Polygon key={`${feature.id}/${near}`} positions={rings(feature.geometry.coordinates)} interactive={false} pathOptions={look}>
                {NAMED_FROM_AFAR.includes(kind) || (near && kind === 'depth') ? (
                  <Name text={name} tone={kind === 'depth' || kind === 'towOnly' ? '' : 'quay-label-danger'} />
                ) : null}
                {kind === 'oneWay' && directionDeg !== undefined ? (
                  <Marker
                    position={centreOf(outside)}
                    icon={arrowIcon(directionDeg, tones)}
                    pane="markerPane"
                    interactive={false}
                    keyboard={false}
                  />
                ) : null}
              </Polygon>
            );
          })}
        </Pane>
        <Pane name="lines" style={{ zIndex: hasShore ? 310 : 330 }}>
          {features.map((feature) =>
            feature.geometry.type === 'LineString' ? (
              hasShore ? (
                <Polyline
                  key={feature.id}
                  positions={feature.geometry.coordinates.map(latLng)}
                  interactive={false}
                  pathOptions={{ color: tones.primary, weight: 2.5, dashArray: '14 8', opacity: 0.75 }}
                />
              ) : (
                // A canal is its line: bank, water.
                [
                  <Polyline
                    key={`${feature.id}/bank`}
                    positions={feature.geometry.coordinates.map(latLng)}
                    interactive={false}
                    pathOptions={{ color: tones.ropeDark, weight: 13 }}
                  />,
                  <Polyline
                    key={feature.id}
                    positions={feature.geometry.coordinates.map(latLng)}
                    interactive={false}
                    pathOptions={{ color: tones.water, weight: 9 }}
                  />,
                ]
              )
            ) : null,
          )}
        </Pane>
        {features.map((feature) => {
          const { kind, name, radiusM } = feature.properties;
          if (feature.geometry.type !== 'Point') return null;
          if (!FROM_AFAR.includes(kind) && !near) return null;
          const place = feature.geometry.coordinates;
          const at = latLng(place);
          const named = kind === 'hazard' || (kind === 'landmark' && near) || close;
          return (
            <Marker
              key={`${feature.id}/${named}`}
              position={at}
              icon={signIcon(kind, tones)}
              title={nameOf(feature)}
              alt={nameOf(feature)}
              zIndexOffset={kind === 'hazard' ? 500 : 0}
              eventHandlers={{
                click: () => onPlace(place, feature),
                // Leaflet only opens its own popups by key.
                keydown: ({ originalEvent: { key } }) => {
                  if (key === 'Enter' || key === ' ') onPlace(place, feature);
                },
              }}
            >
              {named ? (
                <Tooltip
                  permanent
                  direction="right"
                  offset={[12, 0]}
                  className={`quay-label ${kind === 'hazard' ? 'quay-label-danger' : ''}`}
                  opacity={1}
                >
                  {name}
                </Tooltip>
              ) : null}
              {kind === 'hazard' ? (
                <Circle
                  center={at}
                  radius={radiusM ?? USUAL_RING_M}
                  interactive={false}
                  pathOptions={{ color: tones.danger, weight: 2, dashArray: '4 4', fillColor: tones.danger, fillOpacity: 0.12 }}
                />
              ) : null}
            </Marker>
          );
        })}
      </>
    );
  },
);
Features.displayName = 'Features';
