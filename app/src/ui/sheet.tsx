import { mdiClose } from '@mdi/js';
import type { ReactNode } from 'react';
import { Modal, Pressable, useWindowDimensions, View } from 'react-native';
import { useBackCloses } from '../platform/back';
import { Sign } from './press';
import { Scroll } from './scroll';
import { useTones, WIDE } from './theme';
import { SlabBold } from './words';

/** A sheet from below on a phone, a panel in the middle when there is room. Closes by its sign, by Escape, by the phone's back and by a press outside. */
export const Sheet = ({
  title,
  closeLabel,
  onClose,
  children,
  footer,
  routed = false,
}: {
  title: string;
  closeLabel: string;
  onClose: () => void;
  children: ReactNode;
  footer?: ReactNode;
  /** It is open because the address says so. */
  routed?: boolean;
}) => {
  const tones = useTones();
  useBackCloses(onClose, routed);
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE;
  return (
    <Modal transparent visible onRequestClose={onClose} aria-label={title}>
      <View style={{ flex: 1, justifyContent: wide ? 'center' : 'flex-end', alignItems: 'center' }}>
        <Pressable
          aria-hidden
          tabIndex={-1}
          onPress={onClose}
          style={{ position: 'absolute', left: 0, right: 0, top: 0, bottom: 0, backgroundColor: 'rgba(10,16,14,0.55)' }}
        />
        <View
          style={{
            width: wide ? 640 : width,
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
            <Sign path={mdiClose} label={closeLabel} onPress={onClose} plain />
          </View>
          <Scroll style={{ flexGrow: 0, flexShrink: 1 }} contentContainerStyle={{ padding: 18, paddingTop: 6, gap: 14 }}>
            {children}
          </Scroll>
          {footer ? <View style={{ padding: 14, paddingTop: 6, gap: 10 }}>{footer}</View> : null}
        </View>
      </View>
    </Modal>
  );
};
