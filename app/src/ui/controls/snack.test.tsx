import { act, render, screen } from '@testing-library/react';
import { i18n } from '../../i18n';
import { en } from '../../i18n/en';
import { SnackHost } from './snack';

beforeAll(() => void i18n.addResourceBundle('en', 'translation', en));

it('says what went wrong where nobody waited for it, with what is safe', () => {
  render(
    <SnackHost Bar={({ said }) => <>{said.text}</>} lift={0}>
      the page
    </SnackHost>,
  );
  const reason = new Error('the disk would not take it');
  act(() => void window.dispatchEvent(Object.assign(new Event('unhandledrejection'), { reason })));
  expect(screen.getByText(/Something went wrong: the disk would not take it\. What was entered is safe/)).toBeTruthy();
});
