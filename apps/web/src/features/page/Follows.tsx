import { useState } from 'react';
import { styled } from 'styled-components';
import { fieldKey, recipeOf, isSamePath } from '@temnex/core/recipes';
import {
  followLength,
  stopFollowing,
  type DerivedItem,
  type DerivedPage,
  type Follow,
  type Page,
} from '@temnex/core/page';
import { capitalize, describeField } from '@temnex/words';
import { Quiet } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { LengthField } from '../../design/LengthField.tsx';

const Box = styled.details`
  margin-top: 0.35rem;
  & > summary {
    cursor: pointer;
    font-size: var(--s1);
  }
  & li {
    font-size: var(--s1);
  }
`;
const Fields = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.5rem 0.8rem;
  margin-top: 0.5rem;
`;

interface FollowsProps {
  page: Page;
  derived: DerivedPage;
  here: DerivedItem;
  change: (page: Page) => void;
}

/** Lengths of an item that are another's: as wide as that, and so much more or less. */
export function Follows({ page, derived, here, change }: FollowsProps) {
  const { recipe, id } = here.item;
  const fields = recipeOf(recipe)
    .fields(here.input)
    .filter((f) => f.kind === 'length');
  const hosts = [...derived.items.values()].filter((d) => d.item.id !== id && d.laid);
  const [wanted, setWanted] = useState<Partial<Pick<Follow, 'of' | 'layer' | 'axis' | 'by'>> & { field?: string }>({});
  if (!fields.length || !hosts.length) return null;
  const follows = here.item.follows ?? [];
  const field = fields.find((f) => fieldKey(f.path) === wanted.field) ?? fields[0]!;
  const options = hosts.flatMap((d) => [
    { id: d.item.id, name: d.item.name },
    ...(d.parts.length > 1
      ? d.parts.slice(0, 12).map((p) => ({ id: `${d.item.id}/${p.key}`, name: `${d.item.name}: ${p.name}` }))
      : []),
  ]);
  const of = options.find((o) => o.id === wanted.of) ?? options[0]!;
  const axis = wanted.axis ?? (field.path.at(-1) === 'height' ? 'height' : 'width');
  const by = wanted.by ?? '0';
  const [host, layer] = of.id.split('/') as [string, string | undefined];
  const follow: Follow = {
    path: [...field.path],
    of: host,
    axis,
    by,
    ...(layer === undefined ? {} : { layer }),
  };
  const next = followLength(page, derived, id, follow);
  const already = follows.some((f) => isSamePath(f.path, field.path));
  const nameOf = ({ of: item, layer: key }: Follow) => {
    const found = derived.items.get(item);
    return (
      (key === undefined ? undefined : found?.parts.find((p) => p.key === key)?.name) ??
      found?.item.name ??
      'what is gone'
    );
  };
  return (
    <Box open={follows.length > 0 || undefined}>
      <summary>{follows.length ? 'Follows another' : 'Let a length follow another'}</summary>
      <ul>
        {follows.map((f) => {
          const less = String(f.by).trim().startsWith('-') || String(f.by).trim().startsWith('−');
          const much = String(f.by).replace(/^\s*[-−]\s*/, '');
          const text = `${capitalize(describeField(recipe, f.path))}: as ${f.axis === 'width' ? 'wide' : 'high'} as ${nameOf(f)}${
            much === '0' ? '' : `, ${much} ${less ? 'less' : 'more'}`
          }`;
          return (
            <li key={fieldKey(f.path)}>
              {text}{' '}
              <Quiet onPress={() => change(stopFollowing(page, derived, id, f.path))} aria-label={`Let go: ${text}`}>
                Let go
              </Quiet>
            </li>
          );
        })}
      </ul>
      <Fields>
        <Choice
          label="this length"
          value={fieldKey(field.path)}
          options={fields.map((f) => ({ id: fieldKey(f.path), name: describeField(recipe, f.path) }))}
          onChange={(key) => setWanted({ ...wanted, field: key })}
        />
        <Choice
          label="is as"
          value={axis}
          options={[
            { id: 'width', name: 'wide' },
            { id: 'height', name: 'high' },
          ]}
          onChange={(a: Follow['axis']) => setWanted({ ...wanted, axis: a })}
        />
        <Choice label="as" value={of.id} options={options} onChange={(o) => setWanted({ ...wanted, of: o })} />
        <LengthField
          label="more, or with a minus less, by"
          shown="and more by (− less)"
          value={by}
          unit={page.unit}
          options={{ allow: 'negative' }}
          onCommit={(text) => setWanted({ ...wanted, by: text })}
          width="4.5rem"
        />
        <Quiet onPress={() => change(next)} isDisabled={already || next === page}>
          Follow it
        </Quiet>
        {!already && next === page ? <span role="status">Nothing would be left of it.</span> : null}
      </Fields>
    </Box>
  );
}
