/** `a, b and c` */
export const formatList = (words: readonly string[], joint = 'and'): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${joint} ${words.at(-1)}`;
