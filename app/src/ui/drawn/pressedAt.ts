import type { GestureResponderEvent } from 'react-native';

/**
 * Where on its target a press was, px from the left and the top. On the web a press is a click, whose place goes by
 * another name. @returns nothing for a press from the keyboard, which has no place
 */
export const pressedAt = (event: GestureResponderEvent): [number, number] | undefined => {
  const at: Partial<GestureResponderEvent['nativeEvent']> & { offsetX?: number; offsetY?: number; detail?: number } = event.nativeEvent;
  const [x, y] = [at.offsetX ?? at.locationX, at.offsetY ?? at.locationY];
  return at.detail === 0 || x === undefined || y === undefined ? undefined : [x, y];
};
