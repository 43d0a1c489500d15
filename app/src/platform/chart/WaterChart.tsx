import { address } from 'style:chart';
import type { LonLat } from '@quay/core/geometry/plane';
import type { Feature, Waters } from '@quay/core/waters/zone';
import type { FitBoundsOptions, LatLngBoundsExpression } from 'leaflet';
import { type ReactNode, useEffect, useMemo, useState } from 'react';
import { Circle, MapContainer, Marker, Pane, Polygon, Polyline, Tooltip, useMap, useMapEvents } from 'react-leaflet';
import type { Tones } from '../../ui/theme';
import { loadStyle } from '../browser';
import { Features } from './Features';
import { Ground } from './Ground';
import { latLng, rings } from './scale';
import { boatIcon, homeIcon, wishIcon } from './symbols';

/** A water drawn by Leaflet from its own GeoJSON: no tiles, nothing fetched, the same without signal. */

export type ChartHandle = { nearer: () => void; farther: () => void; whole: () => void };
export type ChartProps = {
  waters: Pick<Waters, 'features'>;
  tones: Tones;
  dusk: boolean;
  label: string;
  home: { at: LonLat; name: string } | undefined;
  here: { at: LonLat; withinM: number } | undefined;
  chosen: LonLat | undefined;
  /** Polygons with their holes: what can be reached and left again in time. */
  reach: readonly LonLat[][][];
  /** The way there and the way home. */
  ways: readonly (readonly LonLat[])[];
  /** What else is drawn on it. */
  over?: ReactNode;
  /** What signs are called, for those who listen. */
  nameOf: (feature: Feature) => string;
  onPlace: (at: LonLat, feature: Feature | undefined) => void;
  onReady: (handle: ChartHandle) => void;
};

/** Room about the water, with more of it where the buttons are, px. */
const FITTED: FitBoundsOptions = { paddingTopLeft: [22, 22], paddingBottomRight: [74, 22] };
const positionsOf = ({ geometry }: Feature): readonly LonLat[] =>
  geometry.type === 'Point' ? [geometry.coordinates] : geometry.type === 'LineString' ? geometry.coordinates : geometry.coordinates.flat();
const boundsOf = (features: readonly Feature[]): LatLngBoundsExpression | undefined => {
  const all = features.flatMap(positionsOf);
  if (all.length === 0) return undefined;
  const [lons, lats] = [all.map(([lon]) => lon), all.map(([, lat]) => lat)];
  const least = (values: number[]) => values.reduce((a, b) => Math.min(a, b), Infinity);
  const most = (values: number[]) => values.reduce((a, b) => Math.max(a, b), -Infinity);
  return [
    [least(lats), least(lons)],
    [most(lats), most(lons)],
  ];
};

/** Tells where was pressed, and hands out the ways to look nearer and farther. */
const Handle = ({ bounds, onPlace, onReady }: { bounds: LatLngBoundsExpression } & Pick<ChartProps, 'onPlace' | 'onReady'>) => {
  const map = useMapEvents({ click: ({ latlng }) => onPlace([latlng.lng, latlng.lat], undefined) });
  useEffect(() => {
    onReady({ nearer: () => map.zoomIn(), farther: () => map.zoomOut(), whole: () => map.fitBounds(bounds, FITTED) });
  }, [map, bounds, onReady]);
  // Its place on the page may have changed before it was drawn, or change later: a phone turned on its side.
  useEffect(() => {
    const seen = new ResizeObserver(() => map.invalidateSize({ animate: false }));
    seen.observe(map.getContainer());
    return () => seen.disconnect();
  }, [map]);
  return null;
};

const Drawn = ({ bounds, ...props }: ChartProps & { bounds: LatLngBoundsExpression }) => {
  const { waters, tones, home, here, chosen, reach, ways, over, nameOf, onPlace, onReady } = props;
  const map = useMap();
  const [fit] = useState(() => map.getZoom());
  return (
    <>
      <Ground features={waters.features} tones={tones} />
      <Features features={waters.features} tones={tones} fit={fit} nameOf={nameOf} onPlace={onPlace} />
      <Pane name="reach" style={{ zIndex: 315 }}>
        {reach.map((polygon, i) => (
          <Polygon
            key={i}
            positions={rings(polygon)}
            interactive={false}
            pathOptions={{ color: tones.primary, weight: 3, dashArray: '9 6', fillColor: tones.primary, fillOpacity: 0.13 }}
          />
        ))}
      </Pane>
      <Pane name="ways" style={{ zIndex: 340 }}>
        {ways.map((way, i) => (
          <Polyline
            key={i}
            positions={way.map(latLng)}
            interactive={false}
            pathOptions={{ color: tones.ink, weight: 3.5, dashArray: '1 8', lineCap: 'round' }}
          />
        ))}
      </Pane>
      {over}
      {reach.length > 0 && home ? (
        <Marker position={latLng(home.at)} icon={homeIcon(tones)} interactive={false} keyboard={false}>
          <Tooltip permanent direction="bottom" offset={[0, 14]} className="quay-label" opacity={1}>
            {home.name}
          </Tooltip>
        </Marker>
      ) : home ? (
        <Marker position={latLng(home.at)} icon={homeIcon(tones)} interactive={false} keyboard={false} />
      ) : null}
      {here ? (
        <>
          <Circle
            center={latLng(here.at)}
            radius={here.withinM}
            interactive={false}
            pathOptions={{ color: tones.ink, weight: 1, fillOpacity: 0.06 }}
          />
          <Marker position={latLng(here.at)} icon={boatIcon(tones)} interactive={false} keyboard={false} zIndexOffset={900} />
        </>
      ) : null}
      {chosen ? <Marker position={latLng(chosen)} icon={wishIcon(tones)} interactive={false} keyboard={false} zIndexOffset={950} /> : null}
      <Handle bounds={bounds} onPlace={onPlace} onReady={onReady} />
    </>
  );
};

/** @returns nothing for waters without a single feature: who shows it says so */
export const WaterChart = (props: ChartProps) => {
  const { waters, tones, dusk, label } = props;
  const bounds = useMemo(() => boundsOf(waters.features), [waters]);
  const [styled, setStyled] = useState(false);
  const [failed, setFailed] = useState<Error>();
  useEffect(() => {
    loadStyle(address)
      .then(() => setStyled(true))
      .catch(setFailed);
  }, []);
  if (failed) throw failed;
  if (!bounds || !styled) return null;
  return (
    <div role="region" aria-label={label} style={{ position: 'absolute', inset: 0, display: 'flex' }}>
      <MapContainer
        className={`quay-chart ${dusk ? 'quay-dusk' : 'quay-sun'}`}
        bounds={bounds}
        boundsOptions={FITTED}
        zoomSnap={0.25}
        zoomDelta={1}
        maxZoom={18}
        minZoom={8}
        zoomControl={false}
        attributionControl={false}
        style={{ flex: 1, background: tones.board }}
      >
        <Drawn {...props} bounds={bounds} />
      </MapContainer>
    </div>
  );
};
