import type { Spot, Stroke } from '@quay/core/fleet/drawing';

/** A drawing of somebody's own (SVG) as strokes: its lines as the browser measures them, and nothing else of it. */

/** No drawing of a boat is larger, characters; nor has it more lines, or more points to a line. */
const [MOST_TEXT, MOST_LINES, MOST_POINTS] = [1_000_000, 300, 64];

export type SvgFault = 'tooLarge' | 'noSvg' | 'active' | 'empty' | 'tooMany';
export class SvgRefused extends Error {
  constructor(readonly why: SvgFault) {
    super(why);
  }
}

/** What does something, or comes from elsewhere. */
const ACTIVE = 'script, foreignObject, iframe, image, use, animate, animateMotion, animateTransform, set, a, style, link, audio, video';

/** Whether only its line is drawn. */
const isHollow = (line: Element): boolean => {
  const style = /(?:^|;)\s*fill\s*:\s*([^;]+)/i.exec(line.getAttribute('data-style') ?? '')?.[1]?.trim();
  return (style ?? line.getAttribute('fill') ?? '') === 'none';
};

/**
 * Reads a drawing and lays it into a field: bow to the right, as it is drawn.
 * @param width, height of the field, in the unit of the strokes @param left, top where it begins
 * @throws SvgRefused
 */
export const strokesOfSvg = (text: string, field: { left: number; top: number; width: number; height: number }): Stroke[] => {
  if (text.length > MOST_TEXT) throw new SvgRefused('tooLarge');
  // Styles are read as words: none of them is applied to anything of ours. As HTML it is read whatever is wrong with it.
  const read = new DOMParser().parseFromString(text.replace(/\sstyle\s*=/gi, ' data-style='), 'text/html');
  const root = read.querySelector('svg');
  if (!root) throw new SvgRefused('noSvg');
  const every = [root, ...root.querySelectorAll('*')];
  if (
    read.querySelector(ACTIVE) ||
    every.some((one) =>
      [...one.attributes].some(
        ({ name, value }) => /^on/i.test(name) || /url\(|:\/\/|javascript:/i.test(name.startsWith('xmlns') ? '' : value),
      ),
    )
  )
    throw new SvgRefused('active');
  const lines = root.querySelectorAll('path, polyline, polygon, line, rect, circle, ellipse');
  if (lines.length === 0) throw new SvgRefused('empty');
  if (lines.length > MOST_LINES) throw new SvgRefused('tooMany');
  // Only what is in the page is measured; it is never seen there.
  const holder = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
  holder.setAttribute('width', '0');
  holder.setAttribute('height', '0');
  document.body.appendChild(holder);
  try {
    const group = holder.appendChild(document.importNode(root, true));
    const found = [...group.querySelectorAll<SVGGeometryElement>('path, polyline, polygon, line, rect, circle, ellipse')].flatMap(
      (line) => {
        const length = line.getTotalLength();
        if (!(length > 0) || !Number.isFinite(length)) return [];
        const matrix = line.getCTM() ?? new DOMMatrix();
        const closed = /^(polygon|rect|circle|ellipse)$/.test(line.nodeName) || /z\s*$/i.test(line.getAttribute('d') ?? '');
        const corners = line.nodeName === 'polygon' || line.nodeName === 'polyline' ? (line as SVGPolygonElement).points.numberOfItems : 0;
        const count = Math.min(MOST_POINTS, corners > 1 ? corners : line.nodeName === 'rect' ? 4 : line.nodeName === 'line' ? 2 : 40);
        const at = (i: number): DOMPoint => {
          if (corners > 1 && corners <= MOST_POINTS) return DOMPoint.fromPoint((line as SVGPolygonElement).points.getItem(i));
          if (line.nodeName === 'rect') {
            const { x, y, width, height } = line.getBBox();
            return new DOMPoint(x + (i === 1 || i === 2 ? width : 0), y + (i > 1 ? height : 0));
          }
          return DOMPoint.fromPoint(line.getPointAtLength((length * i) / (closed ? count : count - 1)));
        };
        const points = Array.from({ length: count }, (_, i) => at(i).matrixTransform(DOMMatrix.fromMatrix(matrix)));
        return [{ closed, points, filled: closed && !isHollow(line) }];
      },
    );
    const all = found.flatMap(({ points }) => points);
    if (all.length === 0) throw new SvgRefused('empty');
    const [left, right] = [Math.min(...all.map(({ x }) => x)), Math.max(...all.map(({ x }) => x))];
    const [top, bottom] = [Math.min(...all.map(({ y }) => y)), Math.max(...all.map(({ y }) => y))];
    if (!(right > left) || !(bottom > top)) throw new SvgRefused('empty');
    const round = (v: number) => Math.round(v * 1000) / 1000;
    const [sx, sy] = [field.width / (right - left), field.height / (bottom - top)];
    return found.map(({ closed, points, filled }, i) => ({
      draw: 'path' as const,
      points: points.map(({ x, y }): Spot => [round(field.left + (x - left) * sx), round(field.top + (y - top) * sy)]),
      ...(closed ? { closed: true } : {}),
      tone: !filled ? ('line' as const) : i === 0 ? ('hull' as const) : ('deck' as const),
    }));
  } finally {
    holder.remove();
  }
};
