/**
 * Where everything is tested the machine is busy, and how busy differs by the hour: what is waited for there is that something
 * comes, and not how soon. How soon is measured by the bench.
 */
const PATIENCE = process.env.CI === undefined ? 1 : 3;

/** A time to wait for what takes longer than most. @param ms on a machine that does nothing else @returns ms on this one */
export const patient = (ms: number): number => ms * PATIENCE;
