import { mdiClose } from '@mdi/js';
import type { ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { Modal, Portal } from 'react-native-paper';
import { Sign } from './press';
import { TonesContext, useTones, WIDE } from './theme';
import { SlabBold } from './words';

/** A sheet from below on a phone, a panel in the middle when there is room. Closes by its sign, by Escape and by a press outside. */
export const Sheet = ({
  title,
  closeLabel,
  onClose,
  children,
  footer,
}: {
  title: string;
  closeLabel: string;
  onClose: () => void;
  children: ReactNode;
  footer?: ReactNode;
}) => {
  const tones = useTones();
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE;
  return (
    <Portal>
      <TonesContext.Provider value={tones}>
        <Modal
          visible
          onDismiss={onClose}
          style={{ justifyContent: wide ? 'center' : 'flex-end', marginTop: 0, marginBottom: 0 }}
          contentContainerStyle={{
            alignSelf: 'center',
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
          <View role="dialog" aria-modal aria-label={title} style={{ flexShrink: 1 }}>
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
            <ScrollView style={{ flexShrink: 1 }} contentContainerStyle={{ padding: 18, paddingTop: 6, gap: 14 }}>
              {children}
            </ScrollView>
            {footer ? <View style={{ padding: 14, paddingTop: 6, gap: 10 }}>{footer}</View> : null}
          </View>
        </Modal>
      </TonesContext.Provider>
    </Portal>
  );
};
