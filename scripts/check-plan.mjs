#!/usr/bin/env node
// Standalone check of a cutting plan against its job (formats, versions 1 to 3: docs/formats.md): its sheets, its sums, and its
// steps carried out on a table. No dependencies, and no code
// of the product: whoever writes or changes plans can hold them against this.
//   node scripts/check-plan.mjs JOB.json PLAN.json    exit 0: the plan holds; 1: it does not (a fault a line); 2: bad input
// As a module: checkPlan(job, plan) → { faults: string[], totals }. Throws on a bad job.
import { readFileSync, realpathSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const TICKS = { in: 24384, mm: 960 };
const PER_INCH = { in: 1, mm: 25.4, cm: 2.54 };
const VULGAR = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};
const NEAR = 0.5; // ticks

/** A length as an integer number of ticks. */
export function readLength(value, unit, where = 'length') {
  const bad = () => new Error(`${where}: ${JSON.stringify(value)} is not a length`);
  let amount;
  if (typeof value === 'number') amount = value * TICKS[unit];
  else if (typeof value === 'string') {
    const text = value
      .trim()
      .replace(/[½⅓⅔¼¾⅛⅜⅝⅞]/g, (c) => ` ${VULGAR[c]}`)
      .replace(/⁄/g, '/')
      .replace(/[″”]/g, '"')
      .trim();
    const m = /^(?:(\d+)[\s-]+(\d+)\/(\d+)|(\d+)\/(\d+)|(\d*\.?\d+|\d+\.))\s*(in|inch|inches|"|mm|cm)?$/.exec(text);
    if (!m) throw bad();
    const plain =
      m[6] !== undefined ? Number(m[6]) : (m[1] ? Number(m[1]) : 0) + Number(m[2] ?? m[4]) / Number(m[3] ?? m[5]);
    const named = m[7] === undefined ? unit : m[7] === 'mm' || m[7] === 'cm' ? m[7] : 'in';
    amount = (plain / PER_INCH[named]) * TICKS.in;
  } else throw bad();
  if (!Number.isFinite(amount) || amount < 0) throw bad();
  return Math.round(amount);
}

const turnVector = ([x, y], turn) =>
  [
    [x, y],
    [-y, x],
    [-x, -y],
    [y, -x],
  ][(turn / 90) % 4];

const area2 = (corners) =>
  corners.reduce((sum, p, i) => {
    const q = corners[(i + 1) % corners.length];
    return sum + p[0] * q[1] - q[0] * p[1];
  }, 0);
/** Area of a polygon given by its corners. */
const polygonArea = (corners) => Math.abs(area2(corners)) / 2;
/** What is left of a polygon within a half plane: axis 0 (x) or 1 (y), on the side of `at` where sign is. */
function clip(corners, axis, at, sign) {
  const out = [];
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length];
    const a = (p[axis] - at) * sign,
      b = (q[axis] - at) * sign;
    if (a >= 0) out.push(p);
    if (a >= 0 !== b >= 0) out.push([p[0] + (a / (a - b)) * (q[0] - p[0]), p[1] + (a / (a - b)) * (q[1] - p[1])]);
  });
  return out;
}
/** Whether a rectangle lies in a polygon: clipped to it, the polygon fills it. */
function insidePolygon(corners, r) {
  let left = clip(corners, 0, r.x, 1);
  left = clip(left, 0, r.x + r.width, -1);
  left = clip(left, 1, r.y, 1);
  left = clip(left, 1, r.y + r.height, -1);
  return r.width * r.height - polygonArea(left) <= NEAR * (r.width + r.height);
}

/** Version 3: how far a point lies from the rim of an outline, below 0 where it is inside (ticks). */
function outsideBy(corners, [x, y]) {
  let near = Infinity;
  let inside = false;
  corners.forEach(([ax, ay], i) => {
    const [bx, by] = corners[(i + 1) % corners.length];
    const [dx, dy] = [bx - ax, by - ay];
    const along = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
    near = Math.min(near, Math.hypot(ax + along * dx - x, ay + along * dy - y));
    if (ay > y !== by > y && x < ax + ((y - ay) / dy) * dx) inside = !inside;
  });
  return inside ? -near : near;
}

const TOUCH = 4; // ticks: places in a block are rounded

