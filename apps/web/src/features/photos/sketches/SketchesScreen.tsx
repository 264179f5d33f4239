import { useMemo, useState } from 'react';
import { Input, Label } from 'react-aria-components';
import { useNavigate, useSearchParams } from 'react-router';
import { useQueries } from '@tanstack/react-query';
import { styled } from 'styled-components';
import { MARKS } from '@temnex/core/length';
import type { Photo } from '@temnex/core/photos';
import { derivePage, beginFromPattern } from '@temnex/core/page';
import {
  findCoveredByTurning,
  collectSketchFacts,
  layPhotos,
  parseSketchQuery,
  shippedSketches,
  isSketchMatching,
  turnOpening,
  type SketchFacts,
} from '@temnex/core/sketches';
import type { PageRecord } from '@temnex/contract';
import {
  DEFAULT_NAMES,
  formatCount,
  formatPhotoName,
  describePhoto,
  describeSuggestion,
  describeUnlaid,
} from '@temnex/words';
import { photoUrl } from '../../../data/photos.ts';
import { usePageStore } from '../../../data/pages/pageStore.ts';
import { useCreatePage, usePages } from '../../../data/pages/queries.ts';
import { PlainPage } from '../../../widgets/photos/PlainPage.tsx';
import { NARROW } from '../../../design/global.ts';
import { Quiet, QuietLink, Strong } from '../../../design/buttons.tsx';
import { Choice } from '../../../design/Choice.tsx';
import { NameField } from '../../../design/NameField.tsx';
import { Empty, Notice } from '../../../design/states.tsx';
import { SearchLine, SidePanel, Split } from '../../../design/Split.ts';
import { PAGE_SIZES, sizeOf } from '../../../widgets/pages/sizes.ts';
import { describeMisfit } from '../../../widgets/pages/BeginFrom.tsx';
import { usePhotosContext } from '../context.ts';
import { KEYS } from '../../../data/keys.ts';

const Ground = styled.section`
  min-width: 0;
  padding: 0.9rem 1.5rem 2rem;
  background: var(--table);
  overflow-y: auto;
  ${NARROW} {
    padding: 0.6rem 0.75rem;
  }
`;
const Line = styled.div`
  margin-bottom: 1rem;
`;
const All = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 1.3rem 1.4rem;
  align-items: flex-end;
  & button {
    display: block;
    padding: 0;
    border: 0;
    background: none;
    text-align: left;
    cursor: pointer;
  }
  & button > b {
    display: block;
    max-width: 11rem;
    margin-top: 0.35rem;
    font-weight: 600;
    line-height: 1.2;
  }
  & button > span {
    font-size: var(--s1);
    color: var(--quiet);
  }
  & button[aria-pressed='true'] svg {
    outline: 3px solid var(--ink) !important;
    outline-offset: 2px;
  }
`;
const Chosen = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  & button {
    display: block;
    padding: 0;
    border: 1px solid var(--ink);
    background: none;
    cursor: pointer;
  }
  & img {
    display: block;
    height: 56px;
  }
`;
const PER_INCH = 13;
const LARGER = 22;

/** Facts of a sketch in a line: `3 upright, 1 level, title`. */
const describeSketch = ({ upright, level, square, title, words }: SketchFacts): string =>
  [
    upright ? `${upright} upright` : '',
    level ? `${level} level` : '',
    square ? `${square} square` : '',
    title ? 'title' : '',
    words ? 'words' : '',
  ]
    .filter(Boolean)
    .join(', ');

/** One's own that have come. */
const fetched = (all: readonly { readonly data: PageRecord | undefined }[]) =>
  all.flatMap(({ data }) => (data ? [{ id: data.id, page: data.document }] : []));

