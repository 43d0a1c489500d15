import type { BoatChoice } from '@quay/contract/booking';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { NoAnswer, Refused } from '../../../local/api';
import { asked } from '../../../testing/living';
import { render } from '../../../testing/render';
import { NewHire } from './NewHire';
import { startOn, timesOf } from './newHireForm';

const mockCalls: { name: string; query?: Record<string, string>; body?: Record<string, unknown> }[] = [];
let mockAnswer: (name: string) => unknown;
jest.mock('../../../local/api', () => ({
  ...jest.requireActual<object>('../../../local/api'),
  call: (endpoint: { name: string }, given: object) => {
    // This phone is not told what it could book by without signal.
    if (endpoint.name === 'getWalkIns')
      return Promise.reject(new (jest.requireActual<{ NoAnswer: typeof NoAnswer }>('../../../local/api').NoAnswer)(''));
    mockCalls.push({ name: endpoint.name, ...given });
    return Promise.resolve().then(() => mockAnswer(endpoint.name));
  },
}));
const mockWent: string[] = [];
jest.mock('expo-router', () => ({
  useRouter: () => ({ replace: (to: string) => mockWent.push(to), setParams: () => undefined, push: () => undefined }),
  useLocalSearchParams: () => ({ day: '2099-06-20' }),
}));

const boat = (id: string, part: Partial<BoatChoice> = {}): BoatChoice => ({
  id,
  name: id,
  hullNumber: 'OS 1',
  people: 8,
  is: 'free',
  clashes: [],
  freeFrom: null,
  depositMinor: 25_000,
  ...part,
});
const taken = boat('Otter', {
  is: 'taken',
  clashes: [{ is: 'overlaps', minutes: 0, hire: 'h-1', renter: 'Piet', from: '2099-06-20T07:00:00.000Z', to: '2099-06-20T11:00:00.000Z' }],
  freeFrom: '2099-06-20T11:30:00.000Z',
});
const choices = {
  base: { id: 'quay', name: 'Quay', zone: 'Europe/Paris' },
  bases: [],
  currency: 'EUR',
  handover: 'staffedOut',
  turnaroundMinutes: 30,
  hours: { rule: 'note', faults: [], better: [] },
  languages: ['en', 'fr', 'de', 'es'],
  boats: [boat('Bun'), taken],
};
const booked = () => mockCalls.filter(({ name }) => name === 'bookHire').map(({ body }) => body!);

const open = async () => {
  render(asked(<NewHire />));
  await screen.findByTestId('boat-Bun');
};
const type = (field: string, text: string) => fireEvent.change(screen.getByTestId(field), { target: { value: text } });
const press = async (id: string) => {
  await act(async () => {
    fireEvent.click(screen.getByTestId(id));
    await Promise.resolve();
  });
};

beforeEach(() => {
  mockCalls.length = 0;
  mockWent.length = 0;
  mockAnswer = (name) => (name === 'getChoices' ? choices : {});
});

