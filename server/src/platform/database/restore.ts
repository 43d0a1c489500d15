import { existsSync, readFileSync, renameSync } from 'node:fs';
import { join } from 'node:path';

/** In the data folder while a quay runs on it: who that is. */
export const PID_FILE = 'quay.pid';

/** Where a restore lays what is to take the place of the data folder. */
export const restoredBeside = (data: string): string => `${data}.restored`;

/** What a process was started as, where the system tells. */
const startedAs = (pid: number): string | undefined => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8');
  } catch {
    return undefined;
  }
};

/**
 * The quay that runs on a data folder, if one does. One that was killed leaves its number behind, and somebody else's
 * program may have it by now: that one is left in peace.
 */
export const runningOn = (data: string): number | undefined => {
  const file = join(data, PID_FILE);
  const pid = existsSync(file) ? Number(readFileSync(file, 'utf8')) : NaN;
  if (!Number.isInteger(pid) || pid <= 0) return undefined;
  try {
    process.kill(pid, 0);
    return /quay/.test(startedAs(pid) ?? 'quay') ? pid : undefined;
  } catch {
    return undefined;
  }
};

/** Swaps the restored data in. What was there is set aside, not deleted. @returns where it lies now */
export const putRestoredInPlace = (data: string): string | undefined => {
  const fresh = restoredBeside(data);
  if (!existsSync(fresh)) return undefined;
  const aside = `${data}.before-${new Date().toISOString().replace(/[:.]/g, '-')}`;
  const was = existsSync(data);
  if (was) renameSync(data, aside);
  renameSync(fresh, data);
  return was ? aside : undefined;
};
