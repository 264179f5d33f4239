import { lengthOf } from '@temnex/core/length';
import type { CutPiece } from '@temnex/core/cutting';
import { formatSize } from '@temnex/words';
import { useScrapPiece } from '../../data/orders/queries.ts';
import { Block } from '../../design/Block.tsx';
import { Quiet } from '../../design/buttons.tsx';
import { Notice } from '../../design/states.tsx';
import type { PageContext } from '../../data/pages/context.ts';

/** What the pieces that are cut are still good for since the page changed: trimmed down, cut again, or scraps now. */
export function CutAlready({ context }: { context: PageContext }) {
  const { cutState, derived, cuttings, drawer, id } = context;
  const scrap = useScrapPiece(id);
  const nameOf = (piece: string) => derived.pieces.find((p) => p.id === piece)?.name ?? 'a part that is gone';
  const paperOf = (one: CutPiece) => drawer.papers.find((p) => p.id === one.paper)?.name ?? '';
  const voice = { mark: derived.mark, figures: 'typeset' } as const;
  const size = (one: CutPiece) => formatSize(lengthOf(one.width, one.unit), lengthOf(one.height, one.unit), voice);
  const trims = [...cutState.pieces].flatMap(([piece, { trim }]) => trim.map((one) => ({ piece, one })));
  const again = [...cutState.pieces].filter(([, s]) => s.again > 0);
  if (!trims.length && !again.length && !cutState.unwanted.length) return null;
  /** Where in the books a cut piece stands. */
  const placeOf = (one: CutPiece) => {
    for (const c of cuttings) {
      const at = c.pieces.indexOf(one as (typeof c.pieces)[number]);
      if (at >= 0) return { cutting: c.id, at };
    }
    return null;
  };
  const wanted = (piece: string) => derived.pieces.find((p) => p.id === piece);
  return (
    <Block aria-label="Pieces cut before the page changed">
      <h3>Cut before the page changed</h3>
      <ul>
        {trims.map(({ piece, one }, i) => (
          <li key={`trim ${i}`}>
            {nameOf(piece)}: trim the {size(one)} down to{' '}
            {wanted(piece) ? formatSize(wanted(piece)!.width, wanted(piece)!.height, voice) : ''}.
          </li>
        ))}
        {again.map(([piece, { again: n }]) => (
          <li key={`again ${piece}`}>
            {nameOf(piece)}: {n > 1 ? `${n} are` : 'what is cut is'} too small or of another paper now, and must be cut
            again.
          </li>
        ))}
        {cutState.unwanted.map((one, i) => {
          const place = placeOf(one);
          return (
            <li key={`free ${i}`}>
              {size(one)} {paperOf(one)}, cut for {nameOf(one.piece)}: no longer wanted.{' '}
              {place ? (
                <Quiet onPress={() => scrap.mutate(place)} isDisabled={scrap.isPending}>
                  Into the drawer as a scrap
                </Quiet>
              ) : null}
            </li>
          );
        })}
      </ul>
      {scrap.error ? (
        <Notice kind="block">
          <span>{scrap.error.message}</span>
        </Notice>
      ) : null}
    </Block>
  );
}
