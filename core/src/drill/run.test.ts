import canal from '../../../starters/classes/canal-12.json';
import { Drill } from '../fleet/drills';
import { machineOf } from './machine';
import { beginRun, isEnded, type Mode, mistakesOf, namedWait, type Run, runOn } from './run';

const drill = (id: string) => Drill.parse((canal.drills as { id: string }[]).find((one) => one.id === id));
const diesel = machineOf(drill('canal-diesel'), 'warm');
/** Plays moves such as `key>run`, or waits such as `3`, from a run on. */
const play = (machine: typeof diesel, moves: string, mode: Mode = 'own', from: Run = beginRun(machine)): Run =>
  moves.split(' ').reduce((run, move) => {
    const [control = '', to] = move.split('>');
    return to === undefined ? runOn(machine, run, undefined, Number(move), mode) : runOn(machine, run, { control, to }, 0, mode);
  }, from);
const STARTED = 'isolator>on stop>home clutch>out lever>a-little key>run key>start 3 key>run 2 look>looked lever>idle clutch>in';

describe('a go at a drill', () => {
  it('ticks its goals off one after the other, and ends with the last', () => {
    // The second goal holds at the very beginning but for the knob; it does not count before the first.
    const begun = play(diesel, 'stop>home');
    expect(begun.reached).toBe(0);
    const started = play(diesel, STARTED);
    expect([started.reached, isEnded(diesel, started)]).toEqual([1, false]);
    const stopped = play(diesel, 'stop>pulled key>off stop>home', 'own', started);
    expect([stopped.reached, isEnded(diesel, stopped), stopped.seconds]).toEqual([2, true, 5]);
  });

  it('counts mistakes and not notes, and shows a lesson until the next move', () => {
    const run = play(diesel, 'look>looked isolator>on key>run key>start');
    expect([run.learnt.map(({ id }) => id), mistakesOf(run).map(({ id }) => id)]).toEqual([
      ['looked-too-soon', 'clutch-in'],
      ['clutch-in'],
    ]);
    expect(runOn(diesel, run, undefined, 1, 'own').last?.id).toBe('clutch-in');
    expect(play(diesel, 'key>run', 'own', run).last).toBeUndefined();
  });

  it('remembers the most help that any move was made with; time that passes is no help', () => {
    expect(play(diesel, '5', 'shown').helped).toBe('own');
    const hinted = play(diesel, 'isolator>on', 'hints');
    expect(play(diesel, 'stop>home', 'own', hinted).helped).toBe('hints');
    expect(play(diesel, 'stop>home', 'shown', hinted).helped).toBe('shown');
  });

  it('is over when something is broken, whatever goals are left', () => {
    const hatch = machineOf(drill('weed-hatch'));
    const run = play(hatch, 'clamp>hand-tight clamp>loose hatch>open');
    expect([isEnded(hatch, run), run.last?.id]).toEqual([true, 'open-running']);
  });

  it('knows the wait for a clock that has a name, and none for a key that is held', () => {
    const cold = machineOf(drill('canal-diesel'));
    expect(namedWait(cold, play(cold, 'isolator>on key>heat 5').state)).toBe(7);
    expect(namedWait(diesel, play(diesel, 'isolator>on stop>home clutch>out lever>idle key>run key>start').state)).toBeUndefined();
  });
});
