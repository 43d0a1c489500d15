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
  weed: string;
  onWeed: string;
  weedPale: string;
  weedText: string;
  mari: string;
  /** A word to press on a ground of ink. */
  onInk: string;
  onMari: string;
  mariPale: string;
  mariText: string;
  lead: string;
  onLead: string;
  leadPale: string;
  leadText: string;
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
  weed: '#0E5E52',
  onWeed: '#FFFFFF',
  weedPale: '#DDEBE6',
  weedText: '#0A5146',
  mari: '#F2B01E',
  onInk: '#F2B01E',
  onMari: '#17211E',
  mariPale: '#FDF0CF',
  mariText: '#17211E',
  lead: '#A8201A',
  onLead: '#FFFFFF',
  leadPale: '#F8E3E0',
  leadText: '#8C1610',
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
  weed: '#5FC4AE',
  onWeed: '#06201B',
  weedPale: '#1E3B35',
  weedText: '#8ADBC8',
  mari: '#F5C04A',
  onInk: '#5E3B00',
  onMari: '#17211E',
  mariPale: '#43361A',
  mariText: '#F8D88F',
  lead: '#FF8A78',
  onLead: '#2A0603',
  leadPale: '#47211D',
  leadText: '#FFB0A3',
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
