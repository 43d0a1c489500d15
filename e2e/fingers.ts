import type { Page } from '@playwright/test';

type Spot = { x: number; y: number };

/** Fingers on the glass, which a mouse is not: several at once. Each call says where all of them are now. */
export const fingersOn = async (page: Page) => {
  const session = await page.context().newCDPSession(page);
  const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', spots: readonly Spot[]) =>
    session.send('Input.dispatchTouchEvent', { type, touchPoints: spots.map(({ x, y }, id) => ({ x, y, id })) });
  return {
    down: (...spots: Spot[]) => send('touchStart', spots),
    /** Those that are down go on a straight way, in steps as a hand does. */
    move: async (from: readonly Spot[], to: readonly Spot[], steps = 8) => {
      for (let i = 1; i <= steps; i += 1)
        await send(
          'touchMove',
          from.map(({ x, y }, id) => ({ x: x + ((to[id]!.x - x) * i) / steps, y: y + ((to[id]!.y - y) * i) / steps })),
        );
    },
    /** All are lifted but those still said. */
    up: (...left: Spot[]) => send('touchEnd', left),
  };
};
