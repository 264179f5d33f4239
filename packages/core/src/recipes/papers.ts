import { seededRandom } from '../chance/index.ts';

/*
 * Which paper each of many pieces side by side gets, so that no two that share an edge match and every paper gets as many as it should:
 *
 *     a b c a
 *     b c d d      four papers, one place as large as four
 *     c a d d
 *
 * First as one would lay them, in turn along the diagonals and back where that leads nowhere; then, from the nearest that has the right
 * counts, by changing two for one another. That it cannot be is only said where it is proved.
 */

export interface Spread {
  /** The paper of each place, from 0. */
  readonly papers: readonly number[];
  /**
   * None alike side by side and as many of each as asked; none alike but the counts not even; or some alike: because it cannot be
   * otherwise, or because nothing better was found.
   */
  readonly is: 'as-asked' | 'uneven' | 'impossible' | 'not-found';
  /** Side by side and of one paper, as places by their numbers. */
  readonly alike: ReadonlyArray<readonly [number, number]>;
}

/** How often one is tried elsewhere before the counts are taken more loosely. */
const TRIES = 20_000;
/** How often two are changed for one another. */
const CHANGES = 4_000;
/** And over how many places in all. */
const CHANGE_WORK = 500_000;

/** Those that share an edge and match. */
export const countAlikeNeighbours = (papers: readonly number[], beside: Neighbours['beside']): [number, number][] =>
  beside.flatMap((of, i) => of.filter((j) => j > i && papers[i] === papers[j]).map((j): [number, number] => [i, j]));

/** What lies side by side, in the order in which one would lay it: of each the numbers of its neighbours, and on which diagonal it lies. */
export interface Neighbours {
  readonly beside: readonly (readonly number[])[];
  readonly diagonal: readonly number[];
  /** Of each the numbers of those that it only touches at a corner. */
  readonly corners?: readonly (readonly number[])[];
}

/**
 * Papers for places: none alike along an edge, then as few as can be found at corners. `counts` has how many places each paper gets, null where the rest is shared out evenly; what is given must not be
 * more than there is. Of one paper everything is alike, and nothing is said of it.
 */
export function spreadPapers({ beside, diagonal, corners }: Neighbours, counts: readonly (number | null)[]): Spread {
  const byEdges = spreadByEdges({ beside, diagonal }, counts);
  // In two papers corners follow from the edges; where edges match already, corners are not worth a change.
  if (!corners || counts.length < 3 || byEdges.alike.length || byEdges.is === 'not-found') return byEdges;
  const all = beside.map((of, i) => [...of, ...corners[i]!]);
  const byBoth = spreadByEdges({ beside: all, diagonal }, counts);
  if (byBoth.is === byEdges.is && !byBoth.alike.length) return byBoth;
  return { ...byEdges, papers: fewerAtCorners(byEdges.papers, beside, corners) };
}

/** Pairs of places are changed for one another as long as fewer of one paper meet at corners and none match along an edge. */
function fewerAtCorners(
  spread: readonly number[],
  beside: Neighbours['beside'],
  corners: NonNullable<Neighbours['corners']>,
): number[] {
  const papers = [...spread];
  const alike = (of: readonly number[], paper: number, but: number) =>
    of.reduce((sum, j) => sum + (j !== but && papers[j] === paper ? 1 : 0), 0);
  let work = 0;
  for (let changed = true; changed && work < CHANGE_WORK;) {
    changed = false;
    for (const i of papers.keys()) {
      if (!alike(corners[i]!, papers[i]!, i)) continue;
      for (const j of papers.keys()) {
        if ((work += 1) > CHANGE_WORK) return papers;
        const [mine, its] = [papers[i]!, papers[j]!];
        if (mine === its || beside[i]!.includes(j)) continue;
        if (alike(beside[i]!, its, j) || alike(beside[j]!, mine, i)) continue;
        const before = alike(corners[i]!, mine, j) + alike(corners[j]!, its, i);
        const after = alike(corners[i]!, its, j) + alike(corners[j]!, mine, i);
        if (after >= before) continue;
        [papers[i], papers[j]] = [its, mine];
        changed = true;
        break;
      }
    }
  }
  return papers;
}

