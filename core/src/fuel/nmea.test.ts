import fc from 'fast-check';
import { checksum, sentenceOf } from './nmea';

const line = (body: string) => `$${body}*${checksum(body)}`;

describe('sentences from the boat’s wires', () => {
  it('have the checksum of a worked example', () => {
    // An example sentence that is found in every description of the format.
    expect(checksum('GPGLL,4916.45,N,12311.12,W,225444,A')).toBe('31');
  });
  it('say what transducers measure, several in a line', () => {
    expect(sentenceOf(line('IIXDR,V,62.5,P,FUEL,U,12.7,V,HOUSE'))).toEqual([
      { is: 'transducer', name: 'FUEL', value: 62.5, unit: 'P' },
      { is: 'transducer', name: 'HOUSE', value: 12.7, unit: 'V' },
    ]);
  });
  it('say where she is, west and south negative, and nothing without a fix', () => {
    expect(sentenceOf(line('GPGLL,4807.038,S,01131.000,W,123519,A'))).toEqual([
      { is: 'position', latitude: -(48 + 7.038 / 60), longitude: -(11 + 31 / 60) },
    ]);
    expect(sentenceOf(line('GPGLL,,,,,123519,V'))).toEqual([{ is: 'bad', reason: 'value' }]);
  });
  it('are not believed when a character was lost or turned on the way', () => {
    const good = line('IIXDR,V,62.5,P,FUEL');
    expect(sentenceOf(good.replace('62.5', '92.5'))).toEqual([{ is: 'bad', reason: 'checksum' }]);
    expect(sentenceOf(good.slice(0, -4))).toEqual([{ is: 'bad', reason: 'shape' }]);
    expect(sentenceOf(line('IIXDR,V,,P,FUEL'))).toEqual([{ is: 'bad', reason: 'value' }]);
    expect(sentenceOf(line('GPZDA,201530.00,04,07,2002,00,00'))).toEqual([]);
  });
  it('never throw, whatever comes down the line', () => {
    fc.assert(fc.property(fc.string(), (text) => Array.isArray(sentenceOf(text)) && Array.isArray(sentenceOf(line(text)))));
  });
});
