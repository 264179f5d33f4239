import { Suspense, lazy, useState } from 'react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { RecipeId } from '@temnex/core/recipes';
import { emptyPage, startPage } from '@temnex/core/page';
import type { PageSummary } from '@temnex/contract';
import { recipeText } from '@temnex/words';
import { newId } from '../../data/newId.ts';
import { useNavigate } from 'react-router';
import { useCreatePage, usePages, useRemovePage } from '../../data/pages/queries.ts';
import { useDemo, useSetDemo } from '../../data/demo.ts';
import { useRestoreRemoved } from '../../data/removed.ts';
import { Plain, Quiet, QuietLink } from '../../design/buttons.tsx';
import { Loading, Notice } from '../../design/states.tsx';
import { STAGES } from '../../widgets/pages/stages.ts';
import { RemovedList } from '../../widgets/RemovedList.tsx';

const Section = styled.section`
  padding: 1.1rem 1.5rem 2rem;
  border-top: 2px solid var(--ink);
`;
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem 1rem;
`;
const List = styled.ul`
  margin-top: 0.75rem;
  border-top: 1px solid var(--rule);
`;
const Item = styled.li`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.2rem 1.25rem;
  padding: 0.5rem 0;
  border-bottom: 1px solid var(--rule);
  & > a {
    font: 600 var(--s3) / 1.2 var(--figures);
  }
  & > span {
    color: var(--quiet);
  }
`;
const Kept = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1.4rem;
  margin-top: 1.6rem;
  padding-top: 0.7rem;
  border-top: 1px solid var(--rule);
  font-weight: 600;
  & > a {
    min-height: 1.75rem;
  }
  @media (pointer: coarse) {
    & > a {
      display: inline-flex;
      align-items: center;
      min-height: 2.75rem;
    }
  }
`;
const Find = styled.label`
  display: flex;
  flex-direction: column;
  max-width: 18rem;
  margin-top: 0.75rem;
  font-size: var(--s1);
  color: var(--quiet);
  & > input {
    min-height: 2.25rem;
    padding: 0.1rem 0.6rem;
    border: 0;
    border-bottom: 2px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
  }
`;
/** So many of the latest pages are listed at first. */
const LISTED = 25;
/** Fetched when it is asked for. */
const BeginFrom = lazy(() => import('../../widgets/pages/BeginFrom.tsx'));
const nameOf = (recipe: RecipeId) => recipeText(recipe).item(1);

/** The pages there are, and how far each has come. */
export function PagesOnTable() {
  const pages = usePages();
  const demo = useDemo();
  const create = useCreatePage();
  const remove = useRemovePage();
  const setDemo = useSetDemo();
  const restore = useRestoreRemoved();
  const navigate = useNavigate();
  const [begun, setBegun] = useState<string | null>(null);
  const [out, setOut] = useState<{ id: string; name: string } | null>(null);
  const [sought, setSought] = useState('');
  const [most, setMost] = useState(LISTED);
  const words = sought.toLowerCase().split(/\s+/);
  const found =
    pages.data?.filter((p) => !p.pattern && words.every((word) => p.name.toLowerCase().includes(word))) ?? [];
  const trouble = pages.error ?? demo.error ?? create.error ?? remove.error ?? restore.error ?? setDemo.error;
  const row = (p: PageSummary) => (
    <Item key={p.id}>
      <Link to={`/page/${p.id}`}>{p.name}</Link>
      {p.unreadable ? (
        <span>cannot be read; open it to mend its text</span>
      ) : (
        <>
          <span>
            {p.width} × {p.height} {p.unit === 'mm' ? 'mm' : 'in'}, {p.parts} parts
          </span>
          {p.pattern ? null : <span>{STAGES[p.stage]}</span>}
          <Quiet
            aria-label={`Begin another like ${p.name}`}
            aria-expanded={begun === p.id}
            onPress={() => setBegun(begun === p.id ? null : p.id)}
          >
            Begin another
          </Quiet>
        </>
      )}
      {p.demo ? (
        <span>the example</span>
      ) : (
        <Quiet
          aria-label={`Remove ${p.name}`}
          isDisabled={remove.isPending}
          onPress={() => remove.mutate(p.id, { onSuccess: () => setOut(p) })}
        >
          Remove
        </Quiet>
      )}
      {begun === p.id ? (
        <Suspense fallback={null}>
          <BeginFrom id={p.id} close={() => setBegun(null)} />
        </Suspense>
      ) : null}
    </Item>
  );
  return (
    <Section aria-labelledby="pages-heading">
      <Head>
        <h2 id="pages-heading">Pages on the table</h2>
        <Plain
          isDisabled={create.isPending}
          onPress={() =>
            create.mutate(startPage(emptyPage('New page'), null, nameOf, newId), {
              onSuccess: (page) => void navigate(`/page/${page.id}`),
            })
          }
        >
          Start a page
        </Plain>
        <QuietLink to="/books">The record of what was cut</QuietLink>
        {demo.data ? (
          <Quiet onPress={() => setDemo.mutate(!demo.data.present)} isDisabled={setDemo.isPending}>
            {demo.data.present ? 'Take the example out' : 'Put the example in'}
          </Quiet>
        ) : null}
      </Head>
      {trouble ? (
        <div style={{ marginTop: '0.75rem' }}>
          <Notice kind="block">
            <span>{trouble.message}</span>
            <Quiet
              onPress={() => {
                void pages.refetch();
                void demo.refetch();
              }}
            >
              Try again
            </Quiet>
          </Notice>
        </div>
      ) : null}
      {out ? (
        <div style={{ marginTop: '0.75rem' }}>
          <Notice kind="advice">
            <span>{out.name} is taken out.</span>
            <Quiet onPress={() => restore.mutate({ kind: 'page', id: out.id }, { onSuccess: () => setOut(null) })}>
              Put it back
            </Quiet>
          </Notice>
        </div>
      ) : null}
      {pages.isPending ? <Loading what="the pages" /> : null}
      {pages.data?.length === 0 ? (
        <p style={{ marginTop: '0.75rem' }}>None yet. Size a mat above and put it on a page, or look at the example.</p>
      ) : null}
      {(pages.data?.length ?? 0) > LISTED ? (
        <Find>
          find a page by its name
          <input type="text" value={sought} autoComplete="off" onChange={(e) => setSought(e.target.value)} />
        </Find>
      ) : null}
      <List aria-label="Pages">{found.slice(0, most).map(row)}</List>
      {found.length > most ? (
        <Quiet onPress={() => setMost(most + 4 * LISTED)}>
          Show {Math.min(4 * LISTED, found.length - most)} more of {found.length} pages
        </Quiet>
      ) : null}
      {sought.trim() && !found.length && pages.data ? <p>No page is called so.</p> : null}
      {pages.data?.some((p) => p.pattern) ? (
        <>
          <h3 style={{ marginTop: '1.2rem' }}>Patterns of your own</h3>
          <List aria-label="Patterns">{pages.data.filter((p) => p.pattern).map(row)}</List>
        </>
      ) : null}
      <RemovedList kinds={['page']} />
      <Kept aria-label="The books">
        <Link to="/books">The record</Link>
        <Link to="/books/devices">Other devices</Link>
        <Link to="/books/backup">Backup</Link>
      </Kept>
    </Section>
  );
}
