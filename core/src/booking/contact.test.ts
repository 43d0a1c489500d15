import { contactOf, dialled } from './contact';

it.each([
  ['+353 85 555 0142', ['+353 85 555 0142'], []],
  ['orla@example.test', [], ['orla@example.test']],
  ['Orla, (0151) 555-0101; orla.p@mail.example.test', ['(0151) 555-0101'], ['orla.p@mail.example.test']],
  ['0151/5550101 or 0151 5550102', ['0151/5550101'], []],
  ['room 12', [], []],
  ['a1234567@example.test', [], ['a1234567@example.test']],
  ['', [], []],
])('%s can be reached so', (text, numbers, mails) => {
  const found = contactOf(text);
  expect(found.mails).toEqual(mails);
  expect(found.numbers[0]).toBe(numbers[0]);
});

it('is dialled without what people put between', () => {
  expect(dialled('+353 (0)85 555-01 42')).toBe('+3530855550142');
});
