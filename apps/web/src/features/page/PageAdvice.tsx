import { computeCutAway, type Coverage, type DerivedPage } from '@temnex/core/page';
import { describeCoverage, describeCutAway, describeSuggestion, formatLength, type Voice } from '@temnex/words';
import { Block } from '../../design/Block.tsx';
import { Notice } from '../../design/states.tsx';

interface PageAdviceProps {
  derived: DerivedPage;
  covered: readonly Coverage[];
  nameOf: (item: string) => string;
  voice: Voice;
}

/** What might be better on the page; nothing of it must be. */
export function PageAdvice({ derived, covered, nameOf, voice }: PageAdviceProps) {
  const advice = derived.suggestions.filter(
    (s) => s.suggestion.code !== 'off-mark' && s.suggestion.code !== 'remainder',
  );
  if (!advice.length && !covered.length) return null;
  return (
    <Block aria-label="Advice">
      {covered.map((c, i) => (
        <Notice key={`covered ${i}`} kind="advice">
          <span>
            <b>{c.part.name}:</b> {describeCoverage(c, nameOf)}
          </span>
        </Notice>
      ))}
      {advice.map((s, i) => (
        <Notice key={i} kind="advice">
          <span>
            <b>{nameOf(s.item)}:</b> {describeSuggestion(derived.items.get(s.item)!.item.recipe, s.suggestion, voice)}{' '}
            {s.suggestion.code === 'overhang' && s.suggestion.edges.length === 1
              ? describeCutAway(
                  formatLength(s.suggestion.by, voice),
                  computeCutAway(derived, s.item, s.suggestion.edges[0]!, s.suggestion.by),
                  nameOf,
                )
              : null}
          </span>
        </Notice>
      ))}
    </Block>
  );
}
