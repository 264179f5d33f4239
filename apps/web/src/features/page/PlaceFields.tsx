import { Input, Label } from 'react-aria-components';
import { styled } from 'styled-components';
import {
  ACROSS,
  MAX_TILT_DEGREES,
  UP_DOWN,
  changeItem,
  countFrom,
  tiltItem,
  type Axis,
  type DerivedPage,
  type Item,
  type Page,
  type Place,
} from '@temnex/core/page';
import { describePlace } from '@temnex/words';
import { TypedField } from '../../design/Split.ts';
import { Choice } from '../../design/Choice.tsx';
import { LengthField } from '../../design/LengthField.tsx';

const Fields = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.5rem 0.8rem;
  margin-top: 0.5rem;
`;

const Where = styled.details`
  margin-top: 0.5rem;
  & > summary {
    cursor: pointer;
    font-size: var(--s1);
  }
`;

const FROM: Readonly<Record<Place[Axis]['from'], string>> = {
  left: 'left edge',
  right: 'right edge',
  bottom: 'lower edge',
  top: 'upper edge',
  centre: 'middle',
  'left-third': 'left third',
  'right-third': 'right third',
  'lower-third': 'lower third',
  'upper-third': 'upper third',
  before: 'before it',
  after: 'after it',
};
const AXES: readonly { axis: Axis; name: string; ways: readonly Place[Axis]['from'][] }[] = [
  { axis: 'across', name: 'across', ways: ACROSS },
  { axis: 'upDown', name: 'up or down', ways: UP_DOWN },
];

interface PlaceFieldsProps {
  page: Page;
  derived: DerivedPage;
  item: Item;
  change: (page: Page) => void;
  /** Whether the fields are shown, or only what they come to. */
  open: boolean;
  setOpen: (open: boolean) => void;
}

/** Where an item lies: on what, counted from which edge or neighbour, and by how much. */
export function PlaceFields({ page, derived, item, change, open, setOpen }: PlaceFieldsProps) {
  const tilt = (text: string) => {
    const degrees = Number(text);
    if (Number.isFinite(degrees) && degrees !== (item.tilt ?? 0)) change(tiltItem(page, item.id, degrees));
  };
  const others = page.items.filter((i) => i.id !== item.id);
  const slots = [...derived.items.values()]
    .filter((d) => d.item.id !== item.id)
    .flatMap((d) => d.slots.map((s) => ({ item: d.item.id, slot: s.key, name: slotName(derived, d.item.id, s.key) })));
  const rooms = [
    { id: 'page', name: derived.seam ? 'both pages' : 'the page', on: 'page' as const },
    ...(derived.seam
      ? (['left', 'right'] as const).map((half) => ({ id: half, name: `the ${half} page`, on: { page: half } }))
      : []),
    ...slots.map((s) => ({ id: `${s.item}/${s.slot}`, name: s.name, on: { item: s.item, slot: s.slot } })),
  ];
  const on = rooms.find((r) => JSON.stringify(r.on) === JSON.stringify(item.on));
  const set = (axis: Axis, place: Place[Axis]) =>
    change(changeItem(page, item.id, { at: { ...item.at, [axis]: place } as Place }));
  const voice = { mark: derived.mark, figures: 'typeset' } as const;
  const nameOf = (id: string) => derived.items.get(id)?.item.name ?? 'what is gone';
  return (
    <Where open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>
        Lies {describePlace(item.at, page.unit, voice, nameOf)}
        {item.tilt ? `, tilted ${Math.abs(item.tilt)}° to the ${item.tilt > 0 ? 'left' : 'right'}` : ''}
      </summary>
      {rooms.length > 1 ? (
        <Fields>
          <Choice
            label="lies on"
            value={on?.id ?? 'page'}
            options={rooms.map(({ id, name }) => ({ id, name }))}
            onChange={(id) => change(changeItem(page, item.id, { on: rooms.find((r) => r.id === id)!.on }))}
          />
        </Fields>
      ) : null}
      {AXES.map(({ axis, name, ways }) => {
        const place = item.at[axis];
        return (
          <Fields key={axis}>
            <Choice
              label={`${name}, from`}
              value={place.from}
              options={ways
                .filter((w) => place.of !== undefined || (w !== 'before' && w !== 'after'))
                .map((id) => ({ id, name: FROM[id] }))}
              onChange={(from) => change(countFrom(page, derived, item.id, axis, from))}
            />
            <LengthField
              label={`distance ${name}`}
              shown="by"
              value={place.by}
              unit={page.unit}
              options={{ allow: 'negative' }}
              onCommit={(by) => set(axis, { ...place, by } as Place[Axis])}
              width="4.5rem"
            />
            {others.length ? (
              <Choice
                label={`of what, ${name}`}
                shown="of"
                value={place.of ?? ''}
                options={[{ id: '', name: on?.name ?? 'the page' }, ...others.map((o) => ({ id: o.id, name: o.name }))]}
                onChange={(of) => {
                  const { of: _old, ...rest } = place;
                  const from = of || (rest.from !== 'before' && rest.from !== 'after') ? rest.from : 'centre';
                  set(axis, { ...rest, from, ...(of ? { of } : {}) } as Place[Axis]);
                }}
              />
            ) : null}
          </Fields>
        );
      })}
      <Fields>
        <TypedField
          key={item.tilt ?? 0}
          defaultValue={String(item.tilt ?? 0)}
          onBlur={(e) => tilt((e.target as HTMLInputElement).value)}
          onKeyDown={(e) => (e.key === 'Enter' ? tilt((e.target as HTMLInputElement).value) : undefined)}
          style={{ width: '7.5rem' }}
        >
          <Label>tilted by, degrees</Label>
          <Input type="number" min={-MAX_TILT_DEGREES} max={MAX_TILT_DEGREES} step={0.5} />
        </TypedField>
      </Fields>
    </Where>
  );
}

const slotName = (derived: DerivedPage, item: string, slot: string): string =>
  derived.parts.find((p) => p.item === item && p.key === slot)?.name ?? `${derived.items.get(item)!.item.name}`;
