import { createContext, type ReactNode, useContext, useMemo } from 'react';
import { useWindowDimensions } from 'react-native';
import { WIDE } from './theme';

type Room = { width: number; height: number };

const RoomContext = createContext<Room | undefined>(undefined);

/** How much room a page has: the window without what stands beside it, px. `wide` says whether this is a desk, whatever part of it is ours. */
export const useRoom = (): Room & { wide: boolean } => {
  const window = useWindowDimensions();
  const room = useContext(RoomContext);
  return { width: room?.width ?? window.width, height: room?.height ?? window.height, wide: window.width >= WIDE };
};

/** Takes something off the room of what lies in it, px. */
export const Less = ({ width = 0, height = 0, children }: { width?: number; height?: number; children: ReactNode }) => {
  const room = useRoom();
  const left = useMemo(
    () => ({ width: Math.max(0, room.width - width), height: Math.max(0, room.height - height) }),
    [room.width, room.height, width, height],
  );
  return <RoomContext.Provider value={left}>{children}</RoomContext.Provider>;
};
