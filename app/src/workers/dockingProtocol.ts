import type { HullFigures } from '@quay/core/docking/hull';
import type { Afloat } from '@quay/core/docking/motion';
import type { Conditions } from '@quay/core/docking/place';
import type { Hands, Review } from '@quay/core/docking/practice';
import type { TaskName, WeatherChoice } from '@quay/core/docking/names';

/** What is told to the thread that the boat moves in. */
export type Order =
  | { is: 'begin'; task: TaskName; hull: HullFigures; weather: WeatherChoice; now: Conditions | undefined }
  | { is: 'run' | 'pause' }
  | { is: 'hands'; hands: Hands }
  /** Shows how it was at a step; what came after it is not lost before she goes on from there. */
  | { is: 'look'; step: number }
  | { is: 'goOnFromHere' };

/** What is seen at a step. */
export type Shown = {
  step: number;
  /** How far it has gone at all, for looking back. */
  last: number;
  at: Afloat;
  rudder: number;
  hands: Hands;
  speedMs: number;
  /** Water under her middle; nothing where the bottom plays no part. */
  underM: number | undefined;
  /** Whether the helm does anything now. */
  steers: boolean;
  heldS: number;
  holdS: number;
  running: boolean;
  ended: boolean;
  hardestMs: number | undefined;
  review: Review | undefined;
};
