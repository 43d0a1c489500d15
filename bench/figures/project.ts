import { randomUUID } from 'node:crypto';
import { type EventBody, type StoredHireEvent } from '@quay/core/record/event';
import { project as projectEvents } from '@quay/core/record/project';
import { type Figure, figure, quantile, timed } from '../figure';

const hex = (n: number, width: number) => n.toString(16).padStart(width, '0');

/** A record as long as a busy week makes it: counts with corrections, readings, marks, told points. */
export const manyEvents = (count: number, hire: string, deviceOf: (i: number) => string): StoredHireEvent[] => {
  const ids: string[] = [];
  const start = Date.parse('2026-06-13T08:00:00.000Z');
  return Array.from({ length: count }, (_, i): StoredHireEvent => {
    const id = `${hex(start + i * 1000, 12).replace(/(.{8})/, '$1-')}-7${hex(i % 4096, 3)}-8000-${hex(i, 12)}`;
    ids.push(id);
    const bodies: EventBody[] = [
      { kind: 'counted', walk: 'out', fitting: `fitting-${i % 300}`, count: i % 9, state: 'fine' },
      { kind: 'pointBriefed', walk: 'out', point: `point-${i % 200}`, how: 'said', language: 'en' },
      { kind: 'gaugeRead', walk: 'in', gauge: `gauge-${i % 40}`, shown: i },
      {
        kind: 'markPlaced',
        walk: 'out',
        mark: {
          id: `mark-${i}`,
          surface: `side-${i % 8}`,
          x: (i % 97) / 97,
          y: (i % 89) / 89,
          kind: 'scratch',
          sizeMm: 20 + (i % 60),
          photos: [],
        },
      },
    ];
    return {
      event: {
        id,
        v: 1,
        stream: hire,
        device: deviceOf(i),
        deviceSeq: i + 1,
        at: new Date(start + i * 1000).toISOString(),
        bookVersion: 1,
        replaces: i % 5 === 0 && i >= 1200 ? [ids[i - 1200]!] : [],
        body: bodies[i % 4]!,
      },
      actor: { id: 'bram', role: 'hand' },
      receivedAt: '2026-06-13T12:00:00.000Z',
      behindMs: 40,
    };
  });
};

/** Phones one after the other, each with no more than it may enter in one hire. @returns the one that makes the i-th event */
export const phonesInTurn = (): ((i: number) => string) => {
  const phones: string[] = [];
  return (i) => (phones[Math.floor(i / 4000)] ??= randomUUID());
};

export const project = async (): Promise<Figure[]> => {
  const events = manyEvents(2000, 'h-1001', () => 'd');
  const times: number[] = [];
  for (let i = 0; i < 60; i += 1) times.push(await timed(() => projectEvents(events)));
  // The first ones warm the engine up.
  return [figure('project 2,000 events, median', quantile(times.slice(10), 0.5), 'ms', 10)];
};
