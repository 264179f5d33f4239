import { memo, useEffect, useMemo, useRef } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { styled } from 'styled-components';
import type { Photo } from '@temnex/core/photos';
import { formatDayParts, describePhoto } from '@temnex/words';
import { photoUrl } from '../../../data/photos.ts';
import { NARROW } from '../../../design/global.ts';
import { useInnerWidth } from '../../../design/useInnerWidth.ts';
import { buildListKeys } from '../../../design/listKeys.ts';
import type { Picking } from '../../../design/usePicking.ts';
import { LINE_SAG_PX, layOutPhotoLines, findPhotoInNextRow, type HangingRow } from './line.ts';

const Ground = styled.div`
  position: relative;
  flex: 1;
  min-height: 16rem;
  overflow-y: auto;
  padding: 0 1.5rem;
  background: var(--table);
  contain: strict;
  &:focus-visible {
    outline-offset: -3px;
  }
  ${NARROW} {
    padding: 0 0.75rem;
  }
`;
const OneLine = styled.div`
  position: absolute;
  left: 0;
  right: 0;
  contain: layout style;
`;
const Day = styled.p`
  position: absolute;
  left: 0;
  top: 4px;
  width: ${() => MARGIN - 12}px;
  font-size: var(--s1);
  line-height: 1.2;
  & > b {
    display: block;
    font: 600 var(--s4) / 1 var(--figures);
  }
  & > span {
    color: var(--quiet);
  }
`;
const Cord = styled.svg`
  position: absolute;
  top: 0;
  overflow: visible;
  pointer-events: none;
  & path {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.2;
  }
`;
const One = styled.div`
  position: absolute;
  cursor: default;
  & > img {
    display: block;
    width: 100%;
    background: #f4f4f4;
    border: 1px solid var(--ink);
    object-fit: cover;
  }
  /* its peg */
  &::before {
    content: '';
    position: absolute;
    left: calc(50% - 3px);
    top: -6px;
    z-index: 1;
    width: 6px;
    height: 15px;
    background: var(--ink);
  }
  & > span {
    display: block;
    height: ${() => LABEL}px;
    padding-top: 3px;
    overflow: hidden;
    color: var(--quiet);
    font: 400 12px/1.2 var(--text);
    white-space: nowrap;
    text-overflow: ellipsis;
  }
  /* a corner folded down: it lies on a page */
  & > i {
    position: absolute;
    right: 0;
    top: 0;
    border: 10px solid var(--keep);
    border-left-color: transparent;
    border-bottom-color: transparent;
  }
  & > b {
    position: absolute;
    left: 4px;
    top: 3px;
    padding: 0 3px;
    background: #fafafae8;
    font: 600 13px/1.3 var(--figures);
  }
  &[aria-selected='true'] > img {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
  }
  &[aria-selected='true'] > span {
    background: var(--ink);
    color: #fff;
    padding-inline: 3px;
  }
  &[data-at] > img {
    box-shadow:
      0 0 0 2px var(--sheet),
      0 0 0 4px var(--ink);
  }
`;
const LABEL = 19;
/** Where the day stands, left of its line, in pixels; on a phone above it. */
const MARGIN = 112;
const NARROWER = 620;
const OVER = 26;

interface PhotoWallProps {
  photos: readonly Photo[];
  onPages: ReadonlySet<string>;
  /** Pixels that each is high. */
  high: number;
  picking: Picking;
  onKey: (key: string) => boolean;
  open: (photo: Photo) => void;
}

