import { readList } from './command';

describe('a list of pairs', () => {
  it('names two files a line, from where it lies; quotes hold spaces, comments and empty lines say nothing', () => {
    expect(readList('# spring\n\nout.jpg in.jpg\n"port side.jpg"\t/a/b.jpg\r\n', '/archive')).toEqual([
      { out: '/archive/out.jpg', back: '/archive/in.jpg' },
      { out: '/archive/port side.jpg', back: '/a/b.jpg' },
    ]);
  });

  it('says which line it cannot read', () => {
    expect(() => readList('a.jpg b.jpg\nc.jpg', '/')).toThrow('line 2: a line names two files, departure first; this one names 1.');
  });
});
