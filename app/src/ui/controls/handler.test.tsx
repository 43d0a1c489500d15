import { screen } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { render } from '../../testing/render';
import { Button, IconButton } from './button';
import { ChoiceChip } from './choiceChip';

const said: string[] = [];
const CONTROLS = ['main', 'sign', 'choice'];

/** Presses everything the moment it has been drawn anew, before anything that is done after painting. */
const Page = ({ stop }: { stop: string }) => {
  useLayoutEffect(() => {
    if (stop === 'bow') return;
    for (const id of CONTROLS) screen.getByTestId(id).click();
  }, [stop]);
  const say = (what: string) => () => said.push(`${what} at ${stop}`);
  return (
    <>
      <Button mode="contained" label="Done here" onPress={say('main')} testID="main" />
      <IconButton path="M0 0h24v24z" label="More" onPress={say('sign')} testID="sign" />
      <ChoiceChip label="Sound" on={false} onPress={say('choice')} testID="choice" />
    </>
  );
};

it('does what is seen, however quickly a press comes after it was drawn', () => {
  const { rerender } = render(<Page stop="bow" />);
  rerender(<Page stop="helm" />);
  expect(said).toEqual(['main at helm', 'sign at helm', 'choice at helm']);
});
