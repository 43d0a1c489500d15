import { mdiArrowLeft } from '@mdi/js';
import { createContext, type ReactNode, type Ref, useContext } from 'react';
import { useTranslation } from 'react-i18next';
import { type ScrollView, View } from 'react-native';
import { IconButton } from './controls/button';
import { useRoom } from './room';
import { Scroll } from './scroll';
import { useTones } from './theme';
import { SlabBold, Small } from './words';

type Props = {
  title: string;
  sub?: string;
  onBack?: () => void;
  right?: ReactNode;
  top?: ReactNode;
  children: ReactNode;
  footer?: ReactNode;
  scroll?: Ref<ScrollView>;
  /** Narrow text pages stay readable on a wide screen. */
  measure?: number;
  /** On a desk: what stands at the right of everything, from top to bottom, and scrolls by itself; how wide it is, px. */
  side?: ReactNode;
  sideWidth?: number;
  /** The content fills what is left and scrolls by itself, in its own parts. */
  fill?: boolean;
};

/** What stands at the end of every head: the quiet line of what is still to be sent. */
export const HeadEnd = createContext<ReactNode>(null);

/** Height of the line with the name, so that drawings can be made to fit under it. */
export const HEAD = 64;

/** Every view: name on top, content, and the one thing to do in the lowest third. */
export const Screen = ({ title, sub, onBack, right, top, children, footer, scroll, measure, fill = false, side, sideWidth = 0 }: Props) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { width, wide } = useRoom();
  const end = useContext(HeadEnd);
  // A name that would be cut short on a phone takes two smaller lines.
  const long = !wide && title.length > (right ? 18 : 26);
  const held = { width: '100%' as const, maxWidth: measure ?? (wide ? undefined : width), alignSelf: 'center' as const };
  const page = (
    <View style={{ flex: 1, backgroundColor: tones.ground }}>
      <View
        role="banner"
        style={[
          held,
          {
            flexDirection: 'row',
            alignItems: 'center',
            gap: 4,
            paddingLeft: onBack ? 4 : 16,
            paddingRight: 12,
            paddingTop: 4,
            minHeight: HEAD,
            paddingBottom: 2,
          },
        ]}
      >
        {onBack ? <IconButton path={mdiArrowLeft} label={t('common.back')} onPress={onBack} plain testID="back" /> : null}
        <View style={{ flex: 1 }}>
          <SlabBold size={long ? 20 : 25} heading={1} lines={long ? 2 : 1}>
            {title}
          </SlabBold>
          {sub ? (
            <Small lines={2} size={14.5}>
              {sub}
            </Small>
          ) : null}
        </View>
        {right ? <View style={{ alignSelf: 'center' }}>{right}</View> : null}
        {end}
      </View>
      {top}
      {fill ? (
        <View style={{ flex: 1 }} role="main">
          {children}
        </View>
      ) : (
        <Scroll scroll={scroll} style={{ flex: 1 }} contentContainerStyle={[held, { paddingBottom: 20 }]} role="main">
          {children}
        </Scroll>
      )}
      {footer ? <View style={[held, { paddingHorizontal: 12, paddingTop: 8, paddingBottom: 16 }]}>{footer}</View> : null}
    </View>
  );
  if (!side) return page;
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      {page}
      <Scroll
        role="complementary"
        style={{ flexGrow: 0, width: sideWidth, backgroundColor: tones.card, borderLeftWidth: 1, borderLeftColor: tones.line }}
        contentContainerStyle={{ paddingBottom: 20 }}
      >
        {side}
      </Scroll>
    </View>
  );
};
