import type { LonLat } from '@quay/core/geometry/plane';
import { Pane, Polyline } from 'react-leaflet';
import { latLng } from './scale';

/** Where she went, in bands of speed; what is looked at lies under it as a broad line. */
export const TrackLine = ({
  bands,
  under,
}: {
  bands: readonly { colour: string; lines: readonly (readonly LonLat[])[] }[];
  under: { colour: string; lines: readonly (readonly LonLat[])[] };
}) => (
  <Pane name="track" style={{ zIndex: 345 }}>
    {under.lines.length > 0 ? (
      <Polyline
        positions={under.lines.map((line) => line.map(latLng))}
        interactive={false}
        pathOptions={{ color: under.colour, weight: 13, opacity: 0.55, lineCap: 'round' }}
      />
    ) : null}
    {bands.map(({ colour, lines }) =>
      lines.length > 0 ? (
        <Polyline
          key={colour}
          positions={lines.map((line) => line.map(latLng))}
          interactive={false}
          pathOptions={{ color: colour, weight: 4, opacity: 1, lineCap: 'round' }}
        />
      ) : null,
    )}
  </Pane>
);
