import { Suspense, lazy } from 'react';
import { styled } from 'styled-components';
import { fieldKey, isSamePath, type Field, type FieldPath } from '@temnex/core/recipes';
import {
  capitalize,
  describeFact,
  describePencilMarks,
  describeOffer,
  describeRecipeProblem,
  recipeText,
  describeSuggestion,
  formatSum,
} from '@temnex/words';
import { NARROW } from '../../design/global.ts';
import { Quiet } from '../../design/buttons.tsx';
import { SizeFigure } from '../../design/Figure.tsx';
import { Notice } from '../../design/states.tsx';
import { isTypedOnDrawing } from './DimLayer.tsx';
import { FieldInput, KnownTick } from './FieldInput.tsx';
import {
  fieldsOf,
  isTraced,
  listsOf,
  sumOf,
  withOutline,
  valueOf,
  type ConstructionEditor,
} from './constructionEditor.ts';

// few constructions have use for them: they are fetched when one does
const OutlineFile = lazy(() => import('./OutlineFile.tsx').then((m) => ({ default: m.OutlineFile })));
const Templates = lazy(() => import('./Templates.tsx').then((m) => ({ default: m.Templates })));

const Rows = styled.ol`
  display: grid;
`;
const Row = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 1rem;
  padding: 0.5rem 0 0.6rem;
  border-top: 1px solid var(--rule);
  &:first-child {
    border-top: 2px solid var(--ink);
  }
`;
const Found = styled.div`
  text-align: right;
  & > b {
    font-weight: 400;
    font-size: 1.85rem;
    line-height: 1.15;
  }
`;
/** The fields, across the whole row. */
const Under = styled.div`
  grid-column: 1 / -1;
`;
/** What was asked, large. */
const Answer = styled.p`
  grid-column: 1 / -1;
  font: 600 1.3rem/1.25 var(--figures);
`;
const Sums = styled.p`
  font-size: var(--s1);
  line-height: 1.35;
  font-variant-numeric: tabular-nums;
  color: var(--quiet);
`;
const Fields = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.4rem 0.7rem;
  & > [data-on-drawing] {
    display: none;
  }
  ${NARROW} {
    & > [data-on-drawing] {
      display: inline-flex;
    }
  }
`;
const Notices = styled.div`
  display: grid;
  gap: 0.5rem;
  margin: 0.75rem 0;
`;
const Facts = styled.ul`
  margin: 0.4rem 0;
  font-size: var(--s1);
`;

interface FieldSlipProps {
  made: ConstructionEditor;
  /** One group alone, or all that stand in no list; what is refused shows all of them, so that any can be mended. */
  only?: FieldPath | 'unlisted' | null;
}

/**
 * The same values as the drawing, as a list: a row for every layer or group with what it comes to and its sum, and the fields
 * that have no place on the drawing. On a phone, and at high zoom, it is the form.
 */
export function FieldPanel({ made, only = null }: FieldSlipProps) {
  const { recipe, laid, solved, table } = made;
  const voice = { mark: table.mark, figures: 'typeset' } as const;
  const words = recipeText(recipe);
  const fields = fieldsOf(made);
  const drawn = isTypedOnDrawing(made);
  const refused = solved.status === 'refused';
  const wanted = (group: FieldPath) =>
    refused || only === null || (only === 'unlisted' ? group.length === 1 : isSamePath(group, only));
  const marks = laid ? describePencilMarks(laid, voice) : [];
  const groups = [...new Map(fields.map((f) => [fieldKey(f.group), f.group])).values()].filter(wanted);
  return (
    <>
      {refused ? (
        <Notices>
          {solved.problems.map((problem, i) => (
            <Notice key={i} kind="block">
              <span>{describeRecipeProblem(recipe, problem, voice)}</span>
            </Notice>
          ))}
          {solved.offers.map((offer, i) => (
            <Quiet key={i} onPress={() => made.take([offer])}>
              {capitalize(describeOffer(recipe, offer, voice))}
            </Quiet>
          ))}
        </Notices>
      ) : null}
      <Rows aria-label="Sizes" style={refused ? { opacity: 0.55 } : undefined}>
        {inSight(groups).map((group) => (
          <Row key={fieldKey(group)}>
            <span style={{ color: 'var(--quiet)' }}>{words.group(group)}</span>
            <Size made={made} group={group} fields={fields} />
            {solved.status === 'solved'
              ? laid?.facts
                  .filter(({ of }) => of && isSamePath(of, group))
                  .map((fact) => <Answer key={fact.name}>{describeFact(made.recipe, fact, voice)}</Answer>)
              : null}
            <Under>
              <Fields>
                {fields
                  .filter((f) => isSamePath(f.group, group))
                  .map((f) => (
                    <span
                      key={fieldKey(f.path)}
                      data-on-drawing={drawn.some((p) => isSamePath(p, f.path)) || undefined}
                    >
                      <FieldInput made={made} field={f} width="4.6rem" />
                    </span>
                  ))}
                <Entry made={made} group={group} />
              </Fields>
              <KnownTick made={made} fields={fields.filter((f) => isSamePath(f.group, group))} />
            </Under>
          </Row>
        ))}
      </Rows>
      {solved.status === 'solved' && laid && (laid.facts.length || marks.length) ? (
        <Facts aria-label="What follows">
          {laid.facts.map((fact, i) => {
            if (fact.of) return null;
            const says = describeFact(made.recipe, fact, voice);
            return says ? <li key={i}>{capitalize(says)}.</li> : null;
          })}
          {marks.map((says) => (
            <li key={says}>{capitalize(says)}.</li>
          ))}
        </Facts>
      ) : null}
      <Suspense fallback={null}>
        {withOutline(made) ? <OutlineFile made={made} /> : null}
        {laid && isTraced(laid) ? <Templates made={made} /> : null}
      </Suspense>
      {words.byHand && laid ? <Sums as="p">{words.byHand}</Sums> : null}
      {listsOf(made).map((list) => (
        <Quiet
          key={fieldKey(list.path)}
          onPress={() => made.addTo(list.path)}
          isDisabled={list.ids.length >= list.most}
        >
          Add {words.entry(list.path)}
        </Quiet>
      ))}
      {solved.status === 'solved' ? (
        <Notices>
          {solved.suggestions
            .filter((s) => s.code !== 'off-mark')
            .map((s, i) => (
              <Notice key={i} kind="advice">
                <span>{describeSuggestion(recipe, s, voice)}</span>
              </Notice>
            ))}
        </Notices>
      ) : null}
    </>
  );
}

