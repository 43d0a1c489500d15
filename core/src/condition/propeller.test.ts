import { bladesToShow, evidenceStateOf } from './propeller';

describe('a propeller', () => {
  it('with a flaw up to the limit goes on, over it waits for a manager', () => {
    const limit = { limitMm: 4 };
    expect([0.5, 4, 4.1, 30].map((flawMm) => evidenceStateOf({ flawMm }, limit))).toEqual([
      'flawWithinLimit',
      'flawWithinLimit',
      'flawOverLimit',
      'flawOverLimit',
    ]);
    expect(evidenceStateOf({ flawMm: 1 }, { limitMm: 0 })).toBe('flawOverLimit');
    expect(evidenceStateOf('sound', limit)).toBe('sound');
    expect(evidenceStateOf('notSeen', limit)).toBe('notSeen');
  });
  it('is shown blade by blade only where the leg comes up', () => {
    expect(bladesToShow({ evidence: 'legUp', blades: 3 })).toBe(3);
    expect(bladesToShow({ evidence: 'legUp' })).toBe(0);
    expect(bladesToShow({ evidence: 'feltThroughHatch', blades: 3 })).toBe(0);
  });
});