function spreadByEdges({ beside, diagonal }: Neighbours, counts: readonly (number | null)[]): Spread {
  const n = beside.length;
  const wanted = completeCounts(counts, n);
  if (counts.length === 1) return { papers: beside.map(() => 0), is: 'as-asked', alike: [] };
  const found = (papers: readonly number[], is: Spread['is']): Spread => ({
    papers,
    is,
    alike: countAlikeNeighbours(papers, beside),
  });
  const given = counts.some((count) => count !== null);

  const sides = counts.length === 2 ? inTwo(beside, given ? [wanted] : evenOf(n)) : null;
  if (sides) return found(sides, 'as-asked');
  const first = counts.length === 2 ? NO_WAY : laid(beside, diagonal, wanted);
  if (first.papers) return found(first.papers, 'as-asked');
  const tooMany = Math.max(...(counts.includes(null) ? counts.map((count) => count ?? 0) : wanted)) > mostApart(beside);
  const changed = byChanging(beside, diagonal, wanted);
  if (!countAlikeNeighbours(changed, beside).length) return found(changed, 'as-asked');
  if (!counts.includes(null)) return found(changed, first.over || tooMany ? 'impossible' : 'not-found');
  // never alike, though what is shared out is not even
  const loose =
    counts.length > 2 ? laid(beside, diagonal, counts) : { ...NO_WAY, papers: given ? null : inTwo(beside, allOf(n)) };
  if (loose.papers) return found(loose.papers, 'uneven');
  return found(changed, loose.over || tooMany ? 'impossible' : 'not-found');
}

const NO_WAY = { papers: null, over: true };

/** How many each paper gets: what is given, and of the rest as many as the others, give or take one. */
export function completeCounts(counts: readonly (number | null)[], n: number): number[] {
  const open = counts.filter((count) => count === null).length;
  const rest = Math.max(0, n - counts.reduce<number>((sum, count) => sum + (count ?? 0), 0));
  let k = 0;
  return counts.map((count) => count ?? Math.floor((rest + open - 1 - k++) / open));
}

const evenOf = (n: number): number[][] => [
  [Math.ceil(n / 2), Math.floor(n / 2)],
  [Math.floor(n / 2), Math.ceil(n / 2)],
];

/** The most even first. */
const allOf = (n: number): number[][] =>
  Array.from({ length: n + 1 }, (_, first) => [first, n - first]).sort((a, b) => Math.max(...a) - Math.max(...b));

/**
 * In two papers, where that can be at all: each part that hangs together can be laid in two ways, and the ways are chosen so that the
 * counts come out (subset sums). Null: it cannot be.
 */
function inTwo(beside: Neighbours['beside'], counts: readonly number[][]): number[] | null {
  const sides = sidesOf(beside);
  if (!sides) return null;
  const parts: [number[], number[]][] = [];
  const seen = new Set<number>();
  for (const start of beside.keys()) {
    if (seen.has(start)) continue;
    const part: [number[], number[]] = [[], []];
    const open = [start];
    seen.add(start);
    for (let i = open.pop(); i !== undefined; i = open.pop()) {
      part[sides[i]!].push(i);
      for (const j of beside[i]!) {
        if (seen.has(j)) continue;
        seen.add(j);
        open.push(j);
      }
    }
    parts.push(part);
  }
  // by how many places have the first paper so far, which way each part is laid
  let ways = new Map<number, readonly (0 | 1)[]>([[0, []]]);
  for (const part of parts) {
    const next = new Map<number, readonly (0 | 1)[]>();
    for (const [sum, way] of ways)
      for (const first of [0, 1] as const) {
        const now = sum + part[first].length;
        if (!next.has(now)) next.set(now, [...way, first]);
      }
    ways = next;
  }
  const way = counts.map(([first]) => ways.get(first!)).find((one) => one !== undefined);
  if (!way) return null;
  const papers = beside.map(() => 1);
  parts.forEach((part, k) => part[way[k]!].forEach((i) => (papers[i] = 0)));
  return papers;
}

/** On which of two sides each lies, so that none is beside one of its own side; null where that cannot be. */
function sidesOf(beside: Neighbours['beside']): (0 | 1)[] | null {
  const side: (0 | 1 | undefined)[] = beside.map(() => undefined);
  for (const start of beside.keys()) {
    if (side[start] !== undefined) continue;
    side[start] = 0;
    const open = [start];
    for (let i = open.pop(); i !== undefined; i = open.pop())
      for (const j of beside[i]!) {
        if (side[j] === side[i]) return null;
        if (side[j] !== undefined) continue;
        side[j] = side[i] === 0 ? 1 : 0;
        open.push(j);
      }
  }
  return side as (0 | 1)[];
}

/** Which paper comes next along the diagonal at a place. */
const turnAt = (diagonal: number, papers: number) => (p: number) => (((p - diagonal) % papers) + papers) % papers;