/** Layers as they lie: of a list the last entry first, since the outermost mat or the topmost panel is what one sees first. */
function inSight(groups: readonly FieldPath[]): readonly FieldPath[] {
  const [listed, others] = [groups.filter((g) => g.length > 1), groups.filter((g) => g.length === 1)];
  return [...[...listed].reverse(), ...others];
}

/** What a group comes to, large, with its sums. */
function Size({ made, group, fields }: { made: ConstructionEditor; group: FieldPath; fields: readonly Field[] }) {
  const layers = made.laid?.layers.filter((l) => isSamePath(l.group, group)) ?? [];
  const [layer, ...others] = layers;
  const { mark } = made.table;
  const { box } = layer ?? {};
  // of several, only what all of them are
  const alike = others.every((o) => o.box.width === box?.width && o.box.height === box.height);
  if (!layer || !box || (!layer.sized && !alike)) return <span />;
  const along = (axis: 'width' | 'height') => (layer.sized && valueOf(made, layer.sized[axis])) ?? box[axis];
  const sums = (['width', 'height'] as const).flatMap((axis) => {
    const path = layer.sized?.[axis];
    const sum = path && fields.some((f) => isSamePath(f.path, path)) ? sumOf(made, path) : null;
    return sum ? [formatSum(sum, along(axis), { mark, figures: 'typeset' })] : [];
  });
  const isGiven = (['width', 'height'] as const).every((axis) => {
    const field = fields.find((f) => layer.sized && isSamePath(f.path, layer.sized[axis]));
    return field?.kind === 'length' && field.value !== undefined;
  });
  return (
    <Found>
      <b>
        <SizeFigure width={along('width')} height={along('height')} mark={mark} />
      </b>
      {sums.length ? (
        sums.map((s, i) => <Sums key={i}>{s}</Sums>)
      ) : layer.sized && isGiven ? (
        <Sums>as given</Sums>
      ) : null}
    </Found>
  );
}

/** Moving an entry up and down the list as it is shown, whichever way its layers lie, and removing it. */
function Entry({ made, group }: { made: ConstructionEditor; group: FieldPath }) {
  const list = listsOf(made).find((l) => l.path.length === group.length - 1 && l.path.every((s, i) => s === group[i]));
  const at = Number(group.at(-1));
  const id = list?.ids[at];
  if (!list || id === undefined) return null;
  const name = recipeText(made.recipe).group(group);
  return (
    <span>
      {at + 1 < list.ids.length ? (
        <Quiet onPress={() => made.move(list.path, id, 1)} aria-label={`Move ${name} one place up`}>
          Up
        </Quiet>
      ) : null}
      {at > 0 ? (
        <Quiet onPress={() => made.move(list.path, id, -1)} aria-label={`Move ${name} one place down`}>
          Down
        </Quiet>
      ) : null}
      <Quiet onPress={() => made.remove(list.path, id)} aria-label={`Remove ${name}`}>
        Remove
      </Quiet>
    </span>
  );
}
