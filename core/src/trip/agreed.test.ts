import { recordOf } from '../testing/demoHire';
import { agreedPlan, canalToKeep, dayToKeep, samePlan } from './agreed';
import { type AgreedPlan, planAgreed } from './events';

const home = (by: string, to?: string): AgreedPlan => ({
  is: 'day',
  aim: 'home',
  by: `2026-06-13T${by}:00.000Z`,
  binds: 'due',
  weather: 'forecast',
  ...(to === undefined ? {} : { to }),
});

describe('the plan that is agreed on', () => {
  it('is the last one', () => {
    expect(agreedPlan(recordOf())).toBeUndefined();
    const record = recordOf({ kind: 'planAgreed', plan: home('14:00') }, { kind: 'planAgreed', plan: home('13:30', 'Gull Rock') });
    expect(agreedPlan(record)!.plan).toEqual(home('13:30', 'Gull Rock'));
    expect(record.conflicts).toEqual([]);
  });

  it('is kept to the minute before, and not at all where one would have to leave before one is there', () => {
    const leaveMs = Date.parse('2026-06-13T14:07:59.000Z');
    const kept = dayToKeep({ arriveMs: leaveMs - 1, leaveMs, binds: 'dark' }, { aim: 'home' }, { from: 'none' }, undefined);
    expect(kept).toEqual({ is: 'day', aim: 'home', by: '2026-06-13T14:07:00.000Z', binds: 'dark', weather: 'none' });
    expect(planAgreed.schema.safeParse({ kind: 'planAgreed', plan: kept }).success).toBe(true);
    expect(dayToKeep({ arriveMs: leaveMs + 1, leaveMs, binds: 'dark' }, { aim: 'home' }, { from: 'none' }, 'x')).toBeUndefined();
  });

  it('has the nights of a canal, and none of what cannot be had', () => {
    expect(canalToKeep({ is: 'none' })).toBeUndefined();
    const stop = { id: 'm', name: 'Willow bank', kind: 'mooring' as const, alongM: 1, hours: undefined };
    const day = { leaveMs: 0, arriveMs: 0, underWayMs: 0, fromM: 0, turns: undefined, passed: [], serves: [] };
    const days = [
      { ...day, day: '2026-06-13', night: stop },
      { ...day, day: '2026-06-14', night: undefined },
    ];
    expect(canalToKeep({ is: 'plan', turn: { ...stop, name: 'Applefold' }, days })).toEqual({
      is: 'canal',
      turn: 'Applefold',
      days: [{ day: '2026-06-13', night: 'Willow bank' }, { day: '2026-06-14' }],
    });
  });

  it('is the same one within ten minutes, to the same place; another night is another plan', () => {
    expect(samePlan(home('14:00'), home('14:10'))).toBe(true);
    expect(samePlan(home('14:00'), home('14:11'))).toBe(false);
    expect(samePlan(home('14:00'), home('14:00', 'Gull Rock'))).toBe(false);
    const canal = (night: string): AgreedPlan => ({ is: 'canal', turn: 'A', days: [{ day: '2026-06-13', night }] });
    expect(samePlan(canal('a'), canal('a'))).toBe(true);
    expect(samePlan(canal('a'), canal('b'))).toBe(false);
    expect(samePlan(canal('a'), home('14:00'))).toBe(false);
  });

  it('comes from hostile hands bounded, or not at all', () => {
    const days = Array.from({ length: 63 }, () => ({ day: '2026-06-13' }));
    expect(planAgreed.schema.safeParse({ kind: 'planAgreed', plan: { is: 'canal', turn: 'A', days } }).success).toBe(false);
    expect(planAgreed.schema.safeParse({ kind: 'planAgreed', plan: { ...home('14:00'), by: '2026-02-31T14:00:00.000Z' } }).success).toBe(
      false,
    );
  });
});
