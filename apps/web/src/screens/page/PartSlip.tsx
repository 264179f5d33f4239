import { styled } from 'styled-components';
import {
  addMat,
  changeLayer,
  changePhoto,
  exactText,
  giveReveal,
  giveSize,
  inOtherUnit,
  moveLayer,
  removePart,
  type DerivedPage,
  type Mat,
  type Page,
  type PagePanel,
  type PagePhoto,
  type Part,
  type Reveal,
} from '@temnex/core';
import { sumWords } from '@temnex/words';
import { Quiet } from '../../ui/buttons.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { SizeFigure } from '../../ui/Figure.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { newId } from '../../ui/newId.ts';

const Fields = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.6rem 0.8rem;
  margin-top: 0.6rem;
`;
const Size = styled.p`
  font-size: var(--s4);
  line-height: 1.2;
  margin-top: 0.3rem;
`;
const Sums = styled.p`
  font-size: var(--s1);
  color: var(--quiet);
`;

interface PartSlipProps {
  page: Page;
  derived: DerivedPage;
  part: Part;
  change: (page: Page) => void;
  select: (part: string | null) => void;
}

/** All that can be said about the selected part. */
export function PartSlip({ page, derived, part, change, select }: PartSlipProps) {
  const voice = { mark: derived.mark, figures: 'typeset' } as const;
  const photo = page.photos.find((p) => p.id === part.photo);
  const mat = photo?.mats.find((m) => m.id === part.id);
  const panel = page.panels.find((p) => p.id === part.id);
  const layer = mat ?? panel;
  const rename = (name: string) => {
    if (part.kind === 'base') change({ ...page, base: { ...page.base, name } });
    else if (layer) change(changeLayer(page, layer.id, () => ({ name })));
    else if (photo) change(changePhoto(page, photo.id, { name }));
  };
  const remove = () => {
    change(removePart(page, part.id));
    select('base');
  };
  return (
    <>
      <NameField
        label={part.kind === 'print' ? 'Photo' : part.kind === 'mat' ? 'Mat' : part.kind === 'panel' ? 'Panel' : 'Base'}
        value={part.name}
        onCommit={rename}
      />
      <Size>
        <SizeFigure width={part.width} height={part.height} mark={derived.mark} />
      </Size>
      {(['width', 'height'] as const).map((axis) => {
        const sum = part.sums[axis];
        return sum ? <Sums key={axis}>{sumWords(sum, part[axis], voice)}</Sums> : null;
      })}
      {part.kind === 'base' ? <BaseFields page={page} change={change} /> : null}
      {part.kind === 'print' && photo ? <PhotoFields page={page} photo={photo} change={change} /> : null}
      {layer ? <LayerFields page={page} part={part} layer={layer} change={change} /> : null}
      {panel ? <RestFields page={page} panel={panel} change={change} /> : null}
      <Fields>
        {part.kind === 'print' && photo ? (
          <Quiet onPress={() => change(addMat(page, photo.id, newId()))} isDisabled={photo.mats.length >= 12}>
            Add a mat
          </Quiet>
        ) : null}
        {layer ? (
          <>
            <Quiet onPress={() => change(moveLayer(page, layer.id, 1))}>{mat ? 'Further out' : 'Higher'}</Quiet>
            <Quiet onPress={() => change(moveLayer(page, layer.id, -1))}>{mat ? 'Closer in' : 'Lower'}</Quiet>
          </>
        ) : null}
        {part.kind !== 'base' ? (
          <Quiet onPress={remove}>{part.kind === 'print' ? 'Remove with its mats' : 'Remove'}</Quiet>
        ) : null}
      </Fields>
    </>
  );
}

function BaseFields({ page, change }: { page: Page; change: (page: Page) => void }) {
  return (
    <Fields>
      <LengthField
        label="page width"
        value={page.width}
        unit={page.unit}
        onCommit={(width) => change({ ...page, width })}
      />
      <LengthField
        label="page height"
        value={page.height}
        unit={page.unit}
        onCommit={(height) => change({ ...page, height })}
      />
      <Choice
        label="unit"
        value={page.unit}
        options={[
          { id: 'in', name: 'inches' },
          { id: 'mm', name: 'millimetres' },
        ]}
        onChange={(unit) => change(inOtherUnit(page, unit))}
      />
      <Choice
        label="marks"
        value={page.mark}
        options={(page.unit === 'in' ? (['1/8', '1/16', '1/32', '1/64'] as const) : (['1 mm', '0.5 mm'] as const)).map(
          (id) => ({ id, name: id }),
        )}
        onChange={(mark) => change({ ...page, mark })}
      />
    </Fields>
  );
}

function PhotoFields({ page, photo, change }: { page: Page; photo: PagePhoto; change: (page: Page) => void }) {
  const { print, at } = photo;
  const set = (patch: Partial<PagePhoto>) => change(changePhoto(page, photo.id, patch));
  return (
    <>
      <Fields>
        <LengthField
          label="print width"
          value={print.width}
          unit={page.unit}
          onCommit={(width) => set({ print: { ...print, width } })}
        />
        <LengthField
          label="print height"
          value={print.height}
          unit={page.unit}
          onCommit={(height) => set({ print: { ...print, height } })}
        />
        <Choice
          label="this size is"
          value={print.known}
          options={[
            { id: 'measured', name: 'measured' },
            { id: 'assumed', name: 'assumed' },
          ]}
          onChange={(known) => set({ print: { ...print, known } })}
        />
      </Fields>
      <Fields>
        <Choice
          label="across, from"
          value={at.across.from}
          options={(['left', 'centre', 'right'] as const).map((id) => ({ id, name: id }))}
          onChange={(from) => set({ at: { ...at, across: { ...at.across, from } } })}
        />
        <LengthField
          label="by"
          value={at.across.by}
          unit={page.unit}
          options={{ allow: 'negative' }}
          onCommit={(by) => set({ at: { ...at, across: { ...at.across, by } } })}
          width="4.5rem"
        />
        <Choice
          label="up or down, from"
          value={at.upDown.from}
          options={(['bottom', 'centre', 'top'] as const).map((id) => ({ id, name: id }))}
          onChange={(from) => set({ at: { ...at, upDown: { ...at.upDown, from } } })}
        />
        <LengthField
          label="by"
          value={at.upDown.by}
          unit={page.unit}
          options={{ allow: 'negative' }}
          onCommit={(by) => set({ at: { ...at, upDown: { ...at.upDown, by } } })}
          width="4.5rem"
        />
      </Fields>
    </>
  );
}

const EDGES = ['left', 'right', 'top', 'bottom'] as const;

/** Reveal and size of a mat or panel: the given ones stand firm, the computed ones can be taken over. */
function LayerFields({
  page,
  part,
  layer,
  change,
}: {
  page: Page;
  part: Part;
  layer: Mat | PagePanel;
  change: (page: Page) => void;
}) {
  const { unit } = page;
  const text = (n: Part['width']) => exactText(n, unit);
  const r = part.reveals;
  const reveal = layer.reveal;
  const options = { allow: part.kind === 'panel' ? ('negative' as const) : ('zero' as const) };
  const setOne = (value: string) => change(giveReveal(page, layer.id, [value]));
  const setEdge = (at: number, value: string) => {
    const all = EDGES.map((e) => (r ? text(r[e]) : '0')) as [string, string, string, string];
    if (reveal?.length === 4) reveal.forEach((v, i) => (all[i] = String(v)));
    all[at] = value;
    change(giveReveal(page, layer.id, all));
  };
  const uneven = reveal ? reveal.length > 1 : r !== null && new Set(EDGES.map((e) => r[e])).size > 1;
  const toggle = (): Reveal =>
    uneven
      ? [reveal?.[0] ?? (r ? text(r.left) : '0')]
      : (EDGES.map((e) => (reveal?.length === 1 ? reveal[0] : r ? text(r[e]) : '0')) as [
          string,
          string,
          string,
          string,
        ]);
  return (
    <>
      <Fields>
        {uneven ? (
          EDGES.map((edge, i) => (
            <LengthField
              key={edge}
              label={edge}
              value={reveal?.length === 4 ? reveal[i] : r ? text(r[edge]) : ''}
              unit={unit}
              options={options}
              computed={!reveal}
              onCommit={(v) => setEdge(i, v)}
              width="4.2rem"
            />
          ))
        ) : (
          <LengthField
            label="reveal all round"
            value={reveal?.[0] ?? (r ? text(r.left) : '')}
            unit={unit}
            options={options}
            computed={!reveal}
            onCommit={setOne}
          />
        )}
        <Quiet onPress={() => change(giveReveal(page, layer.id, toggle()))}>
          {uneven ? 'Make even' : 'Four edges'}
        </Quiet>
      </Fields>
      <Fields>
        {(['width', 'height'] as const).map((axis) => (
          <LengthField
            key={axis}
            label={axis}
            value={layer[axis] ?? text(part[axis])}
            unit={unit}
            computed={layer[axis] === undefined}
            onCommit={(v) =>
              change(
                giveSize(
                  page,
                  layer.id,
                  axis === 'width' ? v : (layer.width ?? text(part.width)),
                  axis === 'height' ? v : (layer.height ?? text(part.height)),
                ),
              )
            }
          />
        ))}
      </Fields>
    </>
  );
}

function RestFields({ page, panel, change }: { page: Page; panel: PagePanel; change: (page: Page) => void }) {
  const rest = panel.rest ?? { across: 'centre' as const, upDown: 'centre' as const };
  const set = (next: typeof rest) => change(changeLayer(page, panel.id, () => ({ rest: next })));
  return (
    <Fields>
      <Choice
        label="lies across"
        value={rest.across}
        options={(['left', 'centre', 'right'] as const).map((id) => ({
          id,
          name: id === 'centre' ? 'centred' : `flush ${id}`,
        }))}
        onChange={(across) => set({ ...rest, across })}
      />
      <Choice
        label="lies up or down"
        value={rest.upDown}
        options={(['bottom', 'centre', 'top'] as const).map((id) => ({
          id,
          name: id === 'centre' ? 'centred' : `flush ${id}`,
        }))}
        onChange={(upDown) => set({ ...rest, upDown })}
      />
    </Fields>
  );
}
