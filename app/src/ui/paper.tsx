import {
  mdiAlertCircleOutline,
  mdiCalendar,
  mdiCheck,
  mdiChevronDown,
  mdiChevronLeft,
  mdiChevronRight,
  mdiChevronUp,
  mdiClockOutline,
  mdiClose,
  mdiKeyboardOutline,
  mdiMagnify,
  mdiMenuDown,
  mdiMenuUp,
  mdiPencil,
} from '@mdi/js';
import type { ComponentProps } from 'react';
import { configureFonts, MD3DarkTheme, MD3LightTheme, type MD3Theme, type PaperProvider } from 'react-native-paper';
import Svg, { Path } from 'react-native-svg';
import { FACE, type Tones } from './theme';

type Settings = NonNullable<ComponentProps<typeof PaperProvider>['settings']>;
type IconProps = Parameters<NonNullable<Settings['icon']>>[0];

/** What Paper's own parts ask for by name; we give an icon by its path on a 24 px grid. */
const NAMED: Record<string, string> = {
  'alert-circle-outline': mdiAlertCircleOutline,
  calendar: mdiCalendar,
  check: mdiCheck,
  'chevron-down': mdiChevronDown,
  'chevron-left': mdiChevronLeft,
  'chevron-right': mdiChevronRight,
  'chevron-up': mdiChevronUp,
  'clock-outline': mdiClockOutline,
  close: mdiClose,
  'keyboard-outline': mdiKeyboardOutline,
  magnify: mdiMagnify,
  'menu-down': mdiMenuDown,
  'menu-up': mdiMenuUp,
  pencil: mdiPencil,
};

const Icon = ({ name, color, size, testID }: IconProps) => (
  <Svg width={size} height={size} viewBox="0 0 24 24" {...(testID === undefined ? {} : { testID })}>
    <Path d={NAMED[String(name)] ?? String(name)} {...(color === undefined ? {} : { fill: color })} />
  </Svg>
);

/** Icons are single paths, so that no font of seven thousand is sent; a press shows in its colour and sends no ring. */
export const PAPER_SETTINGS: Settings = { icon: Icon, rippleEffectEnabled: false };

// The weights are families of their own: Paper is not to thicken them once more.
const face = (fontFamily: string, fontSize: number, lead: number) => ({
  fontFamily,
  fontSize,
  lineHeight: Math.round(fontSize * lead),
  letterSpacing: 0,
  fontWeight: 'normal' as const,
});
const fonts = configureFonts({
  config: {
    // What names no kind of text.
    default: face(FACE.text, 17, 1.35),
    displayLarge: face(FACE.slabBold, 52, 1.08),
    displayMedium: face(FACE.slabBold, 44, 1.08),
    displaySmall: face(FACE.slabBold, 34, 1.08),
    headlineLarge: face(FACE.slabBold, 30, 1.08),
    headlineMedium: face(FACE.slabBold, 27, 1.08),
    headlineSmall: face(FACE.slabBold, 24, 1.1),
    titleLarge: face(FACE.slab, 22, 1.12),
    titleMedium: face(FACE.slab, 20, 1.12),
    titleSmall: face(FACE.slab, 18, 1.12),
    bodyLarge: face(FACE.text, 17, 1.35),
    bodyMedium: face(FACE.text, 17, 1.35),
    bodySmall: face(FACE.text, 15, 1.35),
    labelLarge: face(FACE.slab, 18, 1.15),
    labelMedium: face(FACE.bold, 16, 1.3),
    labelSmall: face(FACE.bold, 14, 1.3),
  },
});

/** The painted board as a theme of Paper's. @param dark of an evening */
export const paperTheme = (tones: Tones, dark: boolean): MD3Theme => ({
  ...(dark ? MD3DarkTheme : MD3LightTheme),
  roundness: 3,
  fonts,
  colors: {
    primary: tones.primary,
    onPrimary: tones.onPrimary,
    primaryContainer: tones.primaryPale,
    onPrimaryContainer: tones.primaryText,
    // "Look here".
    secondary: tones.warning,
    onSecondary: tones.onWarning,
    secondaryContainer: tones.warningPale,
    onSecondaryContainer: tones.warningText,
    tertiary: tones.waterDeep,
    onTertiary: tones.ink,
    tertiaryContainer: tones.water,
    onTertiaryContainer: tones.ink,
    error: tones.danger,
    onError: tones.onDanger,
    errorContainer: tones.dangerPale,
    onErrorContainer: tones.dangerText,
    background: tones.ground,
    onBackground: tones.ink,
    surface: tones.card,
    onSurface: tones.ink,
    surfaceVariant: tones.primaryPale,
    onSurfaceVariant: tones.soft,
    surfaceDisabled: tones.line,
    onSurfaceDisabled: tones.soft,
    outline: tones.soft,
    outlineVariant: tones.line,
    inverseSurface: tones.ink,
    inverseOnSurface: tones.ground,
    inversePrimary: tones.onInk,
    shadow: tones.dark,
    scrim: tones.dark,
    backdrop: 'rgba(10,16,14,0.55)',
    elevation: {
      level0: 'transparent',
      level1: tones.card,
      level2: tones.card,
      level3: tones.card,
      level4: tones.card,
      level5: tones.card,
    },
  },
});
