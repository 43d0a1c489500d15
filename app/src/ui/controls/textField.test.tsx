import { fireEvent, screen } from '@testing-library/react';
import { METRIC } from '@quay/core/number/units';
import { useState } from 'react';
import { TextField } from './textField';
import { speakIn } from '../units';
import { render } from '../../testing/render';

const Typed = ({ most }: { most?: number }) => {
  const [value, setValue] = useState('');
  return <TextField label="Remark" value={value} onChange={setValue} testID="remark" {...(most === undefined ? {} : { most })} />;
};

/** Litres, as a form keeps them. */
const Litres = ({ kept, onKeep }: { kept: string; onKeep: (value: string) => void }) => {
  const [value, setValue] = useState(kept);
  const keep = (next: string) => {
    setValue(next);
    onKeep(next);
  };
  return <TextField label="Fuel" value={value} onChange={keep} unit="L" numeric testID="fuel" />;
};

describe('a field of a measure', () => {
  afterEach(() => speakIn(undefined));

  it('is typed in gallons where the operator speaks of them, and kept in litres', () => {
    speakIn({ ...METRIC, volume: 'galUs' });
    const keep = jest.fn();
    render(<Litres kept="37.854118" onKeep={keep} />);
    const field = screen.getByTestId('fuel');
    expect(field).toHaveValue('10');
    expect(screen.getByText('gal')).toBeTruthy();
    fireEvent.change(field, { target: { value: '12,5' } });
    expect(keep).toHaveBeenLastCalledWith('47.317647');
    // What is typed stays as it was typed, halves of a figure too.
    expect(field).toHaveValue('12,5');
    fireEvent.change(field, { target: { value: '12,' } });
    expect(field).toHaveValue('12,');
    fireEvent.change(field, { target: { value: 'a lot' } });
    expect(keep).toHaveBeenLastCalledWith('a lot');
  });

  it('is kept as it is typed where the operator speaks of litres', () => {
    const keep = jest.fn();
    render(<Litres kept="" onKeep={keep} />);
    fireEvent.change(screen.getByTestId('fuel'), { target: { value: '12,5' } });
    expect(keep).toHaveBeenLastCalledWith('12,5');
    expect(screen.getByText('L')).toBeTruthy();
  });
});

describe('a field', () => {
  it('takes no more than the quay does, and says so before it is full', () => {
    render(<Typed />);
    const remark = screen.getByTestId('remark');
    expect(remark).toHaveAttribute('maxlength', '500');
    fireEvent.change(remark, { target: { value: 'x'.repeat(449) } });
    expect(screen.queryByText(/\/ 500/)).toBeNull();
    fireEvent.change(remark, { target: { value: 'x'.repeat(450) } });
    expect(screen.getByText('450 / 500')).toBeTruthy();
  });
  it('takes as much as whoever uses it says', () => {
    render(<Typed most={40} />);
    expect(screen.getByTestId('remark')).toHaveAttribute('maxlength', '40');
  });
});
