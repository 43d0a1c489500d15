import type { DrillFault } from '@quay/core/drill/explore';

/** What a page asks of the thread that goes through drills, and what it is told. */
export type Asked = { asked: number; drill: unknown };
export type Examined = { asked: number; states: number; faults: readonly DrillFault[] };
