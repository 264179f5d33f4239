import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import { MARKS, parseLength } from '@temnex/core/length';
import { beginFromPattern, type Ground, type Misfit, type Page } from '@temnex/core/page';
import { DEFAULT_NAMES, formatLength, describePageProblem, type Voice } from '@temnex/words';
import { useCreatePage, usePage } from '../../data/pages/queries.ts';
import { Plain, Quiet } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { LengthField } from '../../design/LengthField.tsx';
import { NameField } from '../../design/NameField.tsx';
import { Loading, Notice } from '../../design/states.tsx';
import { Tick } from '../../design/Tick.tsx';
import { PAGE_SIZES, sizeOf } from './sizes.ts';

const Box = styled.div`
  flex-basis: 100%;
  display: grid;
  gap: 0.6rem;
  padding: 0.4rem 0 0.8rem 0.8rem;
  border-left: 5px solid var(--ink);
`;
const Fields = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.6rem 0.9rem;
`;

/** What of a pattern does not fit, in one sentence. */
export function describeMisfit(misfit: Misfit, page: Page): string {
  const voice: Voice = { mark: MARKS[page.mark], figures: 'typeset' };
  const nameOf = (id: string) => page.items.find((i) => i.id === id)?.name ?? id;
  if ('part' in misfit)
    return `${misfit.part} reaches ${formatLength(misfit.by, voice)} over the ${misfit.edges.join(' and ')} edge.`;
  const { recipe = null } = page.items.find((i) => i.id === misfit.item) ?? {};
  return `${nameOf(misfit.item)}: ${describePageProblem(misfit.problem, recipe, voice, nameOf)}`;
}

const groundOf = ({ unit, ground: { width, height, seam } }: Page): Ground => ({
  unit,
  width: String(width),
  height: String(height),
  seam: seam === undefined ? null : String(seam),
});

/** Another page like one that there is, of the same size or another: what does not fit is told before it is begun. */
export default function BeginFrom({ id, close }: { id: string; close: () => void }) {
  const record = usePage(id);
  const create = useCreatePage();
  const navigate = useNavigate();
  const document = record.data?.document;
  const [name, setName] = useState<string | null>(null);
  const [asked, setAsked] = useState<Ground | null>(null);
  const ground = useMemo(() => asked ?? (document ? groundOf(document) : null), [asked, document]);
  const begun = useMemo(() => {
    if (!document || !ground) return null;
    const reads = [ground.width, ground.height].every((text) => parseLength(text, ground.unit).ok);
    return reads ? beginFromPattern(document, name ?? `${document.name}, another`, ground, DEFAULT_NAMES) : null;
  }, [document, ground, name]);
  if (record.error)
    return (
      <Box>
        <Notice kind="block">
          <span>{record.error.message}</span>
        </Notice>
      </Box>
    );
  if (!document || !ground || !begun) return <Loading what="the page" />;
  return (
    <Box aria-label={`Another like ${document.name}`} role="group">
      <NameField label="Name of the new page" value={begun.page.name} onCommit={setName} />
      <Fields>
        <Choice
          label="size"
          value={sizeOf(ground.unit, ground) ?? 'own'}
          options={[...PAGE_SIZES.map((s) => ({ id: s.id, name: s.name })), { id: 'own', name: 'a size of its own' }]}
          onChange={(size) => {
            const found = PAGE_SIZES.find((s) => s.id === size);
            if (found) setAsked({ ...ground, unit: found.unit, width: found.width, height: found.height });
          }}
        />
        {(['width', 'height'] as const).map((axis) => (
          <LengthField
            key={axis}
            label={`${axis} of the new page`}
            shown={axis}
            value={ground[axis]}
            unit={ground.unit}
            onCommit={(text) => setAsked({ ...ground, [axis]: text })}
            width="4.6rem"
          />
        ))}
        <Tick
          checked={ground.seam !== null}
          onChange={() => setAsked({ ...ground, seam: ground.seam === null ? '0' : null })}
        >
          two facing pages
        </Tick>
      </Fields>
      <div aria-live="polite">
        {begun.misfits.length ? (
          <Notice kind="advice">
            <span>
              Not all of it fits, and can be mended there:{' '}
              {begun.misfits.slice(0, 8).map((m, i) => (
                <span key={i}>{describeMisfit(m, begun.page)} </span>
              ))}
              {begun.misfits.length > 8 ? `And ${begun.misfits.length - 8} more.` : ''}
            </span>
          </Notice>
        ) : (
          <p>All of it fits.</p>
        )}
      </div>
      {create.error ? (
        <Notice kind="block">
          <span>{create.error.message}</span>
        </Notice>
      ) : null}
      <Fields>
        <Plain
          isDisabled={create.isPending}
          onPress={() => create.mutate(begun.page, { onSuccess: (page) => void navigate(`/page/${page.id}`) })}
        >
          Begin it
        </Plain>
        <Quiet onPress={close}>Leave it</Quiet>
      </Fields>
    </Box>
  );
}