/** One after the other, back where it leads nowhere; `over`: there is no way. Null: as many as it comes to. */
function laid(
  beside: Neighbours['beside'],
  diagonal: readonly number[],
  counts: readonly (number | null)[],
): { papers: number[] | null; over: boolean } {
  const left = counts.map((count) => count ?? beside.length);
  const papers = beside.map(() => -1);
  let due = counts.reduce<number>((sum, count) => sum + (count ?? 0), 0);
  let tries = 0;
  const place = (i: number): boolean => {
    if (due > beside.length - i) return false;
    if (i === beside.length) return true;
    if ((tries += 1) > TRIES) return false;
    const turn = turnAt(diagonal[i]!, left.length);
    // the one of which most are left first
    const free = left.map((n, p) => ({ n, p })).filter(({ n, p }) => n > 0 && !beside[i]!.some((j) => papers[j] === p));
    for (const { p } of free.sort((a, b) => b.n - a.n || turn(a.p) - turn(b.p))) {
      papers[i] = p;
      left[p]! -= 1;
      due -= counts[p] === null ? 0 : 1;
      if (place(i + 1)) return true;
      due += counts[p] === null ? 0 : 1;
      left[p]! += 1;
      papers[i] = -1;
      if (tries > TRIES) return false;
    }
    return false;
  };
  const done = place(0);
  return { papers: done ? papers : null, over: !done && tries <= TRIES };
}

/**
 * With the counts as they are: laid as well as it goes, then two changed for one another, always those that help most and were not just
 * changed (tabu search, Glover 1986). The one with the fewest alike that was seen.
 */
function byChanging(beside: Neighbours['beside'], diagonal: readonly number[], counts: readonly number[]): number[] {
  const n = beside.length;
  const random = seededRandom(n);
  const left = [...counts];
  const papers: number[] = [];
  // how many beside each have which paper: places × papers
  const besides = new Int16Array(n * counts.length);
  const alikeAt = (i: number, p: number) => besides[i * counts.length + p]!;
  const give = (i: number, p: number) => {
    const was = papers[i];
    for (const j of beside[i]!) {
      if (was !== undefined) besides[j * counts.length + was]! -= 1;
      besides[j * counts.length + p]! += 1;
    }
    papers[i] = p;
  };
  for (let i = 0; i < n; i++) {
    const turn = turnAt(diagonal[i]!, left.length);
    const [first] = left
      .map((many, p) => ({ many, p, alike: alikeAt(i, p) }))
      .filter(({ many }) => many > 0)
      .sort((a, b) => a.alike - b.alike || b.many - a.many || turn(a.p) - turn(b.p));
    give(i, first!.p);
    left[first!.p]! -= 1;
  }
  let now = countAlikeNeighbours(papers, beside).length;
  let best = { alike: now, papers: [...papers] };
  const rests = new Int32Array(n);
  for (let turn = 1; turn <= Math.min(CHANGES, Math.ceil(CHANGE_WORK / n)) && best.alike > 0; turn++) {
    const odd = [...papers.keys()].filter((i) => alikeAt(i, papers[i]!) > 0);
    const i = odd[Math.floor(random() * odd.length)]!;
    const near = new Set(beside[i]);
    let [chosen, by] = [-1, Infinity];
    for (let j = 0; j < n; j++) {
      if (papers[j] === papers[i]) continue;
      const touch = near.has(j) ? 2 : 0;
      const change =
        alikeAt(i, papers[j]!) + alikeAt(j, papers[i]!) - alikeAt(i, papers[i]!) - alikeAt(j, papers[j]!) - touch;
      const rest = (rests[i]! > turn || rests[j]! > turn) && now + change >= best.alike;
      if (!rest && (change < by || (change === by && random() < 0.3))) [chosen, by] = [j, change];
    }
    if (chosen < 0) continue;
    const [mine, its] = [papers[i]!, papers[chosen]!];
    give(i, its);
    give(chosen, mine);
    now += by;
    rests[i] = rests[chosen] = turn + 5 + Math.floor(random() * 6);
    if (now < best.alike) best = { alike: now, papers: [...papers] };
  }
  return best.papers;
}

/**
 * No more than so many places can lie with none beside another: of each two that are paired off side by side at most one (a bound
 * for any pairing; in two sides the largest pairing makes it exact, König 1931).
 */
function mostApart(beside: Neighbours['beside']): number {
  const partner = beside.map(() => -1);
  const paired = (i: number, seen: Set<number>): boolean =>
    beside[i]!.some((j) => {
      if (seen.has(j)) return false;
      seen.add(j);
      if (partner[j] !== -1 && !paired(partner[j]!, seen)) return false;
      [partner[i], partner[j]] = [j, i];
      return true;
    });
  const sides = sidesOf(beside);
  for (const i of beside.keys()) {
    if (partner[i] !== -1) continue;
    if (sides) {
      if (sides[i] === 0) paired(i, new Set());
      continue;
    }
    const j = beside[i]!.find((one) => partner[one] === -1);
    if (j !== undefined) [partner[i], partner[j]] = [j, i];
  }
  return beside.length - partner.filter((j) => j !== -1).length / 2;
}
