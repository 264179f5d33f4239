import { styled } from 'styled-components';
import { convertPageUnit, type Page } from '@temnex/core/page';
import { Choice } from '../../design/Choice.tsx';
import { LengthField } from '../../design/LengthField.tsx';
import { Tick } from '../../design/Tick.tsx';
import { PAGE_SIZES, sizeOf } from '../../widgets/pages/sizes.ts';

const Fields = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.6rem 0.8rem;
  margin-top: 0.6rem;
`;

/** The page itself: how large, single or two facing ones, in which unit and marks. */
export function GroundFields({ page, change }: { page: Page; change: (page: Page) => void }) {
  const { ground } = page;
  const set = (patch: Partial<Page['ground']>) => change({ ...page, ground: { ...ground, ...patch } });
  const spread = ground.seam !== undefined;
  return (
    <>
      <Fields>
        <Choice
          label="page size"
          value={sizeOf(page.unit, ground) ?? 'own'}
          options={[...PAGE_SIZES.map((s) => ({ id: s.id, name: s.name })), { id: 'own', name: 'a size of its own' }]}
          onChange={(id) => {
            const size = PAGE_SIZES.find((s) => s.id === id);
            if (!size) return;
            const inUnit = convertPageUnit(page, size.unit);
            change({ ...inUnit, ground: { ...inUnit.ground, width: size.width, height: size.height } });
          }}
        />
        <LengthField
          label="page width"
          value={ground.width}
          unit={page.unit}
          onCommit={(width) => set({ width })}
          width="4.6rem"
        />
        <LengthField
          label="page height"
          value={ground.height}
          unit={page.unit}
          onCommit={(height) => set({ height })}
          width="4.6rem"
        />
        <Choice
          label="unit"
          value={page.unit}
          options={[
            { id: 'in', name: 'inches' },
            { id: 'mm', name: 'millimetres' },
          ]}
          onChange={(unit) => change(convertPageUnit(page, unit))}
        />
        <Choice
          label="marks"
          value={page.mark}
          options={(page.unit === 'in'
            ? (['1/8', '1/16', '1/32', '1/64'] as const)
            : (['1 mm', '0.5 mm'] as const)
          ).map((id) => ({ id, name: id }))}
          onChange={(mark) => change({ ...page, mark })}
        />
      </Fields>
      <Fields>
        <Tick
          checked={spread}
          onChange={() => {
            const { seam: _seam, ...single } = ground;
            change({ ...page, ground: spread ? single : { ...ground, seam: 0 } });
          }}
        >
          two facing pages
        </Tick>
        <Tick
          checked={page.pattern === true}
          onChange={() => {
            const { pattern, ...rest } = page;
            change(pattern ? rest : { ...rest, pattern: true });
          }}
        >
          keep it as a pattern
        </Tick>
        {spread ? (
          <LengthField
            label="gap between them"
            value={ground.seam}
            unit={page.unit}
            options={{ allow: 'zero' }}
            onCommit={(seam) => set({ seam })}
            width="4.6rem"
          />
        ) : null}
      </Fields>
    </>
  );
}
