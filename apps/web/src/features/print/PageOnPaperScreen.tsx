import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { PAPERS, drawPageOnPaper, type PrintPaper } from '@temnex/drawing';
import { formatCount } from '@temnex/words';
import { PlainLink, Strong } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { DrawingView } from '../../design/DrawingView.tsx';
import { Empty } from '../../design/states.tsx';
import { usePrinterPaper } from '../../data/usePrinterPaper.ts';
import { usePageContext } from '../../data/pages/context.ts';
import { PrintToolbar, PrintSize, PrintedPages } from './printedPages.ts';

const SCALES = { true: 1, half: 0.5 } as const;
const PHOTOS = { none: 0, light: 0.35, full: 1 } as const;

/** The page itself on paper: its outlines at true size or by half, to lay things on, and the marks to pencil. */
export function PageOnPaperScreen() {
  const { id, editor, derived } = usePageContext();
  const [address] = useSearchParams();
  const [paper, setPaper] = usePrinterPaper(editor.page.unit);
  const [scale, setScale] = useState<keyof typeof SCALES>('half');
  const [photos, setPhotos] = useState<keyof typeof PHOTOS>('light');
  const items = address.get('items');
  const chosen = useMemo(() => items?.split(' ').filter((one) => derived.items.has(one)) ?? null, [items, derived]);
  const { name } = editor.page;
  const pages = useMemo(
    () =>
      drawPageOnPaper(
        derived,
        {
          title: name,
          voice: { mark: derived.mark, figures: 'typeset' },
          scale: SCALES[scale],
          chosen,
          photos: PHOTOS[photos],
        },
        paper,
      ),
    [derived, name, scale, chosen, photos, paper],
  );
  if (!derived.parts.length)
    return (
      <Empty title="Nothing is on this page yet">
        <p>Put something on it first.</p>
        <PlainLink to={`/page/${id}`}>To the page</PlainLink>
      </Empty>
    );
  const query = new URLSearchParams({ paper, scale, photos, ...(items ? { items } : {}) });
  return (
    <>
      <PrintSize $paper={paper} />
      <PrintToolbar className="no-print">
        <h1>The page on paper</h1>
        <Choice
          label="paper in the printer"
          value={paper}
          options={(Object.keys(PAPERS) as PrintPaper[]).map((p) => ({ id: p, name: PAPERS[p].name }))}
          onChange={setPaper}
        />
        <Choice
          label="how large"
          value={scale}
          options={[
            { id: 'true', name: 'true size' },
            { id: 'half', name: 'by half' },
          ]}
          onChange={setScale}
        />
        <Choice
          label="photos"
          value={photos}
          options={[
            { id: 'light', name: 'lightly' },
            { id: 'none', name: 'not at all' },
            { id: 'full', name: 'as they are' },
          ]}
          onChange={setPhotos}
        />
        <Strong onPress={() => window.print()}>Print</Strong>
        <a href={`/api/pages/${id}/print.pdf?${query.toString()}`} target="_blank" rel="noreferrer">
          The same as PDF
        </a>
        <PlainLink to={`/page/${id}`}>Back to the page</PlainLink>
        {chosen ? <span>Marks of {formatCount(chosen.length, 'item')}</span> : null}
      </PrintToolbar>
      <PrintedPages>
        {pages.map((page, i) => (
          <div key={i}>
            <DrawingView drawing={page} points />
          </div>
        ))}
      </PrintedPages>
    </>
  );
}