/** Arrangements that come along, and one's own: found by what they have, laid on photos, begun as a page. */
export function SketchesScreen() {
  const { photos } = usePhotosContext();
  const navigate = useNavigate();
  const [address, setAddress] = useSearchParams();
  const pages = usePages();
  const create = useCreatePage();
  const store = usePageStore();
  const [line, setLine] = useState('');
  const [which, setWhich] = useState<string | null>(null);
  const [size, setSize] = useState<string | null>(null);
  const [name, setName] = useState('New page');
  const [turned, setTurned] = useState<readonly string[]>([]);
  const ids = useMemo(() => (address.get('photos') ?? '').split(/[ +]/).filter(Boolean), [address]);
  const chosen = useMemo(() => ids.flatMap((id) => photos.find((p) => p.id === id) ?? []), [ids, photos]);
  const choose = (next: readonly string[]) =>
    setAddress(next.length ? { photos: next.join(' ') } : {}, { replace: true });
  const patterns = pages.data?.filter((p) => p.pattern && !p.unreadable) ?? [];
  const own = useQueries({
    queries: patterns.map(({ id }) => ({ queryKey: KEYS.page(id), queryFn: () => store.fetch(id) })),
    combine: fetched,
  });
  const sought = useMemo(() => parseSketchQuery(line), [line]);
  const sketches = useMemo(
    () => [...shippedSketches(), ...own].map(({ id, page }) => ({ id, page, facts: collectSketchFacts(page) })),
    [own],
  );
  const found = useMemo(() => sketches.filter(({ facts }) => isSketchMatching(facts, sought)), [sketches, sought]);
  const seen = useMemo(
    () =>
      new Map(sketches.map(({ id, page }) => [id, derivePage(chosen.length ? layPhotos(page, chosen).page : page)])),
    [sketches, chosen],
  );
  const one = sketches.find((s) => s.id === which) ?? null;
  const begun = useMemo(() => {
    if (!one) return null;
    const { page } = one;
    const ground = PAGE_SIZES.find((s) => s.id === size);
    const { width, height, seam } = page.ground;
    const asked = ground ?? { unit: page.unit, width: String(width), height: String(height) };
    const made = beginFromPattern(
      page,
      name,
      { ...asked, seam: seam === undefined ? null : String(seam) },
      DEFAULT_NAMES,
    );
    const { pattern: _pattern, ...fresh } = turned.reduce(turnOpening, made.page);
    const laid = layPhotos(fresh, chosen);
    // What reaches past the page or is not seen at all is said before the page is begun.
    const seenWrong = derivePage(laid.page).suggestions.filter(
      ({ suggestion: { code } }) => code === 'overhang' || code === 'hidden-under',
    );
    const unlaid = [...laid.unlaid, ...findCoveredByTurning(made.page, laid.page)];
    return { page: laid.page, unlaid, misfits: made.misfits, seenWrong };
  }, [one, size, name, chosen, turned]);
  const waiting = useMemo(() => {
    const picked = new Set(ids);
    return photos.filter((p) => !picked.has(p.id)).slice(0, 30);
  }, [photos, ids]);
  const nameOf = (id: string): string => photos.find((p) => p.id === id)?.what ?? 'a photo';
  return (
    <Split>
      <h1 className="out-of-sight">Sketches</h1>
      <Ground>
        <Line>
          <SearchLine value={line} onChange={setLine}>
            <Label>Which arrangement?</Label>
            <Input autoComplete="off" data-say-line placeholder="such as three upright, one level, with a title" />
          </SearchLine>
        </Line>
        {found.length ? (
          <All aria-label="Sketches">
            {found.map(({ id, page, facts }) => (
              <li key={id}>
                <button
                  type="button"
                  aria-pressed={id === which}
                  onClick={() => {
                    setWhich(id);
                    setTurned([]);
                    setSize(null);
                  }}
                >
                  <PlainPage derived={seen.get(id)!} scale={PER_INCH} />
                  <b>{page.name}</b>
                  <span>{describeSketch(facts)}</span>
                </button>
              </li>
            ))}
          </All>
        ) : (
          <Empty title="No sketch has just that">
            <p>Keep one of your pages as a sketch, or look at all of them.</p>
            <Quiet onPress={() => setLine('')}>Look at all</Quiet>
          </Empty>
        )}
      </Ground>
      <SidePanel aria-label="What is laid on it">
        <section aria-label="Photos">
          <h2>{chosen.length ? formatCount(chosen.length, 'photo') : 'Without photos'}</h2>
          <PhotoRow photos={chosen} press={(id) => choose(ids.filter((i) => i !== id))} label="Leave out" />
          <details>
            <summary>Choose photos</summary>
            <PhotoRow photos={waiting} press={(id) => choose([...ids, id])} label="Lay" />
            <QuietLink to="/photos">Look through all</QuietLink>
          </details>
        </section>
        {one && begun ? (
          <section aria-label="The page that is begun">
            <PlainPage
              derived={derivePage(begun.page)}
              scale={LARGER * (12 / Math.max(12, derivePage(begun.page).width / 24_384))}
            />
            <NameField label="Name of the new page" value={name} onCommit={setName} />
            <Choice
              label="size"
              value={size ?? sizeOf(one.page.unit, one.page.ground) ?? 'own'}
              options={[
                ...PAGE_SIZES.map((s) => ({ id: s.id, name: s.name })),
                ...(sizeOf(one.page.unit, one.page.ground) ? [] : [{ id: 'own', name: 'its own size' }]),
              ]}
              onChange={setSize}
            />
            <ul style={{ display: 'grid', gap: '0.4rem', margin: '0.6rem 0' }} aria-live="polite">
              {begun.unlaid.map((u, i) =>
                chosen.length || u.is !== 'no-photo' ? (
                  <li key={i}>
                    <Notice kind="advice">
                      <span>
                        {describeUnlaid(u, nameOf, (id) => begun.page.items.find((item) => item.id === id)?.name ?? id)}
                      </span>
                      {u.is === 'other-way' ? (
                        <Quiet onPress={() => setTurned([...turned, u.item])}>Turn its place</Quiet>
                      ) : null}
                    </Notice>
                  </li>
                ) : null,
              )}
              {begun.seenWrong.map(({ item, suggestion }, i) => (
                <li key={`s${i}`}>
                  <Notice kind="advice">
                    <span>
                      {begun.page.items.find((one) => one.id === item)?.name}:{' '}
                      {describeSuggestion(begun.page.items.find((one) => one.id === item)!.recipe, suggestion, {
                        mark: MARKS[begun.page.mark],
                        figures: 'typeset',
                      })}
                    </span>
                  </Notice>
                </li>
              ))}
              {begun.misfits.map((m, i) => (
                <li key={`m${i}`}>
                  <Notice kind="advice">
                    <span>{describeMisfit(m, begun.page)}</span>
                  </Notice>
                </li>
              ))}
            </ul>
            {create.error ? (
              <Notice kind="block">
                <span>{create.error.message}</span>
              </Notice>
            ) : null}
            <Strong
              isDisabled={create.isPending}
              onPress={() => create.mutate(begun.page, { onSuccess: ({ id }) => void navigate(`/page/${id}`) })}
            >
              Begin the page
            </Strong>
          </section>
        ) : (
          <p>Press a sketch: photos go where they lie the same way, and what does not fit is said before you begin.</p>
        )}
      </SidePanel>
    </Split>
  );
}

function PhotoRow({ photos, press, label }: { photos: readonly Photo[]; press: (id: string) => void; label: string }) {
  return (
    <Chosen aria-label={label}>
      {photos.map((p) => (
        <li key={p.id}>
          <button
            type="button"
            onClick={() => press(p.id)}
            aria-label={`${label} ${describePhoto(p)}`}
            title={formatPhotoName(p)}
          >
            <img src={photoUrl(p.file, 'small')} alt="" loading="lazy" />
          </button>
        </li>
      ))}
    </Chosen>
  );
}
