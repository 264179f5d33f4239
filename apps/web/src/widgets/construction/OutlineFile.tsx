import { useState } from 'react';
import { Button, DropZone, FileTrigger, type FileDropItem } from 'react-aria-components';
import { styled } from 'styled-components';
import { describeLeftOut, describeSvgProblem } from '@temnex/words';
import { Notice } from '../../design/states.tsx';
import { withOutline, type ConstructionEditor } from './constructionEditor.ts';

const Zone = styled(DropZone)`
  margin-top: 0.75rem;
  padding: 0.4rem 0.6rem;
  border: 1.5px dashed var(--quiet);
  &[data-drop-target] {
    border-color: var(--ink);
    background: var(--sheet);
  }
  & button {
    padding: 0;
    border: 0;
    background: none;
    font: inherit;
    font-weight: 600;
    text-decoration: underline;
    cursor: pointer;
  }
`;

type Told = { readonly wrong: string } | { readonly says: string };

/** An outline of one's own, read from an SVG file that is chosen or dropped. */
export function OutlineFile({ made }: { made: ConstructionEditor }) {
  const [told, setTold] = useState<Told | null>(null);
  const take = withOutline(made);
  if (!take) return null;
  const read = async (file: File) => {
    const { MAX_SVG_BYTES, readSvgOutline } = await import('@temnex/core/svg');
    if (file.size > MAX_SVG_BYTES) return setTold({ wrong: describeSvgProblem('too-large') });
    const found = readSvgOutline(await file.text(), () => performance.now());
    const left = describeLeftOut(found.leftOut);
    if (!found.ok) return setTold({ wrong: [describeSvgProblem(found.why), left].filter(Boolean).join(' ') });
    const name = file.name.replace(/\.svg$/i, '').slice(0, 100);
    made.put(take({ name, ...found.read }));
    const holes = found.read.holes.length;
    const cut = holes ? `, ${holes === 1 ? 'one hole' : `${holes} holes`}` : '';
    setTold({ says: `${name}: ${found.read.outline.length} corners${cut}${left ? `; ${left}` : ''}.` });
  };
  const choose = (file: File | undefined) => {
    if (file) read(file).catch(() => setTold({ wrong: describeSvgProblem('') }));
  };
  return (
    <Zone
      aria-label="An outline of my own"
      onDrop={(e) => {
        const item = e.items.find((one): one is FileDropItem => one.kind === 'file');
        if (item) void item.getFile().then(choose);
      }}
    >
      <FileTrigger acceptedFileTypes={['image/svg+xml', '.svg']} onSelect={(files) => choose(files?.[0] ?? undefined)}>
        <Button>Read an outline from an SVG file</Button>
      </FileTrigger>
      , or drop it here
      {told && 'says' in told ? <p role="status">{told.says}</p> : null}
      {told && 'wrong' in told ? (
        <Notice kind="block">
          <span>{told.wrong}</span>
        </Notice>
      ) : null}
    </Zone>
  );
}
