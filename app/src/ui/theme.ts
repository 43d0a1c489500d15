import { createContext, useContext } from 'react';

/** Colours of the painted board. Text on ground and card keeps at least 7:1 in the sun theme. */
export type Tones = {
  ground: string;
  /** What stands beside the page or under it, and leads about. */
  board: string;
  card: string;
  ink: string;
  soft: string;
  line: string;
  primary: string;
  onPrimary: string;
  primaryPale: string;
  primaryText: string;
  warning: string;
  /** A word to press on a ground of ink. */
  onInk: string;
  onWarning: string;
  warningPale: string;
  warningText: string;
  danger: string;
  onDanger: string;
  dangerPale: string;
  dangerText: string;
  water: string;
  waterDeep: string;
  ripple: string;
  rope: string;
  ropeDark: string;
  hull: string;
  deck: string;
  seat: string;
  glass: string;
  dark: string;
};

export const SUN: Tones = {
  ground: '#FBF8F1',
  board: '#F3ECDF',
  card: '#FFFFFF',
  ink: '#17211E',
  soft: '#46544F',
  line: '#DDD6C6',
  primary: '#0E5E52',
  onPrimary: '#FFFFFF',
  primaryPale: '#DDEBE6',
  primaryText: '#0A5146',
  warning: '#F2B01E',
  onInk: '#F2B01E',
  onWarning: '#17211E',
  warningPale: '#FDF0CF',
  warningText: '#17211E',
  danger: '#A8201A',
  onDanger: '#FFFFFF',
  dangerPale: '#F8E3E0',
  dangerText: '#8C1610',
  water: '#CFE3E6',
  waterDeep: '#B7D4D9',
  ripple: '#A5C7CD',
  rope: '#B88A4A',
  ropeDark: '#8A6230',
  hull: '#EDE7D8',
  deck: '#FBF8F1',
  seat: '#FFFFFF',
  glass: '#DDEBE6',
  dark: '#17211E',
};

export const DUSK: Tones = {
  ground: '#101A18',
  board: '#16221F',
  card: '#1A2724',
  ink: '#E9E4D6',
  soft: '#B3BDB6',
  line: '#34443F',
  primary: '#5FC4AE',
  onPrimary: '#06201B',
  primaryPale: '#1E3B35',
  primaryText: '#8ADBC8',
  warning: '#F5C04A',
  onInk: '#5E3B00',
  onWarning: '#17211E',
  warningPale: '#43361A',
  warningText: '#F8D88F',
  danger: '#FF8A78',
  onDanger: '#2A0603',
  dangerPale: '#47211D',
  dangerText: '#FFB0A3',
  water: '#17302F',
  waterDeep: '#122625',
  ripple: '#2A4A48',
  rope: '#C59A5C',
  ropeDark: '#7A5A30',
  hull: '#3A4642',
  deck: '#232F2C',
  seat: '#4A5752',
  glass: '#27443E',
  dark: '#070C0B',
};

/** Named faces; the weights are families of their own, so that no weight is ever made up by the browser. */
export const FACE = { slab: 'ZillaSlab', slabBold: 'ZillaSlabBold', text: 'Atkinson', bold: 'AtkinsonBold' } as const;

export const TonesContext = createContext<Tones>(SUN);
export const useTones = (): Tones => useContext(TonesContext);

/** From this width on there is room for plan, stop and record side by side. */
export const WIDE = 1000;
