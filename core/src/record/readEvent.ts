import equal from 'fast-deep-equal';
import { HireEvent } from './event';
import { upcast, type Read } from './upcast';

/** Reads any stored or received event as today's version, and checks that it fits. */
export const readEvent = (raw: unknown): Read => {
  const raised = upcast(raw);
  if (!raised.ok) return raised;
  const read = HireEvent.safeParse(raised.raw);
  // What no shape knows would be signed and stored without anybody ever seeing it.
  if (read.success && !equal(read.data, raised.raw))
    return { ok: false, reason: 'doesNotFit', detail: 'it says more than is known of its kind' };
  if (read.success) return { ok: true, event: read.data };
  const issue = read.error.issues[0];
  const unknownKind = issue?.code === 'invalid_union' && issue.path.join('.') === 'body.kind';
  return {
    ok: false,
    reason: unknownKind ? 'unknownKind' : 'doesNotFit',
    detail: `${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`,
  };
};
