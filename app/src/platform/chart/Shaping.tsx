import type { LonLat } from '@quay/core/geometry/plane';
import type { Feature } from '@quay/core/waters/zone';
import L from 'leaflet';
import { useEffect, useRef } from 'react';
import { useMap } from 'react-leaflet';
import type { Tones } from '../../ui/theme';
import { latLng, rings } from './scale';

/** Shapes drawn and moved on a chart by finger, mouse and pen. */

export const SHAPES = ['Polygon', 'Line', 'Marker'] as const;
export type Shape = (typeof SHAPES)[number];
export type Geometry = Feature['geometry'];

/**
 * Fetches what draws. It adds itself to Leaflet, and to maps that are made from then on: a chart to draw on waits for it. It
 * is fetched by a name of its own, since an import for its effect alone is left out of the bundle.
 */
export const loadShaping = async (): Promise<void> => {
  await import('@geoman-io/leaflet-geoman-free');
  if (!('PM' in L)) throw new Error('what draws on charts did not come');
};

/** Digits of a degree that are kept: a hundredth of a metre. */
const DIGITS = 7;

const geometryOf = (layer: L.Layer): Geometry | undefined => {
  if (!(layer instanceof L.Marker || layer instanceof L.Polyline)) return undefined;
  const { geometry } = layer.toGeoJSON(DIGITS) as { geometry: { type: string; coordinates: unknown } };
  return geometry.type === 'Polygon' || geometry.type === 'LineString' || geometry.type === 'Point' ? (geometry as Geometry) : undefined;
};

/** From so many corners on only those near the pointer are shown, as many as one can tell apart. */
const [MANY, NEAR] = [60, 24];
/** A corner goes to another one that is nearer than this, px. */
const SNAP_PX = 9;

/** While somebody draws, signs take no press away from the water under them. */
const drawingOn = (map: L.Map): (() => void) => {
  const { classList } = map.getContainer();
  classList.add('quay-drawing');
  return () => classList.remove('quay-drawing');
};

const linesOf = (tones: Tones) => ({ color: tones.danger, weight: 4, fillOpacity: 0.15 });

/** Draws one new shape, corner by corner; done by pressing the first corner again, or the last of a line. */
export const Drawing = ({ shape, tones, onDrawn }: { shape: Shape; tones: Tones; onDrawn: (geometry: Geometry) => void }) => {
  const map = useMap();
  const drawn = useRef(onDrawn);
  drawn.current = onDrawn;
  useEffect(() => {
    const made = ({ layer }: { layer: L.Layer }) => {
      const geometry = geometryOf(layer);
      layer.remove();
      if (geometry) drawn.current(geometry);
    };
    map.on('pm:create', made);
    const done = drawingOn(map);
    map.pm.enableDraw(shape, {
      tooltips: false,
      snapDistance: SNAP_PX,
      finishOn: 'dblclick',
      templineStyle: linesOf(tones),
      hintlineStyle: { ...linesOf(tones), dashArray: '5 6' },
      pathOptions: linesOf(tones),
      markerStyle: { icon: L.divIcon({ className: 'quay-shaping', iconSize: [24, 24] }) },
      continueDrawing: false,
    });
    return () => {
      done();
      map.off('pm:create', made);
      map.pm.disableDraw();
    };
  }, [map, shape, tones]);
  return null;
};

const layerOf = (geometry: Geometry, tones: Tones): ReturnType<typeof L.polygon | typeof L.polyline | typeof L.marker> => {
  if (geometry.type === 'Polygon') return L.polygon(rings(geometry.coordinates as LonLat[][]), linesOf(tones));
  if (geometry.type === 'LineString') return L.polyline((geometry.coordinates as LonLat[]).map(latLng), linesOf(tones));
  return L.marker(latLng(geometry.coordinates), { icon: L.divIcon({ className: 'quay-shaping', iconSize: [24, 24] }) });
};

/** Moves the corners of a shape, adds some between them, or moves a place. @param onShaped told after every move */
export const Reshaping = ({ geometry, tones, onShaped }: { geometry: Geometry; tones: Tones; onShaped: (geometry: Geometry) => void }) => {
  const map = useMap();
  const shaped = useRef(onShaped);
  shaped.current = onShaped;
  // What is moved is moved on the chart; it begins anew only with another shape.
  const begun = useRef(geometry);
  useEffect(() => {
    const layer = layerOf(begun.current, tones).addTo(map);
    const moved = () => {
      const next = geometryOf(layer);
      if (next) shaped.current(next);
    };
    const done = drawingOn(map);
    const corners = begun.current.type === 'Point' ? 1 : begun.current.coordinates.flat().length;
    layer.pm.enable({
      draggable: true,
      snappable: false,
      allowSelfIntersection: true,
      ...(corners > MANY ? { limitMarkersToCount: NEAR } : {}),
    });
    layer.on('pm:edit', moved);
    layer.on('pm:markerdragend', moved);
    layer.on('pm:dragend', moved);
    return () => {
      done();
      layer.pm.disable();
      layer.remove();
    };
  }, [map, tones]);
  return null;
};
