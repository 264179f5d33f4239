import { useState } from 'react';
import { parseLength, type LengthProblem, type LengthText, type ReadOptions, type Unit } from '@temnex/core/length';

export interface LengthFieldState {
  readonly text: string;
  readonly problem: LengthProblem | null;
  change(text: string): void;
  /**
   * Gives back the text to commit, empty where it was emptied; null where it does not read or did not change, unless what stands
   * there is to be taken as it is.
   */
  commit(take?: 'as-it-is'): string | null;
  /** Puts the committed text back. */
  reset(): void;
}

/** What a length field holds while it is typed in: the text, and what is wrong with it once it is more than half typed. */
export function useLengthField(
  value: LengthText | undefined,
  unit: Unit,
  options: ReadOptions = {},
  /** Somebody is in it. */
  inside = false,
): LengthFieldState {
  const committed = value === undefined ? '' : String(value);
  const [draft, setDraft] = useState<{ base: string; text: string } | null>(null);
  // a value that changed from outside replaces what was half typed on the old one, unless somebody is typing still
  const text = draft && (inside || draft.base === committed) ? draft.text : committed;
  const empty = text.trim() === '';
  const read = empty ? null : parseLength(text, unit, options);
  return {
    text,
    problem: read && !read.ok ? read.problem : null,
    change: (next) => setDraft({ base: committed, text: next }),
    commit: (take) => {
      if ((text === committed && take !== 'as-it-is') || (read && !read.ok)) return null;
      // taken: what was typed must not come back when the value returns to where the typing began
      setDraft(null);
      return text.trim();
    },
    reset: () => setDraft(null),
  };
}