describe('a new hire', () => {
  it('is booked with a name: the free boat, four hours, as the quay hands over', async () => {
    await open();
    type('hire-renter', 'Orla Pinnock');
    await press('book-hire');
    await waitFor(() => expect(mockWent).toEqual([expect.stringMatching(/^\/hire\/h-[0-9a-f-]{36}\?show=link$/)]));
    expect(booked()).toEqual([
      expect.objectContaining({
        boat: 'Bun',
        renter: 'Orla Pinnock',
        from: '2099-06-20T08:00:00.000Z',
        to: '2099-06-20T12:00:00.000Z',
        handover: 'staffedOut',
        party: { adults: 2, children: 0 },
        depositMinor: 25_000,
      }),
    ]);
  });

  it('of nobody is not sent, and a number that is none is said at its field', async () => {
    await open();
    type('hire-contact', 'x');
    await press('book-hire');
    expect(await screen.findByText('Whoever hires the boat has a name.')).toBeTruthy();
    expect(screen.getByText('This is neither a number nor a mail address.')).toBeTruthy();
    expect(booked()).toEqual([]);
  });

  it('asks again for as many as come, and moves to when the chosen boat is free', async () => {
    await open();
    await press('hire-children-more');
    await waitFor(() => expect(mockCalls.at(-1)).toMatchObject({ name: 'getChoices', query: { people: '3' } }));
    await press('boat-Otter');
    expect(screen.getByText('Choose a free boat or time')).toBeTruthy();
    await press('move-Otter');
    await waitFor(() =>
      expect(mockCalls.at(-1)).toMatchObject({ query: { from: '2099-06-20T11:30:00.000Z', to: '2099-06-20T15:30:00.000Z' } }),
    );
  });

  it('with little time between is asked for once more, and what is chosen then is asked anew', async () => {
    await open();
    type('hire-renter', 'Orla');
    mockAnswer = (name) => {
      if (name === 'getChoices') return choices;
      throw new Refused({ type: 'about:blank', status: 409, code: 'boatTight', figures: { minutes: 15, needs: 30 } });
    };
    await press('book-hire');
    expect(await screen.findByText(/15 min, and 30 are wanted/)).toBeTruthy();
    await press('hours-2');
    await waitFor(() => expect(screen.queryByText(/15 min, and 30 are wanted/)).toBeNull());
    await press('hours-4');
    await press('book-hire');
    await waitFor(() => expect(booked().map(({ insist }) => insist)).toEqual([undefined, true]));
  });

  it('without signal keeps what was typed, and is sent under the same name', async () => {
    await open();
    type('hire-renter', 'Orla');
    mockAnswer = (name) => {
      if (name === 'getChoices') return choices;
      throw new NoAnswer('no way');
    };
    await press('book-hire');
    expect(await screen.findByText(/What you typed stays/)).toBeTruthy();
    mockAnswer = (name) => (name === 'getChoices' ? choices : {});
    await press('book-hire');
    await waitFor(() => expect(mockWent).toHaveLength(1));
    expect(new Set(booked().map(({ id }) => id)).size).toBe(1);
  });

  it('that had come through without an answer is gone to, however it was typed since', async () => {
    await open();
    type('hire-renter', 'Orla');
    mockAnswer = (name) => {
      if (name === 'getChoices') return choices;
      throw new Refused({ type: 'about:blank', status: 409, code: 'changedMeanwhile' });
    };
    await press('book-hire');
    await waitFor(() => expect(mockWent).toEqual([expect.stringMatching(/^\/hire\/h-[0-9a-f-]{36}$/)]));
  });

  it('takes a sum only where it is one', async () => {
    await open();
    type('hire-renter', 'Orla');
    await press('hire-more');
    type('hire-deposit', 'plenty');
    await press('book-hire');
    expect(booked()).toEqual([]);
    type('hire-deposit', '120,50');
    await press('book-hire');
    await waitFor(() => expect(booked()[0]).toMatchObject({ depositMinor: 12_050 }));
  });
});

describe('the hours of a new hire', () => {
  const ZONE = 'Europe/Paris';
  const typed = { date: '27/03/2027', clock: '10:00', hours: '24', backDate: '', backClock: '' };

  it('begin at the next five minutes today, and in the morning of another day', () => {
    const now = Date.parse('2027-03-27T08:01:00.000Z');
    expect(startOn(undefined, now, ZONE)).toEqual({ date: '27/03/2027', clock: '09:05' });
    expect(startOn('2027-03-26', now, ZONE)).toEqual({ date: '27/03/2027', clock: '09:05' });
    expect(startOn('2027-03-29', now, ZONE)).toEqual({ date: '29/03/2027', clock: '10:00' });
  });

  it('end at the same hour a day later, over a night on which clocks are changed', () => {
    expect(timesOf(typed, ZONE)).toEqual({ from: '2027-03-27T09:00:00.000Z', to: '2027-03-28T08:00:00.000Z' });
    expect(timesOf({ ...typed, hours: '8' }, ZONE)).toEqual({ from: '2027-03-27T09:00:00.000Z', to: '2027-03-27T17:00:00.000Z' });
  });

  it.each([
    ['no day', { date: '31/02/2027' }],
    ['no hour', { clock: '25:00' }],
    ['a return before the departure', { hours: '', backDate: '26/03/2027', backClock: '10:00' }],
    ['a return on no day', { hours: '', backDate: '', backClock: '10:00' }],
    ['a year', { hours: '', backDate: '27/03/2028', backClock: '10:00' }],
  ])('are none with %s', (_, part) => {
    expect(timesOf({ ...typed, ...part }, ZONE)).toBeUndefined();
  });
});
