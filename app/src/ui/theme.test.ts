import { DUSK, SUN, type Tones } from './theme';

/** Relative luminance and contrast, WCAG 2.2. */
const luminance = (hex: string): number => {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};
const contrast = (a: string, b: string): number => {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
};

const PAIRS: [ink: keyof Tones, grounds: (keyof Tones)[]][] = [
  ['ink', ['ground', 'card', 'primaryPale', 'warningPale', 'dangerPale', 'water']],
  ['soft', ['ground', 'card']],
  ['primaryText', ['card', 'primaryPale']],
  ['warningText', ['warningPale']],
  ['dangerText', ['card', 'dangerPale']],
  ['onPrimary', ['primary']],
  ['onWarning', ['warning']],
  ['onDanger', ['danger']],
  ['onInk', ['ink']],
];

it.each(PAIRS.flatMap(([ink, grounds]) => grounds.map((ground) => [ink, ground] as const)))(
  'sun: %s on %s can be read in full sun, at least 7:1',
  (ink, ground) => {
    expect(contrast(SUN[ink], SUN[ground])).toBeGreaterThanOrEqual(7);
  },
);

it.each(PAIRS.flatMap(([ink, grounds]) => grounds.map((ground) => [ink, ground] as const)))(
  'dusk: %s on %s, at least 4.5:1',
  (ink, ground) => {
    expect(contrast(DUSK[ink], DUSK[ground])).toBeGreaterThanOrEqual(4.5);
  },
);
