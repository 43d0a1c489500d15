import type { ReactNode } from 'react';
import { type StyleProp, StyleSheet, View, type ViewStyle } from 'react-native';
import { Card as PaperCard } from 'react-native-paper';
import { type Tones, useTones } from './theme';
import { Bold, SlabBold } from './words';

const TAG = {
  ok: { ground: 'primaryPale', edge: 'primary', ink: 'primaryText' },
  ask: { ground: 'warningPale', edge: 'warning', ink: 'warningText' },
  stop: { ground: 'dangerPale', edge: 'danger', ink: 'dangerText' },
  calm: { ground: 'card', edge: 'line', ink: 'soft' },
} as const satisfies Record<string, Record<string, keyof Tones>>;
export type TagKind = keyof typeof TAG;

/** A small painted sign: a word with an edge in the colour of its meaning. */
export const Tag = ({ kind, children, size = 14 }: { kind: TagKind; children: ReactNode; size?: number }) => {
  const tones = useTones();
  const { ground, edge, ink } = TAG[kind];
  return (
    <View
      style={{
        alignSelf: 'flex-start',
        backgroundColor: tones[ground],
        borderLeftWidth: 4,
        borderLeftColor: tones[edge],
        borderRadius: 4,
        paddingHorizontal: 9,
        paddingVertical: 3,
      }}
    >
      <Bold size={size} tone={ink}>
        {children}
      </Bold>
    </View>
  );
};

export const Card = ({ children, style }: { children: ReactNode; style?: StyleProp<ViewStyle> }) => {
  const tones = useTones();
  // How far it stands off is the card's own; everything else is said of what lies on it.
  const { marginHorizontal, marginTop, ...inner } = StyleSheet.flatten(style) ?? {};
  return (
    <PaperCard
      mode="contained"
      style={{
        borderRadius: 14,
        backgroundColor: tones.card,
        boxShadow: `0 1px 0 ${tones.line}, 0 6px 18px rgba(23,33,30,0.07)`,
        ...(marginHorizontal === undefined ? {} : { marginHorizontal }),
        ...(marginTop === undefined ? {} : { marginTop }),
      }}
    >
      <View style={[{ padding: 16 }, inner]}>{children}</View>
    </PaperCard>
  );
};

/** A card under its own heading. */
export const TitledCard = ({ title, children }: { title: string; children: ReactNode }) => (
  <Card style={{ gap: 10 }}>
    <SlabBold size={22} heading={2}>
      {title}
    </SlabBold>
    {children}
  </Card>
);

/** What to see when there is nothing, or when it could not be had: what happened, what is safe, what to do. */
export const Notice = ({ kind, title, children, action }: { kind: TagKind; title: string; children?: ReactNode; action?: ReactNode }) => {
  const tones = useTones();
  const { edge } = TAG[kind];
  return (
    <View
      style={{ borderLeftWidth: 8, borderLeftColor: tones[edge], borderRadius: 14, backgroundColor: tones.card, padding: 16, gap: 8 }}
      role={kind === 'stop' ? 'alert' : 'status'}
    >
      <Bold size={19}>{title}</Bold>
      {children}
      {action}
    </View>
  );
};
