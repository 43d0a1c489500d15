import type { GestureResponderEvent } from 'react-native';

/**
 * Where on its target a press was, px from the left and the top. On the web a press is a click, whose place goes by
 * another name. @returns nothing for a press from the keyboard, which has no place
 */
export const pressedAt = (event: GestureResponderEvent): [number, number] | undefined => {
  const at = event.nativeEvent as unknown as {
    offsetX?: number;
    offsetY?: number;
    detail?: number;
    locationX?: number;
    locationY?: number;
  };
  const [x, y] = [at.offsetX ?? at.locationX, at.offsetY ?? at.locationY];
  return at.detail === 0 || x === undefined || y === undefined ? undefined : [x, y];
};