/** Everything that was found, hung on lines day by day; of thousands, those that come into view are there. */
export function PhotoWall({ photos, onPages, high, picking, onKey, open }: PhotoWallProps) {
  const ground = useRef<HTMLDivElement>(null);
  const width = useInnerWidth(ground);
  const narrow = width < NARROWER;
  const left = narrow ? 0 : MARGIN;
  const long = width - left;
  const lines = useMemo(() => (long > 80 ? layOutPhotoLines(photos, long, high) : []), [photos, long, high]);
  const topOf = (line: HangingRow) => (narrow && line.first ? OVER + 14 : 14);
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => ground.current,
    estimateSize: (i) => topOf(lines[i]!) + high + LINE_SAG_PX + LABEL + 8,
    paddingStart: 8,
    paddingEnd: 24,
    overscan: 2,
  });
  useEffect(() => virtual.measure(), [lines, virtual]);
  const go = (to: number, through: boolean) => {
    picking.go(to, through);
    const line = lines.findIndex((l) => to <= l.hung.at(-1)!.at);
    if (line >= 0) virtual.scrollToIndex(line, { align: 'auto' });
  };
  const { at } = picking;
  return (
    <Ground
      ref={ground}
      role="listbox"
      aria-label="Photos"
      aria-multiselectable="true"
      aria-activedescendant={at >= 0 ? `photo-${at}` : undefined}
      tabIndex={0}
      onKeyDown={buildListKeys({
        picking,
        count: photos.length,
        go,
        step: (key, from) =>
          key === 'ArrowLeft'
            ? from - 1
            : key === 'ArrowRight'
              ? from + 1
              : findPhotoInNextRow(lines, from, key === 'ArrowUp' ? -1 : 1),
        onKey,
      })}
    >
      <div style={{ height: virtual.getTotalSize(), position: 'relative' }} role="presentation">
        {virtual.getVirtualItems().map(({ index, start }) => {
          const line = lines[index];
          if (!line) return null;
          return (
            <OneLine key={line.hung[0]!.photo.id} style={{ top: start, height: high }} role="presentation">
              {line.first ? <DayMark line={line} narrow={narrow} /> : null}
              <Cord style={{ left, top: topOf(line) }} width={long} height={LINE_SAG_PX} aria-hidden="true">
                <path d={`M-6 0Q${long / 2} ${LINE_SAG_PX * 2} ${long + 6} 0`} />
              </Cord>
              {line.hung.map(({ photo, x, y, width: w, at: place }) => (
                <OnLine
                  key={photo.id}
                  photo={photo}
                  w={w}
                  high={high}
                  place={place}
                  x={left + x}
                  y={topOf(line) + y}
                  of={photos.length}
                  picked={picking.picked.has(photo.id)}
                  stands={place === at}
                  onPage={onPages.has(photo.id)}
                  press={picking.press}
                  open={open}
                />
              ))}
            </OneLine>
          );
        })}
      </div>
    </Ground>
  );
}

function DayMark({ line, narrow }: { line: HangingRow; narrow: boolean }) {
  const { day, rest } = formatDayParts(line.day);
  const wide = narrow ? { width: 'auto', display: 'flex', gap: 8, alignItems: 'baseline', whiteSpace: 'nowrap' } : {};
  return (
    <Day style={wide as object} role="presentation">
      <b style={narrow ? { fontSize: 'var(--s3)' } : {}}>{day}</b>
      {rest} <span>{line.ofDay}</span>
    </Day>
  );
}

interface OnLineProps {
  photo: Photo;
  x: number;
  y: number;
  w: number;
  high: number;
  place: number;
  of: number;
  picked: boolean;
  stands: boolean;
  onPage: boolean;
  press: Picking['press'];
  open: (photo: Photo) => void;
}

const OnLine = memo(function OnLine({
  photo,
  x,
  y,
  w,
  high,
  place,
  of,
  picked,
  stands,
  onPage,
  press,
  open,
}: OnLineProps) {
  return (
    <One
      id={`photo-${place}`}
      role="option"
      aria-selected={picked}
      aria-label={`${describePhoto(photo)}${onPage ? ', on a page' : ''}`}
      aria-posinset={place + 1}
      aria-setsize={of}
      style={{ left: x, top: y, width: w }}
      onClick={(e) => press(place, { add: e.ctrlKey || e.metaKey, through: e.shiftKey })}
      onDoubleClick={() => open(photo)}
      {...(stands ? { 'data-at': true } : {})}
    >
      <img
        src={photoUrl(photo.file, 'small')}
        alt=""
        style={{ height: high }}
        loading="lazy"
        decoding="async"
        draggable={false}
      />
      {onPage ? <i /> : null}
      {photo.favourite ? <b>✶</b> : null}
      <span aria-hidden="true">{photo.what ?? (photo.people.join(', ') || photo.name)}</span>
    </One>
  );
});
