import type { ReactNode } from 'react';
import { type StyleProp, Text, type TextStyle } from 'react-native';
import { FACE, type Tones, useTones } from './theme';

type Props = {
  children: ReactNode;
  size?: number;
  tone?: keyof Tones;
  style?: StyleProp<TextStyle>;
  lines?: number;
  /** Spoken heading level, for those who listen to the screen. */
  heading?: 1 | 2 | 3;
  live?: boolean;
  /** Of a word within a text that leads somewhere. */
  onPress?: () => void;
};

const make =
  (face: string, usual: number, lead: number) =>
  ({ children, size = usual, tone = 'ink', style, lines, heading, live, onPress }: Props) => {
    const tones = useTones();
    return (
      <Text
        {...(heading ? { role: 'heading' as const, 'aria-level': heading } : {})}
        {...(live ? { 'aria-live': 'polite' as const } : {})}
        {...(onPress ? { role: 'link' as const, onPress } : {})}
        {...(lines === undefined ? {} : { numberOfLines: lines })}
        style={[
          {
            fontFamily: face,
            fontSize: size,
            lineHeight: Math.round(size * lead),
            color: tones[tone],
            fontVariant: ['lining-nums', 'tabular-nums'],
          },
          style,
        ]}
      >
        {children}
      </Text>
    );
  };

/** Names and numbers read from afar. */
export const Slab = make(FACE.slab, 20, 1.12);
export const SlabBold = make(FACE.slabBold, 27, 1.08);
export const Body = make(FACE.text, 17, 1.35);
export const Bold = make(FACE.bold, 17, 1.3);
/** Second lines. */
export const Small = ({ tone = 'soft', size = 15, ...rest }: Props) => <Body tone={tone} size={size} {...rest} />;
