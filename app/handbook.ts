import { marked, type Token, type Tokens } from 'marked';
import { copyFileSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import type { Block, Handbook, Span } from './src/topics/handbook/page';

/** Makes the handbook's pages for the program from their texts, with the pictures they show. */

/** Size of a PNG, px, from its header (PNG specification, 11.2.2). @throws where it is none */
const sizeOfPng = (bytes: Buffer): { width: number; height: number } => {
  if (bytes.subarray(1, 4).toString('latin1') !== 'PNG') throw new Error('a picture of the handbook is no PNG');
  return { width: bytes.readUInt32BE(16), height: bytes.readUInt32BE(20) };
};

const plain = (text: string): string =>
  text
    .replace(/&#39;/g, '’')
    .replace(/&quot;/g, '"')
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&amp;/g, '&');

const spansOf = (tokens: readonly Token[], as?: Span['as'], to?: string): Span[] =>
  tokens.flatMap((token): Span[] => {
    const more = { ...(as ? { as } : {}), ...(to === undefined ? {} : { to }) };
    switch (token.type) {
      case 'strong':
        return spansOf((token as Tokens.Strong).tokens, 'bold', to);
      case 'em':
        return spansOf((token as Tokens.Em).tokens, 'italic', to);
      case 'codespan':
        return [{ text: plain((token as Tokens.Codespan).text), as: 'code' }];
      case 'link': {
        const { href, tokens: inner } = token as Tokens.Link;
        // What lies outside the handbook is not there in the program: it is told, and leads nowhere.
        return spansOf(inner, as, /^[\w-]+\.md$/.test(href) ? href.replace(/\.md$/, '') : undefined);
      }
      case 'text':
        return 'tokens' in token && token.tokens ? spansOf(token.tokens, as, to) : [{ text: plain((token as Tokens.Text).text), ...more }];
      case 'escape':
        return [{ text: (token as Tokens.Escape).text, ...more }];
      default:
        throw new Error(`the handbook uses what its pages cannot show: ${token.type}`);
    }
  });

const picturesIn = (tokens: readonly Token[]): Tokens.Image[] => tokens.filter((token): token is Tokens.Image => token.type === 'image');

const blocksOf = (tokens: readonly Token[], picture: (image: Tokens.Image) => Block): Block[] =>
  tokens.flatMap((token): Block[] => {
    switch (token.type) {
      case 'space':
        return [];
      case 'heading':
        return [{ is: 'heading', level: (token as Tokens.Heading).depth, spans: spansOf((token as Tokens.Heading).tokens) }];
      case 'paragraph': {
        const { tokens: inner } = token as Tokens.Paragraph;
        const images = picturesIn(inner);
        return images.length > 0 ? images.map(picture) : [{ is: 'paragraph', spans: spansOf(inner) }];
      }
      case 'text':
        return [{ is: 'paragraph', spans: spansOf((token as Tokens.Text).tokens ?? [token]) }];
      case 'list': {
        const { ordered, items } = token as Tokens.List;
        return [{ is: 'list', ordered, items: items.map(({ tokens: inner }) => blocksOf(inner, picture)) }];
      }
      case 'table': {
        const { header, rows } = token as Tokens.Table;
        const cells = (row: Tokens.TableCell[]) => row.map(({ tokens: inner }) => spansOf(inner));
        const head = header.some(({ text }) => text.trim() !== '') ? [cells(header)] : [];
        return [{ is: 'table', rows: [...head, ...rows.map(cells)] }];
      }
      case 'code':
        return [{ is: 'code', text: (token as Tokens.Code).text }];
      default:
        throw new Error(`the handbook uses what its pages cannot show: ${token.type}`);
    }
  });

/**
 * Writes the handbook into a folder that is served.
 * @param from folder of its texts: `README.md` names the others in their order
 */
export const makeHandbook = (from: string, to: string): void => {
  rmSync(to, { recursive: true, force: true });
  mkdirSync(to, { recursive: true });
  const picture = ({ href, text }: Tokens.Image): Block => {
    const file = join(from, href);
    const name = basename(file);
    copyFileSync(file, join(to, name));
    return { is: 'picture', src: `/handbook/${name}`, alt: plain(text), ...sizeOfPng(readFileSync(file)) };
  };
  const contents = readFileSync(join(from, 'README.md'), 'utf8');
  const ids = [...contents.matchAll(/\]\(([\w-]+)\.md\)/g)].map(([, id]) => id!);
  const pages = ['README', ...ids].map((id) => {
    const blocks = blocksOf(marked.lexer(readFileSync(join(from, `${id}.md`), 'utf8')), picture);
    const [first] = blocks;
    if (first?.is !== 'heading') throw new Error(`${id}.md of the handbook has no title`);
    return { id: id === 'README' ? '' : id, title: first.spans.map(({ text }) => text).join(''), blocks: blocks.slice(1) };
  });
  const handbook: Handbook = { pages };
  writeFileSync(join(to, 'handbook.json'), JSON.stringify(handbook));
};
