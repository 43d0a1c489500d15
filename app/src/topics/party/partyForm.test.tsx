import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { Person } from '@quay/core/party/people';
import '../../i18n';
import { pack } from '../../testing/view';
import { PartyForm } from './PartyForm';
import { render } from '../../testing/render';

jest.mock('../../platform/browser', () => ({
  ...jest.requireActual<object>('../../platform/browser'),
  bringIntoView: jest.fn(),
  rememberedChoice: jest.fn(),
}));

const MIA: Person = { id: 'p1', name: 'Mia', age: 34, massKg: 62, swims: 'well' };
const TOM: Person = { id: 'p2', name: 'Tom', age: 6, size: 'child', swims: 'not' };

const show = ({ people, booked = 2, plate = 6, rules = pack.rules }: Partial<Parameters<typeof PartyForm>[0]> = {}) => {
  const kept: Person[][] = [];
  let end: () => void = () => undefined;
  const keep = (party: Person[]) => {
    kept.push(party);
    return new Promise<void>((done) => (end = done));
  };
  render(<PartyForm people={people} booked={booked} rules={rules} plate={plate} onKeep={keep} />);
  return { kept, end: () => act(() => end()) };
};
const type = (id: string, text: string) => fireEvent.change(screen.getByTestId(id), { target: { value: text } });
/** Presses, and waits for what a form does about it. */
const press = (id: string) =>
  act(async () => {
    fireEvent.click(screen.getByTestId(id));
    await new Promise((done) => setTimeout(done));
  });

describe('who is aboard', () => {
  it('has a card for everyone who is booked, the first of them open, and goes on to the next', async () => {
    const { kept, end } = show();
    expect(screen.getByTestId('person-p2')).toBeTruthy();
    type('name-p1', ' Mia ');
    type('age-p1', '34');
    type('mass-p1', '62,5');
    await press('swims-well');
    await press('next-person');
    type('age-p2', '70');
    await press('swims-not');
    type('mass-p2', '80');
    await press('keep-party');
    expect(kept).toEqual([
      [
        { id: 'p1', name: 'Mia', age: 34, massKg: 62.5, swims: 'well' },
        { id: 'p2', name: '', age: 70, massKg: 80, swims: 'not' },
      ],
    ]);
    // As long as it is being kept it is not kept again.
    await press('keep-party');
    expect(kept).toHaveLength(1);
    end();
    await waitFor(() => expect(screen.getByTestId('keep-party')).toBeEnabled());
  });

  it('keeps nothing while somebody is not told fully, and opens the first of them with what is wrong at its field', async () => {
    const { kept } = show({ people: [MIA, TOM] });
    await press('person-p2');
    type('age-p2', '600');
    await press('person-p1');
    await press('keep-party');
    expect(kept).toEqual([]);
    expect(screen.getByTestId('age-p2')).toBeTruthy();
    expect(screen.getByText(/Years/i)).toBeTruthy();
    type('age-p2', '6');
    await press('keep-party');
    expect(kept).toEqual([[MIA, TOM]]);
  });

  it('takes nobody to swim before it was said, and says whose card wants what', async () => {
    const { kept } = show({ people: undefined, booked: 1 });
    type('name-p1', 'Mia');
    type('age-p1', '34');
    type('mass-p1', '62');
    await press('keep-party');
    expect(kept).toEqual([]);
    expect(screen.getByText('Say how they swim: jackets hang on it.')).toBeTruthy();
    expect(screen.getByText('Not saved yet: look at Mia')).toBeTruthy();
    await press('swims-weakly');
    await press('keep-party');
    expect(kept).toEqual([[{ ...MIA, swims: 'weakly' }]]);
  });

  it.each(['abc', '-3', '4.5', '121'])('takes no age of %s', async (age) => {
    const { kept } = show({ people: [MIA] });
    await press('person-p1');
    type('age-p1', age);
    await press('keep-party');
    expect(kept).toEqual([]);
  });

  it.each(['0', '400', 'heavy'])('takes no mass of %s, and does not silently take a size instead', async (mass) => {
    const { kept } = show({ people: [MIA] });
    await press('person-p1');
    type('mass-p1', mass);
    await press('keep-party');
    expect(kept).toEqual([]);
    expect(screen.queryByTestId('size-child')).toBeNull();
  });

  it('without a mass takes a size that the age suggests, or the one that is chosen', async () => {
    const { kept } = show({ people: [MIA] });
    await press('person-p1');
    type('mass-p1', '');
    type('age-p1', '6');
    await press('size-youth');
    await press('keep-party');
    expect(kept).toEqual([[{ id: 'p1', name: 'Mia', age: 6, size: 'youth', swims: 'well' }]]);
  });

  it('grows by whoever comes along, shrinks by whoever does not, and never to nobody; too many for the plate are named', async () => {
    const { kept } = show({ people: [MIA], plate: 1 });
    expect(screen.queryByTestId('remove-p1')).toBeNull();
    await press('add-person');
    expect(screen.getByText(/2.*1/)).toBeTruthy();
    await press('remove-p2');
    expect(screen.queryByTestId('age-p2')).toBeNull();
    await press('keep-party');
    expect(kept).toEqual([[MIA]]);
  });

  it('asks for a licence only of whoever drives, and only where the water asks for one', async () => {
    const free = { ...pack.rules!, driver: { ...pack.rules!.driver, licence: false } } as typeof pack.rules;
    const bound = { ...pack.rules!, driver: { ...pack.rules!.driver, licence: true } } as typeof pack.rules;
    show({ people: [MIA], rules: bound });
    await press('person-p1');
    expect(screen.queryByTestId('licence-p1')).toBeNull();
    fireEvent.click(screen.getByTestId('drives-p1'));
    expect(screen.getByTestId('licence-p1')).toBeTruthy();
    cleanup();
    show({ people: [{ ...MIA, drives: true }], rules: free });
    await press('person-p1');
    expect(screen.queryByTestId('licence-p1')).toBeNull();
  });
});
