/** Letters of papers in their order, again and again: `ab`, `a a b`. */
export const LETTER_ORDER_PATTERN = /^[a-h](?:[ ,]*[a-h]){0,47}$/;

/** The letter of each of so many. */
export function repeatLetters(order: string, n: number): string[] {
  const letters = [...order].filter((c) => /[a-h]/.test(c));
  return Array.from({ length: n }, (_, i) => letters[i % letters.length]!);
}
