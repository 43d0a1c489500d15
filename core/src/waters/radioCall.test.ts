import { isDistress, NATURES, radioCall } from './radioCall';

const call = { distress: true, boat: 'Brisk Otter', callSign: 'PS2', position: '48° 00.300′ N', nature: 'fire' as const, people: 4 };

describe('a call by radio', () => {
  it('is said in the order of the regulations: signal, who, who again with the call sign, where, what, what is needed, how many, over', () => {
    expect(radioCall(call)).toEqual([
      { is: 'mayday' },
      { is: 'thisIs', boat: 'Brisk Otter' },
      { is: 'again', signal: 'Mayday', boat: 'Brisk Otter', callSign: 'Papa Sierra two' },
      { is: 'at', position: '48° 00.300′ N' },
      { is: 'nature', nature: 'fire' },
      { is: 'need' },
      { is: 'people', people: 4 },
      { is: 'over' },
    ]);
  });

  it('without danger to life it is an urgency, and what is not known is asked for, not made up', () => {
    const said = radioCall({ ...call, distress: false, position: undefined, nature: undefined, callSign: undefined });
    expect(said.map(({ is }) => is)).toEqual(['panPan', 'thisIs', 'again', 'near', 'needSoon', 'people', 'over']);
    expect(NATURES.filter(isDistress)).toEqual(['sinking', 'fire', 'injured', 'overboard']);
  });
});
