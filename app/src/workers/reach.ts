import { reachOutline } from '@quay/core/trip/reach/outline';
import { type Turn, turnRound } from '@quay/core/trip/reach/turnRound';
import { waterGrid } from '@quay/core/trip/reach/waterGrid';
import { sheetOf } from '@quay/core/waters/sheet';
import type { Asked, Day, Reach, Said } from './reachProtocol';

/** The last day that was reckoned: wishes are looked up in it. */
let turn: Turn | undefined;

const reckon = ({ waters, draftM, leastWaterM, ...day }: Day): Reach => {
  turn = undefined;
  const sheet = sheetOf(waters);
  const grid = sheet && waterGrid(sheet, { draftM, waterM: leastWaterM });
  if (!grid) return { is: 'noShore' };
  turn = turnRound({ grid, ...day });
  return turn.is === 'known' ? { is: 'known', outline: reachOutline(turn), here: turn.here } : turn;
};

onmessage = ({ data: asked }: MessageEvent<Asked>) => {
  const { id } = asked;
  const say = (said: Said) => postMessage(said);
  try {
    if (asked.ask === 'day') say({ id, ok: true, reach: reckon(asked.day) });
    else say({ id, ok: true, stay: turn?.is === 'known' ? turn.at(asked.wish) : undefined });
  } catch (error) {
    say({ id, ok: false, why: (error as Error).message });
  }
};
