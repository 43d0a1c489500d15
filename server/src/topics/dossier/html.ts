import type { Language } from '@quay/core/words/words';
import type { Section } from './sections';

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

const STYLE = `body{font:17px/1.45 Georgia,serif;color:#17211E;background:#FBF8F1;max-width:46rem;margin:2rem auto;padding:0 1rem}
h1{font-size:2rem;margin:0}h2{border-top:3px solid #0E5E52;padding-top:.6rem;margin-top:2.2rem}h3{color:#0E5E52;margin:1.4rem 0 .3rem}
ul{margin:0;padding-left:1.2rem}figure{display:inline-block;margin:.5rem 1rem .5rem 0;vertical-align:top;max-width:21rem}
img{max-width:100%;max-height:18rem;background:#fff;border:1px solid #CFC8B6}img.logo{max-height:4rem;border:0}figcaption,.soft{color:#51605B;font-size:.9rem}@media print{body{background:#fff}}`;

/** The record as one page that any browser shows, with its pictures beside it. @param fileOf where in the dossier a picture lies, as `logo` is where the logo does */
export const dossierHtml = (
  head: { language: Language; title: string; lines: readonly string[]; logo: string | undefined },
  sections: readonly Section[],
  fileOf: (sha: string) => string | undefined,
): string => {
  const body = sections.map(({ title, level, rows, pictures }) => {
    const figures = pictures.flatMap(({ sha, caption }) => {
      const file = fileOf(sha);
      return file === undefined
        ? []
        : [`<figure><img src="${escaped(file)}" alt="${escaped(caption)}"><figcaption>${escaped(caption)}</figcaption></figure>`];
    });
    const list = rows.length > 0 ? `<ul>${rows.map((row) => `<li>${escaped(row)}</li>`).join('')}</ul>` : '';
    return `<h${level + 1}>${escaped(title)}</h${level + 1}>${list}${figures.join('')}`;
  });
  return `<!doctype html><html lang="${head.language}"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(head.title)}</title><style>${STYLE}</style>${head.logo === undefined ? '' : `<img class="logo" src="${escaped(head.logo)}" alt="">`}<h1>${escaped(head.title)}</h1>${head.lines.map((line) => `<p class="soft">${escaped(line)}</p>`).join('')}${body.join('')}</html>\n`;
};
