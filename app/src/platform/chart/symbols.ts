import type { ZoneKind } from '@quay/core/waters/zone';
import { divIcon, type DivIcon } from 'leaflet';
import type { Tones } from '../../ui/theme';

/**
 * Signs on the chart, ours: what a place is for shows by the shape of its board as well as by its colour. Services stand on a
 * square, where one may lie on a round, hazards in a triangle, what stands across a canal on a lozenge.
 */
const GLYPH: Partial<Record<ZoneKind, string>> = {
  // A drop, halved: fuel below, vapour above.
  fuel: '<path d="M13 6c3 4 5 6 5 9a5 5 0 0 1-10 0c0-3 2-5 5-9z"/><path d="M8 15h10" stroke-width="2"/>',
  water: '<path d="M7 10c2-2 4-2 6 0s4 2 6 0M7 15c2-2 4-2 6 0s4 2 6 0" fill="none" stroke-width="2"/>',
  pumpOut: '<path d="M8 18v-6h10v6zM13 12V6M10 8.5l3-3 3 3" fill="none" stroke-width="2"/>',
  berth: '<path d="M7 17h12M9 17V9M17 17V9" fill="none" stroke-width="2.2"/>',
  mooring: '<circle cx="13" cy="15" r="4" fill="none" stroke-width="2"/><path d="M13 11V6" stroke-width="2"/>',
  cove: '<path d="M6 10a7 7 0 0 0 14 0" fill="none" stroke-width="2.2"/><circle cx="13" cy="11" r="1.8"/>',
  turning: '<path d="M18 13a5 5 0 1 1-2-4M16 5v4h-4" fill="none" stroke-width="2"/>',
  lock: '<path d="M10 7l5 6-5 6" fill="none" stroke-width="2.2"/><path d="M16 7v12" stroke-width="2"/>',
  bridge: '<path d="M6 11h14M8 11c0 6 10 6 10 0" fill="none" stroke-width="2"/>',
  landmark: '<path d="M13 6v14M9 20h8M13 6l5 3-5 3" fill="none" stroke-width="2"/>',
};
const BOARD = {
  square: '<rect x="2" y="2" width="22" height="22" rx="4"/>',
  round: '<circle cx="13" cy="13" r="11"/>',
  lozenge: '<path d="M13 1l12 12-12 12L1 13z"/>',
  none: '',
} as const;
const ON: Partial<Record<ZoneKind, keyof typeof BOARD>> = {
  fuel: 'square',
  water: 'square',
  pumpOut: 'square',
  berth: 'round',
  mooring: 'round',
  cove: 'round',
  turning: 'round',
  lock: 'lozenge',
  bridge: 'lozenge',
  landmark: 'none',
};

const SIZE = 26;
/** Room around a sign that a thumb may press as well, px. */
const REACH = 44;

const framed = (inner: string, size = SIZE): string =>
  `<svg width="${REACH}" height="${REACH}" viewBox="${-(REACH - size) / 2} ${-(REACH - size) / 2} ${REACH} ${REACH}" aria-hidden="true">${inner}</svg>`;
const iconOf = (html: string): DivIcon =>
  divIcon({ html, className: 'quay-sign', iconSize: [REACH, REACH], iconAnchor: [REACH / 2, REACH / 2] });

/** The drawing of a kind of place. */
const signOf = (kind: ZoneKind, tones: Tones): string => {
  if (kind === 'hazard')
    return framed(
      `<path d="M13 1l12.5 22H.5z" fill="${tones.danger}" stroke="${tones.card}" stroke-width="1.5"/><path d="M13 9v7M13 18.5v2" stroke="${tones.onDanger}" stroke-width="2.6"/>`,
    );
  const board = ON[kind] ?? 'none';
  const [ground, ink] = board === 'none' ? ['none', tones.ink] : board === 'square' ? [tones.ink, tones.ground] : [tones.card, tones.ink];
  return framed(
    `<g fill="${ground}" stroke="${tones.ink}" stroke-width="2">${BOARD[board]}</g><g fill="${ink}" stroke="${ink}">${GLYPH[kind] ?? ''}</g>`,
  );
};

export const signIcon = (kind: ZoneKind, tones: Tones): DivIcon => iconOf(signOf(kind, tones));

/** The quay one comes home to. */
export const homeIcon = (tones: Tones): DivIcon =>
  iconOf(
    framed(
      `<rect x="-2" y="1" width="30" height="24" rx="5" fill="${tones.ink}"/><path d="M13 6v14M6 13h14" stroke="${tones.ground}" stroke-width="3.5"/>`,
    ),
  );

/** The boat, where she is. */
export const boatIcon = (tones: Tones): DivIcon =>
  iconOf(framed(`<path d="M13 -4c7 7 8 15 7 30H6C5 11 6 3 13 -4z" fill="${tones.card}" stroke="${tones.ink}" stroke-width="3"/>`));

/** The place that was pressed. */
export const wishIcon = (tones: Tones): DivIcon =>
  iconOf(
    framed(
      `<circle cx="13" cy="13" r="12" fill="none" stroke="${tones.ink}" stroke-width="3"/><circle cx="13" cy="13" r="4" fill="${tones.warning}" stroke="${tones.ink}" stroke-width="2"/>`,
    ),
  );

/** Where a one-way stretch leads. @param deg degrees true */
export const arrowIcon = (deg: number, tones: Tones): DivIcon =>
  iconOf(
    framed(
      `<path d="M13 1l8 11h-5v12h-6V12H5z" transform="rotate(${Math.round(deg)} 13 13)" fill="${tones.primary}" stroke="${tones.card}" stroke-width="1.5"/>`,
    ),
  );
