import type { LonLat } from '@quay/core/geometry/plane';
import { trackReport, type TrackReport } from '@quay/core/trip/track/report';
import { sheetOf } from '@quay/core/waters/sheet';
import type { Waters } from '@quay/core/waters/zone';
import { type NoTrack, readGpx } from './gpx';

export type TrackTask = { bytes: Uint8Array; waters: Waters; base: LonLat | undefined };
export type TrackRead = { report: TrackReport } | { refused: NoTrack | { is: 'noWaters' | 'elsewhere'; why: string } };

/** What a file's track shows on these waters, or why it is none of them. */
export const readTrack = ({ bytes, waters, base }: TrackTask): TrackRead => {
  const sheet = sheetOf(waters);
  if (!sheet) return { refused: { is: 'noWaters', why: '' } };
  const fixes = readGpx(bytes);
  if ('is' in fixes) return { refused: fixes };
  const report = trackReport(fixes, sheet, base);
  if (!report) return { refused: { is: 'noFixes', why: '' } };
  return report.here === 0 ? { refused: { is: 'elsewhere', why: '' } } : { report };
};
