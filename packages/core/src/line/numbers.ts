/* Whole numbers in words. */

export const ONES_WORDS = [
  ...['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'],
  ...['thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen', 'twenty'],
];
export const TENS_WORDS = ['twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];
export const WHOLE_NUMBER_WORDS = new Map<string, number>([
  ...ONES_WORDS.map((word, n): [string, number] => [word, n]),
  ...TENS_WORDS.flatMap((ten, i): [string, number][] => [
    [ten, 20 + 10 * i],
    ...ONES_WORDS.slice(1, 10).map((one, n): [string, number] => [`${ten}-${one}`, 21 + 10 * i + n]),
  ]),
  ['dozen', 12],
  ['couple', 2],
]);
/** The words that say a whole number. */
export const numberWords = (n: number): string[] =>
  [...WHOLE_NUMBER_WORDS].flatMap(([word, is]) => (is === n ? [word] : []));
