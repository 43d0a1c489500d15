import { mdiClose } from '@mdi/js';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import { Modal } from 'react-native-paper';
import { useBackCloses } from '../../platform/back';
import { OverBody } from '../../platform/overBody';
import { IconButton } from './button';
import { Scroll } from '../scroll';
import { useTones, WIDE } from '../theme';
import { SlabBold } from '../words';

/** Shares of the two sides of a sheet that has something beside it, and the most it is wide, px. */
const [BESIDE, MOST_WIDE] = [[1.2, 1], 1180] as const;
const besideWidth = (window: number): number => Math.min(MOST_WIDE, window - 80);
/** Room of the left of them for what lies in it, px. @param window its width */
export const roomBeside = (window: number): number => Math.round((besideWidth(window) * BESIDE[0]) / (BESIDE[0] + BESIDE[1])) - 36;

/** A sheet from below on a phone, a panel in the middle when there is room. Closes by its sign, by Escape, by the phone's back and by a press outside. */
export const ModalSheet = ({
  title,
  closeLabel,
  onClose,
  children,
  footer,
  routed = false,
  list = false,
  broad = false,
  beside,
}: {
  title: string;
  closeLabel: string;
  onClose: () => void;
  children: ReactNode;
  footer?: ReactNode;
  /** It is open because the address says so. */
  routed?: boolean;
  /** What lies in it is a list that scrolls by itself. */
  list?: boolean;
  /** What lies in it is wide: on a desk it takes the room of two sides. */
  broad?: boolean;
  /** What stands beside it on a desk, with a scroll of its own, and under it on a phone. */
  beside?: ReactNode;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  useBackCloses(onClose, routed);
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE;
  return (
    <OverBody label={title} onClose={onClose}>
      <Modal
        visible
        onDismiss={onClose}
        overlayAccessibilityLabel={t('common.back')}
        style={{ justifyContent: wide ? 'center' : 'flex-end', alignItems: 'center', marginTop: 0, marginBottom: 0 }}
        contentContainerStyle={{ boxShadow: 'none' }}
      >
        <View
          style={{
            width: !wide ? width : beside || broad ? besideWidth(width) : 640,
            maxHeight: height - (wide ? 60 : 24),
            backgroundColor: tones.ground,
            borderTopLeftRadius: 20,
            borderTopRightRadius: 20,
            borderBottomLeftRadius: wide ? 20 : 0,
            borderBottomRightRadius: wide ? 20 : 0,
            overflow: 'hidden',
          }}
        >
          <View
            style={{
              flexDirection: 'row',
              alignItems: 'center',
              justifyContent: 'space-between',
              paddingLeft: 18,
              paddingRight: 8,
              paddingTop: 8,
            }}
          >
            <SlabBold size={24} heading={2} style={{ flex: 1 }}>
              {title}
            </SlabBold>
            <IconButton path={mdiClose} label={closeLabel} onPress={onClose} plain />
          </View>
          {list ? (
            <View style={{ height: Math.round(height * 0.72) }}>{children}</View>
          ) : wide && beside ? (
            <View style={{ flexDirection: 'row', flexShrink: 1, minHeight: 0 }}>
              <Scroll style={{ flex: BESIDE[0] }} contentContainerStyle={{ padding: 18, paddingTop: 6, gap: 14 }}>
                {children}
              </Scroll>
              <Scroll style={{ flex: BESIDE[1] }} contentContainerStyle={{ padding: 18, paddingTop: 6, gap: 14 }}>
                {beside}
              </Scroll>
            </View>
          ) : (
            <Scroll style={{ flexGrow: 0, flexShrink: 1 }} contentContainerStyle={{ padding: 18, paddingTop: 6, gap: 14 }}>
              {children}
              {beside}
            </Scroll>
          )}
          {footer ? <View style={{ padding: 14, paddingTop: 6, gap: 10 }}>{footer}</View> : null}
        </View>
      </Modal>
    </OverBody>
  );
};
