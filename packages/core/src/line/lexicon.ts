/* The words that a grammar knows, however they are written. */

/** Said, but saying nothing. */
const IDLE = new Set(
  (
    'a an the of with and at in to it its is are be by on i we you my our me us want need like would could can have has get make makes ' +
    'cut give put lay set do does if then so that this these those there which what how where when big large small many much ' +
    'plus + & sits sit lies lie goes go glued laid sitting lying ' +
    'another others way please just about exactly each every all both one some any them they should will out up only size sized paper thing for from than as fit fits ' +
    // what it is cut from, which changes nothing of its sizes
    'card cardstock cardboard patterned plain solid striped dotted floral textured glitter foil vellum kraft colour color coloured colored ' +
    'little tiny nice panorama panoramic ' +
    'white black grey gray red orange yellow green blue purple pink brown teal navy cream gold silver'
  ).split(' '),
);
/** Near to a word that means something else: `parts` are not `apart`, and to `leave` is not to `weave`. */
const NO_SLIPS = new Set(['parts', 'leave', 'leaves']);
/** Words that change what the rest of a line means, whoever does not know them: they are never passed over. */
const TURNING = new Set(
  (
    "not no nor never don't without except but instead minus less fewer more plus twice thrice double triple times half third quarter " +
    'tri trifold bi bifold percent per or either neither until unless between'
  ).split(' '),
);
/** So do `narrower`, `widest` and `second`. */
export const isMeaningChanger = (word: string): boolean =>
  TURNING.has(word) || /(n['’]t|er|est|first|second|third|th)$/.test(word);
/** The words of a grammar, by what they are to it. */
interface Words {
  readonly heads: readonly string[];
  readonly places: Readonly<Record<string, { readonly words: readonly string[] }>>;
  readonly flags?: Readonly<Record<string, readonly string[]>>;
  readonly idle?: readonly string[];
}

/** What a word is to a grammar. */
export type WordMeaning =
  | { readonly as: 'idle' }
  /** It may be a place too. */
  | { readonly as: 'head'; readonly head: string; readonly names: readonly string[] }
  | { readonly as: 'flag'; readonly name: string }
  | { readonly as: 'place'; readonly names: readonly string[] };

/** What a word is to a grammar: as it stands, in the singular, or with a slip of the pen. */
export function compileLexicon({ heads, places, flags = {}, idle = [] }: Words): (word: string) => WordMeaning | null {
  const words = new Map<string, WordMeaning>();
  for (const word of idle) words.set(word, { as: 'idle' });
  for (const [name, list] of Object.entries(flags)) for (const word of list) words.set(word, { as: 'flag', name });
  for (const [name, { words: list }] of Object.entries(places))
    for (const word of list) {
      const known = words.get(word);
      words.set(word, { as: 'place', names: known?.as === 'place' ? [...known.names, name] : [name] });
    }
  for (const word of heads) {
    const known = words.get(word);
    words.set(word, { as: 'head', head: word, names: known?.as === 'place' ? known.names : [] });
  }
  const all = [...words.keys()];
  return (said) => {
    for (const form of listWordForms(said)) {
      const known = words.get(form);
      if (known) return known;
    }
    if (listWordForms(said).some((form) => IDLE.has(form))) return { as: 'idle' };
    const slips = said.length >= 8 ? 2 : said.length >= 5 ? 1 : 0;
    // `fram`, of `framing`, is too short for a slip of the pen
    const bare = listWordForms(said)[1] ?? said;
    const meant = /ing$/.test(said) && bare.length < 5 ? said : bare;
    const isSlip = (word: string) => word.length >= 4 && distance(meant, word, slips) <= slips;
    const near = slips && !NO_SLIPS.has(said) ? all.find(isSlip) : undefined;
    return near === undefined ? null : words.get(near)!;
  };
}

/** `gaps`, and no `glass`. */
export const isPlural = (word: string): boolean => /[^s]s$/.test(word);

/** A word as said, then without what makes it many, or done: `notched`, `gaps`, `reaches`. */
export function listWordForms(said: string): string[] {
  const forms = [said];
  const bare = said.replace(/'s?$/, '');
  if (bare !== said) forms.push(bare);
  if (isPlural(bare)) forms.push(bare.slice(0, -1));
  if (/(ch|sh|x|ss)es$/.test(bare)) forms.push(bare.slice(0, -2));
  if (/ed$/.test(bare)) forms.push(bare.slice(0, -2), bare.slice(0, -1));
  if (/ing$/.test(bare)) forms.push(bare.slice(0, -3), `${bare.slice(0, -3)}e`);
  return forms;
}

/** Letters to add, leave out, change or swap to make one word of the other; more than `most` is not counted on. */
function distance(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let [before, row]: number[][] = [[], Array.from({ length: b.length + 1 }, (_, j) => j)];
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let least = Math.min(row![j]! + 1, next[j - 1]! + 1, row![j - 1]! + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        least = Math.min(least, before![j - 2]! + 1);
      next.push(least);
    }
    [before, row] = [row!, next];
  }
  return row![b.length]!;
}
