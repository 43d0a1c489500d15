import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { TextField } from './textField';
import { render } from '../../testing/render';

const Typed = ({ most }: { most?: number }) => {
  const [value, setValue] = useState('');
  return <TextField label="Remark" value={value} onChange={setValue} testID="remark" {...(most === undefined ? {} : { most })} />;
};

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
