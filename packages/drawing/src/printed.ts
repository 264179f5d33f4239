import { INK, fitText, type DrawingMark } from './marks.ts';

/*
 * What all printed pages have in common, in points (72 to the inch): the papers in the printer, a margin, and at the foot of each a ruler
 * that shows whether it was printed at true size.
 */

export const PAPERS = {
  a4: { name: 'A4', width: 595.28, height: 841.89 },
  letter: { name: 'Letter', width: 612, height: 792 },
} as const;
export type PrintPaper = keyof typeof PAPERS;

export const MARGIN = 40;
export const GREY = '#555555';

export type TextMark = Extract<DrawingMark, { kind: 'text' }>;

export const drawText = (
  x: number,
  y: number,
  content: string,
  size: number,
  more: Partial<TextMark> = {},
): DrawingMark => ({
  kind: 'text',
  x,
  y,
  text: content,
  size,
  weight: 400,
  face: 'text',
  anchor: 'start',
  fill: INK,
  ...more,
});

/** The foot of each page: a ruler to check that nothing was scaled in printing, and the page number. */
export function drawFooter(title: string, page: number, pages: number, W: number, H: number): DrawingMark[] {
  const y = H - MARGIN;
  const marks: DrawingMark[] = [
    { kind: 'line', x1: MARGIN, y1: y - 10, x2: MARGIN + 216, y2: y - 10, stroke: { colour: INK, width: 0.7 } },
  ];
  for (let i = 0; i <= 12; i++) {
    const x = MARGIN + i * 18;
    marks.push({
      kind: 'line',
      x1: x,
      y1: y - 10,
      x2: x,
      y2: y - (i % 4 === 0 ? 19 : i % 2 === 0 ? 16 : 14),
      stroke: { colour: INK, width: 0.7 },
    });
  }
  marks.push(drawText(MARGIN, y, 'check ruler: 3 inches (76.2 mm) when printed at true size', 7.5, { fill: GREY }));
  marks.push(
    drawText(W - MARGIN, y, `${fitText(title, 7.5, 160)}  ·  ${page} of ${pages}`, 7.5, { anchor: 'end', fill: GREY }),
  );
  return marks;
}
