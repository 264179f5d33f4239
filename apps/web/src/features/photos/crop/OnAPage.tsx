import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useMutation } from '@tanstack/react-query';
import { styled } from 'styled-components';
import { withUnitNamed, type Unit } from '@temnex/core/length';
import type { Crop, Framing, Photo } from '@temnex/core/photos';
import { addItem, addWhereFree, derivePage, emptyPage, setPicture, startPage, type Page } from '@temnex/core/page';
import { formatPhotoName, recipeText } from '@temnex/words';
import { usePageStore } from '../../../data/pages/pageStore.ts';
import { useCreatePage, usePages } from '../../../data/pages/queries.ts';
import { Strong } from '../../../design/buttons.tsx';
import { Choice } from '../../../design/Choice.tsx';
import { Notice } from '../../../design/states.tsx';
import { newId } from '../../../data/newId.ts';
import { GAP_BETWEEN_ITEMS } from '../../../widgets/pages/sizes.ts';
import type { PrintSize } from '../sizes.ts';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.4rem 0.9rem;
`;
const NEW = 'new';

interface OnAPageProps {
  photo: Photo;
  size: PrintSize;
  framing: Framing;
  stay: Crop | null;
  unit: Unit;
  /** How many pages show it. */
  shown: number;
}

/** Puts a photo on a page as this print with a mat round it, in this crop. */
export function OnAPage({ photo, size, framing, stay, unit, shown }: OnAPageProps) {
  const navigate = useNavigate();
  const pages = usePages();
  const create = useCreatePage();
  const store = usePageStore();
  const [target, setTarget] = useState(NEW);
  const put = useMutation({
    mutationFn: async () => {
      const id = newId();
      const { file, width, height } = photo;
      const measured = photo.print?.known === 'measured' && photo.print.width === size.width && photo.print.height === size.height; // prettier-ignore
      const mat = (of: Unit) => ({
        id,
        name: formatPhotoName(photo).slice(0, 120),
        recipe: 'mat-stack' as const,
        input: {
          print: {
            width: named(size.width, of),
            height: named(size.height, of),
            known: measured ? 'measured' : 'assumed',
          },
          mats: [{ id: newId(), reveal: { style: 'even', all: of === 'in' ? '1/8' : '3' } }],
        },
      });
      const named = (text: string, of: Unit) => (of === unit ? text : withUnitNamed(text, unit));
      const withPhoto = (page: Page) => setPicture(page, id, 'print', { photo: photo.id, file, width, height, ...framing, stay }); // prettier-ignore
      if (target === NEW) {
        const empty = startPage(emptyPage('New page', unit), null, (other) => recipeText(other).item(1), newId);
        const page = withPhoto(addItem(empty, mat(unit)));
        return (await create.mutateAsync(page)).id;
      }
      const made = (page: Page) => addWhereFree(page, derivePage(page), mat(page.unit), GAP_BETWEEN_ITEMS[page.unit]);
      await store.update(target, (page) => withPhoto(made(page)));
      return target;
    },
    onSuccess: (page) => void navigate(`/page/${page}`),
  });
  const open = pages.data?.filter((p) => !p.pattern && !p.unreadable) ?? [];
  return (
    <section aria-label="On a page">
      <h2>{shown ? `On ${shown === 1 ? 'a page' : `${shown} pages`} already` : 'Not on a page yet'}</h2>
      <Row style={{ marginTop: '0.5rem' }}>
        <Choice
          label="on which page"
          value={target}
          options={[{ id: NEW, name: 'a new page' }, ...open.map((p) => ({ id: p.id, name: p.name }))]}
          onChange={setTarget}
        />
        <Strong onPress={() => put.mutate()} isDisabled={put.isPending}>
          Put it there, with a mat
        </Strong>
      </Row>
      {put.error ? (
        <Notice kind="block">
          <span>{put.error.message}</span>
        </Notice>
      ) : null}
    </section>
  );
}
