/** What a panel lets hear. */
export type Heard =
  | 'beep'
  | 'alarm'
  | 'runs'
  | 'works'
  | 'races'
  | 'rough'
  | 'cranks'
  | 'slow'
  | 'grind'
  | 'grinds'
  | 'growls'
  | 'clicks'
  | 'stalled'
  | 'thruster';

/** Nothing is heard where nobody wrote the sounds for the platform yet. */
export const sound = (_heard: readonly Heard[]): void => undefined;
export const quiet = (): void => undefined;
