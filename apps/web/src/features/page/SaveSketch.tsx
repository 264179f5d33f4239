import { useState } from 'react';
import type { Page } from '@temnex/core/page';
import { sketchFromPage } from '@temnex/core/sketches';
import { useCreatePage } from '../../data/pages/queries.ts';
import { Quiet, QuietLink } from '../../design/buttons.tsx';
import { Notice } from '../../design/states.tsx';

/** Keeps the arrangement of a page, without its papers and photos, to be laid on other photos. */
export function SaveSketch({ page }: { page: Page }) {
  const create = useCreatePage();
  const [saved, setSaved] = useState<Page | null>(null);
  return (
    <div style={{ marginTop: '0.5rem' }}>
      <Quiet
        isDisabled={create.isPending}
        onPress={() => create.mutate(sketchFromPage(page, `${page.name}, sketch`), { onSuccess: () => setSaved(page) })}
      >
        Save its arrangement as a sketch
      </Quiet>{' '}
      <span role="status">
        {saved === page ? (
          <>
            Saved. <QuietLink to="/photos/sketches">All sketches</QuietLink>
          </>
        ) : null}
      </span>
      {create.error ? (
        <Notice kind="block">
          <span>{create.error.message}</span>
        </Notice>
      ) : null}
    </div>
  );
}
