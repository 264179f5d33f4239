/* Whole numbers in words. */

export const ONES = [
  ...['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'],
  ...['thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen', 'twenty'],
];
export const TENS = ['twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];
export const NUMBERS = new Map<string, number>([
  ...ONES.map((word, n): [string, number] => [word, n]),
  ...TENS.flatMap((ten, i): [string, number][] => [
    [ten, 20 + 10 * i],
    ...ONES.slice(1, 10).map((one, n): [string, number] => [`${ten}-${one}`, 21 + 10 * i + n]),
  ]),
  ['dozen', 12],
  ['couple', 2],
]);
/** The words that say a whole number. */
export const numberWords = (n: number): string[] => [...NUMBERS].flatMap(([word, is]) => (is === n ? [word] : []));
