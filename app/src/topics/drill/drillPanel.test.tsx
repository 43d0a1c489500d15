import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import type { EventBody } from '@quay/core/record/event';
import '../../i18n';
import * as browser from '../../platform/browser';
import * as engine from '../../platform/engineSound';
import { pack } from '../../testing/view';
import { DrillPanel } from './DrillPanel';
import { render } from '../../testing/render';

jest.mock('../../platform/browser', () => ({ rememberChoice: jest.fn(), rememberedChoice: jest.fn() }));
jest.mock('../../platform/engineSound', () => ({ quiet: jest.fn(), sound: jest.fn() }));

type Done = Extract<EventBody, { kind: 'drillDone' }>;
const drills = pack.book.drills;
const START = drills.find(({ id }) => id === 'outboard-start')!;

beforeEach(() => {
  jest.useFakeTimers({ now: Date.parse('2026-06-13T08:30:00.000Z') });
  jest.mocked(browser.rememberedChoice).mockReturnValue(undefined);
});
afterEach(() => {
  jest.useRealTimers();
  jest.clearAllMocks();
});

const show = (drill = START) => {
  const done: Done[] = [];
  const back = jest.fn();
  render(
    <DrillPanel
      drill={drill}
      boat="Tuppenny Bun"
      prices={pack.prices}
      onBack={back}
      onDone={(body) => {
        done.push(body);
        return Promise.resolve();
      }}
    />,
  );
  return { done, back };
};
const pass = (seconds: number) => act(() => jest.advanceTimersByTime(seconds * 1000));
const press = (id: string) => fireEvent.click(screen.getByTestId(id));
const checked = (id: string) => screen.getByTestId(id).getAttribute('aria-checked') === 'true';
const alone = () => press('mode-own');

describe('a drill', () => {
  it.each(drills.map((drill) => [drill.id, drill] as const))(
    '%s shown by itself is gone through to its end, and kept once as shown',
    (_, drill) => {
      const { done, back } = show(drill);
      press('mode-shown');
      for (let i = 0; i < 400 && screen.queryByTestId('drill-passed') === null; i += 1) pass(2);
      expect(screen.getByTestId('drill-passed')).toBeTruthy();
      expect(done).toMatchObject([{ kind: 'drillDone', drill: drill.id, how: 'shown', by: 'driver', mistakes: [] }]);
      pass(30);
      expect(done).toHaveLength(1);
      press('drill-done');
      expect(back).toHaveBeenCalledTimes(1);
    },
  );

  it('says what a wrong move does, and what it would cost on the water', () => {
    show();
    alone();
    press('move-key-run');
    expect(screen.getByTestId('lesson-no-power')).toBeTruthy();
    press('move-isolator');
    expect(screen.getByLabelText('Battery switch: on')).toBeTruthy();
    press('move-key-start');
    expect(screen.getByTestId('lesson-in-gear')).toBeTruthy();
    press('move-key-start');
    press('move-cord');
    press('move-lever-neutral');
    press('move-key-start');
    // Held until the starter is too hot.
    pass(9);
    expect(screen.getByTestId('lesson-long-crank')).toBeTruthy();
  });

  it('begun anew is as it was at first, and what went wrong before is not held against anybody', () => {
    const { done } = show();
    alone();
    press('move-key-run');
    press('move-key-start');
    press('drill-again');
    expect(screen.queryByTestId('lesson-no-power')).toBeNull();
    expect(checked('move-key-off')).toBe(true);
    press('mode-shown');
    for (let i = 0; i < 400 && done.length === 0; i += 1) pass(2);
    expect(done[0]!.mistakes).toEqual([]);
  });

  it('keeps the mistakes that were made on the way, and that somebody was helped', () => {
    const { done } = show();
    press('by-lookout');
    alone();
    press('move-key-run');
    press('mode-shown');
    for (let i = 0; i < 400 && done.length === 0; i += 1) pass(2);
    expect(done).toMatchObject([{ how: 'shown', by: 'lookout', mistakes: ['no-power'] }]);
  });

  it('tells what leads on unless somebody wants to find it out', () => {
    show();
    pass(1);
    expect(screen.getByTestId('drill-hint')).toBeTruthy();
    alone();
    expect(screen.queryByTestId('drill-hint')).toBeNull();
  });
});

describe('what springs back', () => {
  const start = () => screen.getByTestId('move-key-start');
  /** The finger comes down; the browser waits a moment whether it means to scroll. */
  const down = () => {
    fireEvent.mouseDown(start(), { buttons: 1 });
    pass(0.06);
  };

  it('stays as long as it is held, and lets go at the end of a long press', () => {
    show();
    alone();
    press('move-key-run');
    down();
    expect(checked('move-key-start')).toBe(true);
    pass(1);
    fireEvent.mouseUp(start());
    expect(checked('move-key-start')).toBe(false);
    expect(checked('move-key-run')).toBe(true);
  });

  it('tapped stays held until it is tapped again, for whoever cannot hold it', () => {
    show();
    alone();
    press('move-key-run');
    const tap = () => {
      down();
      pass(0.1);
      fireEvent.mouseUp(start());
      fireEvent.click(start());
    };
    tap();
    expect(checked('move-key-start')).toBe(true);
    tap();
    expect(checked('move-key-start')).toBe(false);
  });

  it('is pressed and let go by a press that has no length, as a screen reader makes it', () => {
    show();
    alone();
    press('move-key-run');
    press('move-key-start');
    expect(checked('move-key-start')).toBe(true);
    press('move-key-start');
    expect(checked('move-key-start')).toBe(false);
  });
});

describe('its sound', () => {
  it('is silenced by a press, and that is remembered', () => {
    show();
    press('drill-sound');
    expect(browser.rememberChoice).toHaveBeenCalledWith('drillSound', 'off');
    expect(jest.mocked(engine.sound).mock.lastCall).toEqual([[]]);
    cleanup();
    expect(engine.quiet).toHaveBeenCalled();
    jest.mocked(browser.rememberedChoice).mockReturnValue('off');
    show();
    press('drill-sound');
    expect(browser.rememberChoice).toHaveBeenLastCalledWith('drillSound', 'on');
  });
});