/** Whether two outlines share more than their rims: a corner or the middle of an edge lies inside the other, or edges cross. */
function shareArea(a, b) {
  const inside = (of, other) =>
    of.some((p, i) => {
      const q = of[(i + 1) % of.length];
      return outsideBy(other, p) < -TOUCH || outsideBy(other, [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2]) < -TOUCH;
    });
  const side = (p, q, r) => {
    const d =
      ((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])) / (Math.hypot(q[0] - p[0], q[1] - p[1]) || 1);
    return Math.abs(d) <= TOUCH ? 0 : Math.sign(d);
  };
  const crossing = a.some((p, i) => {
    const q = a[(i + 1) % a.length];
    return b.some((r, k) => {
      const t = b[(k + 1) % b.length];
      return side(p, q, r) * side(p, q, t) < 0 && side(r, t, p) * side(r, t, q) < 0;
    });
  });
  return crossing || inside(a, b) || inside(b, a);
}

/** Version 3: the job with the blocks of a plan in place of the pieces that they are of; what does not hold of them is a fault. */
function inBlocks(job, blocks, len, unit, fault) {
  const held = new Map();
  const made = blocks.map((block, i) => {
    const where = `blocks[${i}]`;
    const piece = job.pieces.find((p) => p.id === block.of);
    if (!piece?.nest || !piece.shape) throw new Error(`${where}.of: ${block.of} may not be cut in blocks`);
    held.set(block.of, (held.get(block.of) ?? 0) + block.quantity * block.places.length);
    const outline = piece.shape.map(([x, y], k) => [len(x, `${where}.shape[${k}]`), len(y, `${where}.shape[${k}]`)]);
    const laid = block.places.map(([x, y, degrees]) => {
      const angle = (degrees * Math.PI) / 180;
      const turned = outline.map(([px, py]) => [
        px * Math.cos(angle) - py * Math.sin(angle),
        px * Math.sin(angle) + py * Math.cos(angle),
      ]);
      const [left, bottom] = [0, 1].map((axis) => Math.min(...turned.map((p) => p[axis])));
      return turned.map(([px, py]) => [px - left + x * TICKS[unit], py - bottom + y * TICKS[unit]]);
    });
    const [W, H] = [block.width * TICKS[unit], block.height * TICKS[unit]];
    laid.forEach((one, k) => {
      if (one.some(([x, y]) => x < -TOUCH || y < -TOUCH || x > W + TOUCH || y > H + TOUCH))
        fault(`${where}.places[${k}]: sticks out of the block`);
      for (let j = 0; j < k; j++)
        if (shareArea(one, laid[j])) fault(`${where}.places[${k}]: lies over number ${j + 1} of the block`);
    });
    const { nest: _nest, shape: _shape, finish: _finish, from: _from, ...common } = piece;
    return {
      ...common,
      id: block.id,
      quantity: block.quantity,
      width: `${block.width} ${unit}`,
      height: `${block.height} ${unit}`,
    };
  });
  for (const [id, many] of held) {
    const wanted = job.pieces.find((p) => p.id === id).quantity ?? 1;
    if (many !== wanted) fault(`blocks: ${id} is wanted ${wanted} times, the blocks hold ${many}`);
  }
  return { ...job, pieces: [...job.pieces.filter((p) => !held.has(p.id)), ...made] };
}

