import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { MARKS } from '@temnex/core/length';
import { collectPrints, computeSharpness, type PrintToMake } from '@temnex/core/photos';
import { formatCount, formatPhotoName, describeSharpness, formatSize } from '@temnex/words';
import { CropOf } from '../../../widgets/photos/CropOf.tsx';
import { download } from '../../../data/csv.ts';
import { NARROW } from '../../../design/global.ts';
import { Plain, PlainLink, Quiet, StrongLink } from '../../../design/buttons.tsx';
import { Empty, Notice } from '../../../design/states.tsx';
import { usePhotosContext } from '../context.ts';
import { fileNameOf, downloadSheets, formatOrdersCsv, formatOrdersText } from '../files.ts';

const Work = styled.main`
  flex: 1;
  padding: 1.2rem 1.5rem 3rem;
  ${NARROW} {
    padding: 0.9rem 0.75rem 2rem;
  }
`;
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.4rem 1.2rem;
  padding-bottom: 0.8rem;
  border-bottom: 2px solid var(--ink);
  & h1 {
    flex: 1 1 16rem;
  }
`;
/** A size in the margin, its prints beside it. */
const OneSize = styled.section`
  display: grid;
  grid-template-columns: 9rem minmax(0, 1fr);
  gap: 0.5rem 1.5rem;
  padding: 1rem 0;
  border-bottom: 1px solid var(--rule);
  & > h2 {
    font-size: var(--s4);
    & small {
      display: block;
      font: 400 var(--s1) / 1.3 var(--text);
      color: var(--quiet);
    }
  }
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Row = styled.ul`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 1rem 1.4rem;
  & > li {
    max-width: 15rem;
  }
  & > li > a {
    display: inline-block;
  }
  & p {
    margin-top: 0.3rem;
    font-size: var(--s1);
    line-height: 1.25;
  }
  & p > b {
    font-weight: 600;
  }
  & p > em {
    color: var(--cut);
    font-style: normal;
    font-weight: 600;
  }
`;
const PER_INCH = 26;
const MARK = MARKS['1/16'];
const voice = { mark: MARK, figures: 'typeset' } as const;
const pixels = (ticks: number) => (ticks / 24_384) * PER_INCH;

/** Prints by their size, the largest first. */
function bySize(prints: readonly PrintToMake[]) {
  const sizes = new Map<string, PrintToMake[]>();
  for (const print of prints) {
    const key = `${print.width} ${print.height}`;
    sizes.set(key, [...(sizes.get(key) ?? []), print]);
  }
  return [...sizes.values()];
}

/** The prints that pages ask for and those that somebody wants, by size, each in its crop: the list to order. */
export function PrintsScreen() {
  const { photos, shown, unit } = usePhotosContext();
  const { toMake, there } = useMemo(() => collectPrints(photos, shown), [photos, shown]);
  const [copied, setCopied] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const all = toMake.reduce((n, p) => n + p.copies, 0);
  if (!toMake.length)
    return (
      <Work>
        <Empty title="No print is to be ordered">
          <p>
            {there.length
              ? `Pages show ${formatCount(there.length, 'photo')}, and there is a print of each.`
              : 'Put a photo on a page, or say of one which print you want.'}
          </p>
          <PlainLink to="/photos">To the photos</PlainLink>
        </Empty>
      </Work>
    );
  return (
    <Work>
      <Head>
        <h1>{formatCount(all, 'print')} to order</h1>
        <span className="no-print" style={{ display: 'flex', flexWrap: 'wrap', gap: '0.5rem' }}>
          <Plain
            onPress={() =>
              void navigator.clipboard.writeText(formatOrdersText(toMake)).then(
                () => setCopied(true),
                () => setCopied(false),
              )
            }
          >
            {copied ? 'Copied' : 'Copy the list'}
          </Plain>
          <Plain onPress={() => download('prints-to-order.csv', formatOrdersCsv(toMake, unit))}>As CSV</Plain>
          <Plain onPress={() => window.print()}>Print the list</Plain>
          <StrongLink to="/photos/sheets">Put them on photo sheets</StrongLink>
        </span>
      </Head>
      {trouble ? (
        <Notice kind="block">
          <span>{trouble}</span>
        </Notice>
      ) : null}
      {bySize(toMake).map((prints) => {
        const [first] = prints as [PrintToMake];
        return (
          <OneSize key={`${first.width} ${first.height}`}>
            <h2>
              {formatSize(first.width, first.height, voice)}
              <small>
                {formatCount(
                  prints.reduce((n, p) => n + p.copies, 0),
                  'print',
                )}
              </small>
            </h2>
            <Row>
              {prints.map((print) => (
                <Print
                  key={print.key}
                  print={print}
                  keep={() => {
                    setTrouble(null);
                    const { width, height, crop, photo } = print;
                    const one = { key: 'a', file: photo.file, crop, x: 0, y: 0, width, height, turn: 0 as const };
                    downloadSheets({ as: 'jpeg', density: 300, sheets: [{ width, height, prints: [one] }] }, fileNameOf(print)).catch((error: Error) => setTrouble(error.message)); // prettier-ignore
                  }}
                />
              ))}
            </Row>
          </OneSize>
        );
      })}
      {there.length ? (
        <OneSize>
          <h2 style={{ fontSize: 'var(--s3)' }}>There already</h2>
          <Row>
            {there.map((print) => (
              <Print key={print.key} print={print} keep={null} />
            ))}
          </Row>
        </OneSize>
      ) : null}
    </Work>
  );
}

function Print({ print, keep }: { print: PrintToMake; keep: (() => void) | null }) {
  const { photo, width, height, crop, copies, page } = print;
  const coarse = computeSharpness(crop, { width, height }).is === 'coarse';
  return (
    <li>
      <Link to={`/photos/of/${photo.id}`} aria-label={`Crop ${formatPhotoName(photo)}`}>
        <CropOf file={photo.file} photo={photo} crop={crop} width={pixels(width)} height={pixels(height)} />
      </Link>
      <p>
        <b>
          {copies > 1 ? `${copies} × ` : ''}
          {formatPhotoName(photo)}
        </b>
        <br />
        {page ? (
          <>
            for <Link to={`/page/${page.id}`}>{page.name}</Link>
          </>
        ) : (
          'wanted by itself'
        )}
        <br />
        {coarse ? <em>{describeSharpness(crop, { width, height })}</em> : describeSharpness(crop, { width, height })}
        {keep ? (
          <>
            <br />
            <Quiet onPress={keep} aria-label={`Save ${formatPhotoName(photo)} as it is cropped`}>
              Save it as it is cropped
            </Quiet>
          </>
        ) : null}
      </p>
    </li>
  );
}
