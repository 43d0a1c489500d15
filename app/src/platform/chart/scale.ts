import type { LonLat } from '@quay/core/geometry/plane';
import type { LatLngTuple, Map as Leaflet } from 'leaflet';
import { useState } from 'react';
import { useMap, useMapEvents } from 'react-leaflet';

/** As Leaflet has places: latitude first. */
export const latLng = ([lon, lat]: LonLat): LatLngTuple => [lat, lon];
export const rings = (polygon: readonly (readonly LonLat[])[]): LatLngTuple[][] => polygon.map((ring) => ring.map(latLng));

/** How many pixels a metre is in the middle of the chart. */
const perMetre = (map: Leaflet): number => {
  const centre = map.getCenter();
  return 1 / ((40_075_016.7 * Math.abs(Math.cos((centre.lat * Math.PI) / 180))) / 2 ** (map.getZoom() + 8));
};

/** Zoom and scale, told anew when a zoom has ended. */
export const useScale = () => {
  const map = useMap();
  const read = () => ({ zoom: map.getZoom(), perMetre: perMetre(map) });
  const [scale, setScale] = useState(read);
  useMapEvents({ zoomend: () => setScale(read()) });
  return scale;
};