export function checkPlan(asked, plan) {
  const unit = asked.unit ?? 'in';
  if (!TICKS[unit]) throw new Error(`unit: ${unit}`);
  const faults = [];
  const fault = (text) => faults.push(text);
  const len = (v, where) => readLength(v, unit, where);
  const job = plan.blocks?.length ? inBlocks(asked, plan.blocks, len, unit, fault) : asked;
  const size = (v, where) => {
    const t = len(v, where);
    if (t <= 0) throw new Error(`${where}: must be more than 0`);
    return t;
  };
  const signed = (v, where) =>
    typeof v === 'string' && v.trim().startsWith('-')
      ? -len(v.trim().slice(1), where)
      : v < 0
        ? -len(-v, where)
        : len(v, where);
  const optional = (v, where, otherwise) => (v == null ? otherwise : len(v, where));
  const ticks = (v, where) => {
    if (typeof v !== 'number' || !Number.isFinite(v)) {
      fault(`${where}: ${JSON.stringify(v)} is not a number`);
      return NaN;
    }
    return v * TICKS[unit];
  };
  const near = (a, b) => Math.abs(a - b) <= NEAR;

  const cutter = job.cutter ?? {};
  const kerf = optional(cutter.kerf, 'cutter.kerf', 0);
  const version = job.version ?? 1;
  if (![1, 2, 3].includes(version)) throw new Error(`version: ${version}`);
  // version 2: more than one cutter; a cut must be possible for one of them
  const cutters = [cutter, ...(cutter.then ?? [])].map((c, i) => ({
    reach: optional(c.reach, `cutter[${i}].reach`, Infinity),
    narrowest: optional(c.narrowest, `cutter[${i}].narrowest`, 0),
    step: optional(c.step, `cutter[${i}].step`, null),
    stack: c.stack ?? 1,
    // cuts longer than set by this much; below 0: shorter
    long: c.long === undefined ? 0 : signed(c.long, `cutter[${i}].long`),
  }));
  const keepShort = optional(job.plan?.keep?.shorter, 'plan.keep.shorter', TICKS.in);
  const keepLong = optional(job.plan?.keep?.longer, 'plan.keep.longer', 3 * TICKS.in);
  const papers = new Map((job.papers ?? []).map((p) => [p.id, p]));
  const stock = new Map(
    job.stock.map((s, i) => {
      if (!papers.has(s.paper)) throw new Error(`stock[${i}].paper: ${s.paper} is not among the papers`);
      const t = s.trim ?? {};
      const edge = (name) => optional(t[name], `stock[${i}].trim.${name}`, 0);
      // version 2: an odd scrap has an outline, which says how far it reaches
      const outline = s.outline
        ? s.outline.map(([x, y], j) => [len(x, `stock[${i}].outline[${j}]`), len(y, `stock[${i}].outline[${j}]`)])
        : null;
      const uncut = (s.uncut ?? []).map((line, j) =>
        line.map(([x, y]) => [len(x, `stock[${i}].uncut[${j}]`), len(y, `stock[${i}].uncut[${j}]`)]),
      );
      const extent = (axis) => Math.max(...outline.map((p) => p[axis]));
      const width = outline && s.width === undefined ? extent(0) : size(s.width, `stock[${i}].width`);
      const height = outline && s.height === undefined ? extent(1) : size(s.height, `stock[${i}].height`);
      return [
        s.id,
        {
          ...s,
          outline,
          uncut,
          width,
          height,
          quantity: s.quantity ?? 1,
          turned: s.turned ?? 0,
          kind: s.kind ?? 'sheet',
          trim: { left: edge('left'), right: edge('right'), top: edge('top'), bottom: edge('bottom') },
        },
      ];
    }),
  );
  const pieces = new Map(
    job.pieces.map((p, i) => {
      const width = size(p.width, `pieces[${i}].width`),
        height = size(p.height, `pieces[${i}].height`);
      let opening = null;
      if (p.opening) {
        const o = p.opening;
        opening = {
          x: len(o.x, `pieces[${i}].opening.x`),
          y: len(o.y, `pieces[${i}].opening.y`),
          width: size(o.width, `pieces[${i}].opening.width`),
          height: size(o.height, `pieces[${i}].opening.height`),
        };
        if (opening.x + opening.width > width || opening.y + opening.height > height)
          throw new Error(`pieces[${i}].opening: lies outside the piece`);
      }
      return [
        p.id,
        {
          ...p,
          width,
          height,
          opening,
          quantity: p.quantity ?? 1,
          side: p.side ?? 'any',
          direction: p.direction ?? 'any',
        },
      ];
    }),
  );
  if (pieces.size !== job.pieces.length || stock.size !== job.stock.length)
    throw new Error('pieces, stock: an id is used twice');

  const cutCopies = new Map([...pieces.keys()].map((id) => [id, new Set()]));
  const usedStock = new Set();
  const sum = {
    pieceArea: 0,
    usedArea: 0,
    newSheetArea: 0,
    keptArea: 0,
    wasteArea: 0,
    kerfArea: 0,
    newSheets: 0,
    scraps: 0,
    cuts: 0,
    largestKept: 0,
  };
  const isNew = (item) => item.kind === 'sheet' || item.kind === 'pad';

  function directionHolds(piece, item, side, turn, where) {
    if (piece.direction === 'any') return;
    const face = (papers.get(item.paper).sides ?? []).find((s) => s.side === side);
    const kind = face?.direction ?? 'none';
    if (kind === 'none') return;
    const seen = ([x, y]) => (side === 'B' ? [-x, y] : [x, y]); // everything is drawn as seen from side A
    const pattern = turnVector(seen(face.along === 'width' ? [1, 0] : [0, 1]), item.turned);
    const wanted = turnVector(seen(piece.direction === 'width' ? [1, 0] : [0, 1]), turn);
    const dot = pattern[0] * wanted[0] + pattern[1] * wanted[1];
    if (kind === 'one-way' ? dot !== 1 : dot === 0)
      fault(
        `${where}: ${piece.id} must have the pattern ${kind === 'one-way' ? 'upright ' : ''}along its ${piece.direction}`,
      );
  }

  function checkHeld(node, item, where) {
    const { piece: id, copy, turn = 0, side } = node.holds;
    const piece = pieces.get(id);
    if (!piece) return fault(`${where}: unknown piece ${id}`);
    if (!Number.isInteger(copy) || copy < 1 || copy > piece.quantity) fault(`${where}: ${id} has no copy ${copy}`);
    if (cutCopies.get(id).has(copy)) fault(`${where}: ${id} copy ${copy} is cut twice`);
    cutCopies.get(id).add(copy);
    if (![0, 90, 180, 270].includes(turn)) return fault(`${where}: turn ${turn}`);
    const flat = turn % 180 !== 0;
    const [w, h] = flat ? [piece.height, piece.width] : [piece.width, piece.height];
    if (!near(ticks(node.width, where), w) || !near(ticks(node.height, where), h))
      fault(
        `${where}: ${id} needs ${w / TICKS[unit]} x ${h / TICKS[unit]}, the plan cuts ${node.width} x ${node.height}`,
      );
    if (!piece.papers.includes(item.paper)) fault(`${where}: ${id} may not be cut from paper ${item.paper}`);
    if (!(papers.get(item.paper).sides ?? [{ side: 'A' }]).some((s) => s.side === side))
      fault(`${where}: paper ${item.paper} has no side ${side}`);
    if (piece.side !== 'any' && side !== piece.side)
      fault(`${where}: ${id} wants side ${piece.side}, the plan gives ${side}`);
    directionHolds(piece, item, side, turn, where);
    if (piece.from) {
      const at = piece.from;
      if (
        item.id !== at.stock ||
        !near(ticks(node.x, where), len(at.x, `${id}.from.x`)) ||
        !near(ticks(node.y, where), len(at.y, `${id}.from.y`))
      )
        fault(`${where}: ${id} must be cut from ${at.stock} at ${at.x}, ${at.y}`);
    }
    sum.pieceArea += w * h;
    if (!node.opening) return;
    if (!piece.opening) return fault(`${where}: ${id} has no opening`);
    let { x, y, width, height } = piece.opening;
    if (side === 'B') x = piece.width - x - width;
    if (turn === 90) [x, y, width, height] = [piece.height - y - height, x, height, width];
    else if (turn === 180) [x, y] = [piece.width - x - width, piece.height - y - height];
    else if (turn === 270) [x, y, width, height] = [y, piece.width - x - width, height, width];
    sum.pieceArea -= width * height;
    const o = node.opening; // what comes out is smaller by the kerf all round
    sum.kerfArea += width * height - (width - 2 * kerf) * (height - 2 * kerf);
    const want = [
      ticks(node.x, where) + x + kerf,
      ticks(node.y, where) + y + kerf,
      width - 2 * kerf,
      height - 2 * kerf,
    ];
    if (!['x', 'y', 'width', 'height'].every((k, i) => near(ticks(o[k], where), want[i])))
      fault(`${where}: the opening of ${id} is not where the piece has it`);
    const counted = inside;
    walk(o, item, `${where} opening`);
    inside = counted;
  }

  /**
   * Carries the steps out on a table: parts in hand are rectangles of their sheet, by name. Each step must be one that hands can
   * make, and in the end what the tree holds must lie there.
   */
  function carryOut() {
    const SLIVER = TICKS.in / 64; // no fence is set nearer to the blade, but for a piece that is as narrow
    const most = Math.min(...cutters.map((c) => c.stack));
    const onMark = (v, step) => Math.abs(v - Math.round(v / step) * step) <= NEAR;
    const nodes = plan.sheets.map((sheet) => {
      const named = new Map();
      const name = (node, path) => {
        named.set(path, node);
        (node.parts ?? []).forEach((part, i) => name(part, `${path}.${i}`));
        if (node.opening) name(node.opening, `${path}.o`);
      };
      name(sheet.tree, 'r');
      return named;
    });
    const table = plan.sheets.map((sheet) => {
      const item = stock.get(sheet.stock);
      const trims = new Map(Object.entries(item.trim).filter(([, v]) => v > 0));
      return { item, trims, hand: new Map([['r', { x: 0, y: 0, width: item.width, height: item.height }]]) };
    });
    const heldIn = (node) =>
      node.holds && typeof node.holds === 'object'
        ? [pieces.get(node.holds.piece)]
        : (node.parts ?? []).flatMap(heldIn);
    const off = (step) => (p) => !onMark(p.width, step) || !onMark(p.height, step);
    /** Whether a band of kerf, from low to high across an axis, spares every line between from and to. */
    const leavesWhole = (item, axis, low, high, from, to) =>
      item.uncut.every(([p, q]) => {
        const [a, b] = p[axis] <= q[axis] ? [p, q] : [q, p];
        if (b[axis] <= low + NEAR || a[axis] >= high - NEAR) return true;
        const other = 1 - axis;
        const level = b[axis] - a[axis] <= NEAR;
        const where = (at) => a[other] + ((at - a[axis]) / (b[axis] - a[axis])) * (b[other] - a[other]);
        const ends = level ? [a[other], b[other]] : [where(Math.max(a[axis], low)), where(Math.min(b[axis], high))];
        return !(Math.max(...ends) > from + NEAR && Math.min(...ends) < to - NEAR);
      });
    for (const [i, step] of (plan.steps ?? []).entries()) {
      const where = `steps[${i}]`;
      if (step.sheets.length > most || new Set(step.sheets).size !== step.sheets.length)
        fault(`${where}: ${step.sheets.length} sheets at once`);
      const by = cutters[step.by ?? 0];
      if (!by) {
        fault(`${where}: there is no cutter ${step.by}`);
        continue;
      }
      const setting = step.do === 'open' ? NaN : ticks(step.setting, where);
      if (step.do !== 'open') {
        const dial = setting - by.long;
        if (!near(ticks(step.dial ?? step.setting, where), dial))
          fault(`${where}: the dial is not at ${dial / TICKS[unit]}`);
        if (!(dial > NEAR)) fault(`${where}: the dial cannot be set to ${dial / TICKS[unit]}`);
      }
      const sizes = new Set();
      for (const at of step.sheets) {
        const lying = table[at];
        const name = step.do === 'trim' ? 'r' : step.part;
        const box = lying?.hand.get(name);
        if (!box || (step.do !== 'trim' && lying.trims.size)) {
          fault(`${where}: ${name} is not in hand`);
          continue;
        }
        const { item } = lying;
        sizes.add(step.do === 'trim' ? '' : `${Math.round(box.width)} x ${Math.round(box.height)}`);
        if (sizes.size > 1) fault(`${where}: what is stacked is not alike`);
        const axis = step.edge === 'left' || step.edge === 'right' ? 0 : 1;
        const [pos, along, base, across] = axis === 0 ? ['x', 'width', 'y', 'height'] : ['y', 'height', 'x', 'width'];
        const reachOf = (length, left) => {
          if (length > by.reach + NEAR) fault(`${where}: beyond the cutter's reach`);
          if (Math.max(setting, left) < by.narrowest - NEAR) fault(`${where}: nothing wide enough to hold`);
        };
        const cutAt = (line, kerfTo, from, to) => {
          if (!leavesWhole(item, axis, Math.min(line, kerfTo), Math.max(line, kerfTo), from, to))
            fault(`${where}: cuts through a line that must stay whole`);
        };
        if (step.do === 'trim') {
          if (!lying.trims.has(step.edge) || !near(lying.trims.get(step.edge), setting))
            fault(`${where}: ${step.edge} is not trimmed by ${step.setting}`);
          lying.trims.delete(step.edge);
          reachOf(box[across], box[along] - setting);
          const low = step.edge === 'left' || step.edge === 'bottom';
          const line = low ? box[pos] + setting : box[pos] + box[along] - setting;
          cutAt(line, low ? line - kerf : line + kerf, box[base], box[base] + box[across]);
          lying.hand.set('r', { ...box, [pos]: low ? line : box[pos], [along]: box[along] - setting });
          continue;
        }
        lying.hand.delete(name);
        const tree = nodes[at];
        if (step.do === 'open') {
          const hole = tree.get(step.off);
          if (!hole || step.off !== `${name}.o`) {
            fault(`${where}: there is no centre ${step.off}`);
            continue;
          }
          const r = Object.fromEntries(['x', 'y', 'width', 'height'].map((k) => [k, ticks(hole[k], where)]));
          for (const a of [0, 1]) {
            const [p, l, b, w] = a === 0 ? ['x', 'width', 'y', 'height'] : ['y', 'height', 'x', 'width'];
            for (const band of [
              [r[p] - kerf, r[p]],
              [r[p] + r[l], r[p] + r[l] + kerf],
            ])
              if (!leavesWhole(item, a, band[0], band[1], r[b] - kerf, r[b] + r[w] + kerf))
                fault(`${where}: cuts through a line that must stay whole`);
          }
          lying.hand.set(`${name}.opened`, box).set(step.off, r);
          continue;
        }
        const left = Math.max(0, box[along] - setting - kerf);
        const line = box[pos] + setting;
        const node = tree.get(name.replace(/\.\d+\+$/, ''));
        if (step.do === 'stop') {
          reachOf(Math.max(box.width, box.height), left);
          const until = ticks(step.until, where);
          const [low, high] = [box[base], box[base] + box[across]];
          cutAt(line, line + kerf, step.line <= 2 ? low : high - until, step.line <= 2 ? low + until : high);
          if (by.step && !onMark(setting, by.step) && !heldIn(node).some(off(by.step)))
            fault(`${where}: ${step.setting} is off the mark`);
          if (step.line < 4) lying.hand.set(name, box);
          else
            node.parts.forEach((part, n) => {
              const r = ['x', 'y', 'width', 'height'].map((k) => [k, ticks(part[k], where)]);
              lying.hand.set(`${name}.${n}`, Object.fromEntries(r));
            });
          continue;
        }
        reachOf(box[across], left);
        cutAt(line, line + kerf, box[base], box[base] + box[across]);
        const freed = tree.get(step.off);
        if (!node || !freed) {
          fault(`${where}: there is no part ${step.off}`);
          continue;
        }
        const inside = heldIn(freed);
        const narrowest = Math.min(SLIVER, ...inside.map((p) => Math.min(p.width, p.height)));
        if (setting < narrowest - NEAR) fault(`${where}: nobody can cut a strip of ${step.setting}`);
        const drawn =
          item.outline &&
          !insidePolygon(item.outline, {
            x: ticks(node.x, where),
            y: ticks(node.y, where),
            width: ticks(node.width, where),
            height: ticks(node.height, where),
          });
        const pinned = [...pieces.values()].some((p) => {
          if (p.from?.stock !== item.id) return false;
          const start = len(p.from[pos], `${p.id}.from`);
          return [start - kerf, start + p.width, start + p.height].some((v) => near(v, line));
        });
        if (by.step && !onMark(setting, by.step) && !drawn && !pinned && !inside.some(off(by.step)))
          fault(`${where}: ${step.setting} is off the mark`);
        lying.hand.set(step.off, { ...box, [along]: setting });
        if (step.rest) lying.hand.set(step.rest, { ...box, [pos]: line + kerf, [along]: left });
      }
    }
    table.forEach(({ hand }, i) => {
      for (const [path, node] of nodes[i]) {
        if (node.cut != null) continue;
        const lies = hand.get(node.opening ? `${path}.opened` : path);
        if (!lies || !['x', 'y', 'width', 'height'].every((k) => near(lies[k], ticks(node[k], path))))
          fault(`sheets[${i}]: ${path} does not lie on the table in the end`);
      }
    });
  }

  /** Version 2: five parts round a centre, freed by four cuts that stop: lower left, lower right, upper right, upper left, centre. */
  function windmill(node, at, where) {
    const parts = (node.parts ?? []).map((p) => ({
      x: ticks(p.x, where),
      y: ticks(p.y, where),
      width: ticks(p.width, where),
      height: ticks(p.height, where),
    }));
    if (version < 2 || !cutter.stop) fault(`${where}: stop cuts, and the cutter makes none`);
    if (parts.length !== 5) return fault(`${where}: a windmill has five parts`);
    const [ll, lr, ur, ul, c] = parts;
    const right = (p) => p.x + p.width,
      top = (p) => p.y + p.height;
    const holds =
      [
        [ll.x, at.x],
        [ll.y, at.y],
        [right(lr), right(at)],
        [lr.y, at.y],
        [right(ur), right(at)],
        [top(ur), top(at)],
        [ul.x, at.x],
        [top(ul), top(at)],
        [right(ll) + kerf, lr.x],
        [right(ul) + kerf, ur.x],
        [top(ll) + kerf, ul.y],
        [top(lr) + kerf, ur.y],
        [c.x, Math.min(right(ll), right(ul)) + kerf],
        [right(c), Math.max(right(ll), right(ul))],
        [c.y, Math.min(top(ll), top(lr)) + kerf],
        [top(c), Math.max(top(ll), top(lr))],
      ].every(([a, b]) => near(a, b)) && right(ll) > right(ul) === top(lr) > top(ll);
    if (!holds) fault(`${where}: its parts do not make a windmill`);
    sum.cuts += 4;
    sum.kerfArea += at.width * at.height - parts.reduce((all, p) => all + p.width * p.height, 0);
  }

  let inside = 0; // of an odd scrap: area that is counted part by part
  function walk(node, item, where) {
    const at = {
      x: ticks(node.x, where),
      y: ticks(node.y, where),
      width: ticks(node.width, where),
      height: ticks(node.height, where),
    };
    if (!(at.width > NEAR) || !(at.height > NEAR)) return fault(`${where}: a part of ${node.width} x ${node.height}`);
    const whole = !item.outline || insidePolygon(item.outline, at);
    if (node.cut == null) {
      if (node.holds === 'odd') {
        if (whole) fault(`${where}: is all paper, so it is not odd`);
        return;
      }
      if (!whole) fault(`${where}: lies beyond the outline`);
      if (item.outline) inside += at.width * at.height;
      if (node.parts) return fault(`${where}: parts without a cut`);
      const area = at.width * at.height;
      const worthKeeping =
        Math.min(at.width, at.height) >= keepShort - NEAR && Math.max(at.width, at.height) >= keepLong - NEAR;
      if (node.holds === 'keep' || node.holds === 'waste') {
        if ((node.holds === 'keep') !== worthKeeping)
          fault(
            `${where}: ${node.width} x ${node.height} is ${worthKeeping ? '' : 'not '}worth keeping under the rule, the plan says ${node.holds}`,
          );
        sum[node.holds === 'keep' ? 'keptArea' : 'wasteArea'] += area;
        if (node.holds === 'keep') sum.largestKept = Math.max(sum.largestKept, area);
      } else if (node.holds && typeof node.holds === 'object') checkHeld(node, item, where);
      else fault(`${where}: a part that holds nothing`);
      return;
    }
    if (node.holds != null) fault(`${where}: is cut and holds something`);
    if (node.cut === 'windmill') {
      windmill(node, at, where);
      (node.parts ?? []).forEach((part, i) => walk(part, item, `${where}.${i}`));
      return;
    }
    if (node.cut !== 'x' && node.cut !== 'y') return fault(`${where}: cut is ${node.cut}`);
    const [pos, other, along, across] =
      node.cut === 'x' ? ['x', 'y', 'width', 'height'] : ['y', 'x', 'height', 'width'];
    const parts = node.parts ?? [];
    const lost = node.lost === undefined ? null : ticks(node.lost, where);
    if (parts.length < (lost === null ? 2 : 1)) return fault(`${where}: a cut with ${parts.length} part`);
    if (lost !== null && !(lost > 0 && lost <= kerf + NEAR))
      fault(`${where}: ${node.lost} lost in a kerf of ${kerf / TICKS[unit]}`);
    const lengths = parts.map((p) => ticks(p[along], where));
    let edge = at[pos];
    parts.forEach((part, i) => {
      if (!near(ticks(part[pos], where), edge))
        fault(`${where}.${i}: starts at ${part[pos]}, not at ${edge / TICKS[unit]}`);
      if (!near(ticks(part[other], where), at[other]) || !near(ticks(part[across], where), at[across]))
        fault(`${where}.${i}: is not as ${across === 'height' ? 'high' : 'wide'} as what it is cut from`);
      edge += lengths[i] + (i < parts.length - 1 ? kerf : 0);
    });
    const cuts = parts.length - 1 + (lost === null ? 0 : 1);
    if (!near(edge + (lost ?? 0), at[pos] + at[along])) fault(`${where}: its parts do not add up to ${node[along]}`);
    sum.cuts += cuts;
    const kerfs = ((parts.length - 1) * kerf + (lost ?? 0)) * at[across];
    if (whole) sum.kerfArea += kerfs;
    if (whole && item.outline) inside += kerfs;
    parts.forEach((part, i) => walk(part, item, `${where}.${i}`));
  }

  if (plan.format !== 'temnex-plan' || plan.version !== version) fault('plan: format or version');
  if (plan.unit !== unit) fault(`plan: unit ${plan.unit} is not the job's ${unit}`);
  for (const [i, sheet] of (plan.sheets ?? []).entries()) {
    const where = `sheets[${i}] ${sheet.stock}#${sheet.copy}`;
    const item = stock.get(sheet.stock);
    if (!item) {
      fault(`${where}: unknown stock`);
      continue;
    }
    if (!Number.isInteger(sheet.copy) || sheet.copy < 1 || sheet.copy > item.quantity)
      fault(`${where}: there are ${item.quantity} of it`);
    if (item.reserved) fault(`${where}: is held back`);
    const key = `${sheet.stock}#${sheet.copy}`;
    if (usedStock.has(key)) fault(`${where}: cut twice`);
    usedStock.add(key);
    const before = sum.pieceArea;
    const t = sheet.tree;
    const { left, right, top, bottom } = item.trim;
    const room = [left, bottom, item.width - left - right, item.height - top - bottom];
    if (!['x', 'y', 'width', 'height'].every((k, j) => near(ticks(t[k], where), room[j])))
      fault(
        `${where}: the tree is ${t.width} x ${t.height} at ${t.x}, ${t.y}; the stock leaves ${room.map((v) => v / TICKS[unit]).join(', ')}`,
      );
    const paper = item.outline ? polygonArea(item.outline) : item.width * item.height;
    sum.usedArea += paper;
    if (!item.outline) sum.wasteArea += paper - room[2] * room[3];
    if (isNew(item)) {
      sum.newSheets += 1;
      sum.newSheetArea += paper;
    } else sum.scraps += 1;
    inside = 0;
    walk(t, item, where);
    if (item.outline) sum.wasteArea += paper - inside;
    if (sum.pieceArea === before) fault(`${where}: yields no piece`);
  }
  if (!faults.length) carryOut();
  const missing = new Map();
  for (const m of plan.missing ?? []) {
    if (!pieces.has(m.piece) || missing.has(m.piece) || !Number.isInteger(m.quantity) || m.quantity < 1) {
      fault(`missing: ${JSON.stringify(m.piece)} x ${m.quantity}`);
      continue;
    }
    missing.set(m.piece, m.quantity);
  }
  for (const [id, piece] of pieces)
    if (cutCopies.get(id).size + (missing.get(id) ?? 0) !== piece.quantity)
      fault(
        `${id}: ${piece.quantity} wanted, ${cutCopies.get(id).size} cut, ${missing.get(id) ?? 0} said to be missing`,
      );
  if (plan.status !== (missing.size ? 'short' : 'complete'))
    fault(`plan: status ${plan.status} with ${missing.size} kinds of piece missing`);

  const perArea = TICKS[unit] ** 2;
  const totals = Object.fromEntries(Object.entries(sum).map(([k, v]) => [k, /Area|Kept/.test(k) ? v / perArea : v]));
  for (const k of [
    'newSheets',
    'scraps',
    'cuts',
    'pieceArea',
    'usedArea',
    'newSheetArea',
    'keptArea',
    'wasteArea',
    'kerfArea',
  ]) {
    const said = plan.totals?.[k];
    if (typeof said !== 'number' || Math.abs(said - totals[k]) > 1e-3 * Math.max(1, totals[k]))
      fault(`totals.${k}: ${said}, it is ${totals[k]}`);
  }
  if (plan.bound && plan.bound.newSheetArea > totals.newSheetArea + 1e-6 && plan.status === 'complete')
    fault(`bound: ${plan.bound.newSheetArea} is more than the ${totals.newSheetArea} that do`);
  return { faults, totals };
}

if (process.argv[1] && fileURLToPath(import.meta.url) === realpathSync(process.argv[1])) {
  try {
    const [job, plan] = process.argv.slice(2, 4).map((f) => JSON.parse(readFileSync(f, 'utf8')));
    const { faults, totals } = checkPlan(job, plan);
    for (const f of faults) console.log(f);
    console.log(JSON.stringify(totals));
    process.exitCode = faults.length ? 1 : 0;
  } catch (error) {
    console.error(String(error.message ?? error));
    process.exitCode = 2;
  }
}
