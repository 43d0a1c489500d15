import { depthAt } from '@quay/core/docking/contact';
import { STEP_S } from '@quay/core/docking/motion';
import {
  advance,
  beginGo,
  cutLog,
  type Entry,
  type Go,
  heldAt,
  IDLE,
  replay,
  review,
  speedOver,
  steersNow,
} from '@quay/core/docking/practice';
import { type World, worldOf } from '@quay/core/docking/tasks';
import type { Order, Shown } from './dockingProtocol';

/**
 * Where the boat moves: fixed steps, as many as the clock asks for, whatever the page has to draw. A page that cannot keep
 * up draws fewer of them.
 */

const TICK_MS = 1000 / 60;
/** A phone that slept meanwhile has not sailed on for an hour. */
const MOST_STEPS = 15;

let world: World | undefined;
let log: Entry[] = [];
let go: Go | undefined;
/** The furthest there is a log for. */
let last: Go | undefined;
let running = false;
let before = 0;
/** Time that has passed and is not yet a whole step, s. */
let owed = 0;

const show = () => {
  if (!world || !go || !last) return;
  const depth = depthAt(world.around, [go.at.x, go.at.y]);
  const shown: Shown = {
    step: go.step,
    last: last.step,
    at: go.at,
    rudder: go.rudder,
    hands: heldAt(log, go.step),
    speedMs: speedOver(world, go.at),
    underM: depth === undefined ? undefined : depth - world.hull.draftM,
    steers: steersNow(world, go.at, heldAt(log, go.step)),
    heldS: go.held * STEP_S,
    holdS: world.goal.holdS,
    running,
    ended: go.ended !== undefined,
    hardestMs: go.hardestMs,
    review: go.ended === undefined ? undefined : review(world, go),
  };
  postMessage(shown);
};

const tick = () => {
  if (!running || !world || !go) return;
  const now = performance.now();
  owed += (now - before) / 1000;
  before = now;
  let steps = Math.floor(owed / STEP_S);
  owed -= steps * STEP_S;
  steps = Math.min(MOST_STEPS, steps);
  for (let i = 0; i < steps && !go.ended; i += 1) go = advance(world, go, log);
  last = go;
  if (go.ended) running = false;
  if (steps > 0) show();
};
setInterval(tick, TICK_MS);

onmessage = ({ data: order }: MessageEvent<Order>) => {
  switch (order.is) {
    case 'begin':
      world = worldOf(order.task, order.hull, order.weather, order.now);
      log = [];
      go = beginGo(world);
      last = go;
      running = false;
      break;
    case 'run':
      if (go?.ended) break;
      running = true;
      before = performance.now();
      owed = 0;
      break;
    case 'pause':
      running = false;
      break;
    case 'hands':
      if (go && running) log = [...cutLog(log, go.step), { ...order.hands, step: go.step }];
      break;
    case 'look':
      running = false;
      if (world && last) go = replay(world, log, Math.max(0, Math.min(last.step, order.step)));
      break;
    case 'goOnFromHere':
      if (!world || !go) break;
      // What the hands held at that moment they hold again; an end that was reached is undone with it.
      log = [...cutLog(log, go.step + 1)];
      if (log.length === 0) log = [{ ...IDLE, step: 0 }];
      last = go;
      break;
  }
  show();
};
