import { createHash } from 'node:crypto';
import { EMPTY_PHOTO_FACTS, type Photo, type PhotoFacts } from '@temnex/core/photos';

/*
 * The photos of the example are drawn: a week of kites on a coast that is nowhere, with nobody in it. Each is an SVG of which a JPEG
 * is made when it is first looked at.
 */

interface Spot {
  readonly x: number;
  readonly y: number;
}
interface Kite extends Spot {
  readonly as: 'diamond' | 'delta' | 'box' | 'sled';
  readonly size: number;
  readonly lean: number;
  readonly colours: readonly [string, string, string];
  /** Where its line ends; left out: out of the picture. */
  readonly line?: Spot;
}
interface Figure extends Spot {
  readonly size: number;
  readonly coat: string;
  readonly hair: string;
  readonly arms: 'up' | 'down' | 'out';
}
interface Scene {
  readonly width: number;
  readonly height: number;
  readonly sky: readonly [string, string];
  /** Shares of the height from the top: where the sea begins, and where the sand does. */
  readonly sea: number;
  readonly sand: number;
  readonly water: string;
  readonly ground: string;
  readonly sun?: Spot & { readonly size: number; readonly colour: string };
  readonly clouds?: readonly (Spot & { readonly size: number })[];
  readonly kites?: readonly Kite[];
  readonly people?: readonly Figure[];
  readonly tower?: Spot & { readonly size: number };
  readonly dunes?: boolean;
  readonly gulls?: readonly Spot[];
  readonly castle?: Spot & { readonly size: number };
}

const LEVEL = { width: 1800, height: 1200 };
const UPRIGHT = { width: 1200, height: 1800 };
const SQUARE = { width: 1400, height: 1400 };
const NOON = { sky: ['#5f9fd0', '#cfe4ee'], sea: 0.66, sand: 0.8, water: '#4a7f93', ground: '#dcc79a' } as const;
const MORNING = { sky: ['#8fb7d6', '#f3e3cf'], sea: 0.62, sand: 0.76, water: '#6f97a4', ground: '#d9c3a0' } as const;
const EVENING = { sky: ['#4d5f92', '#f2b285'], sea: 0.7, sand: 0.84, water: '#5d6a86', ground: '#a98a72' } as const;
const GREY = { sky: ['#8b98a2', '#c9cfd1'], sea: 0.64, sand: 0.78, water: '#65757c', ground: '#b8ab93' } as const;
const RED = ['#c8442f', '#f0b23c', '#f4ead8'] as const;
const TEAL = ['#1f7f80', '#f4ead8', '#d8633a'] as const;
const PLUM = ['#6d3f74', '#e7b7a0', '#f4ead8'] as const;
const SUN = ['#e9a92f', '#c8442f', '#2f5f8a'] as const;

const SCENES: readonly { readonly name: string; readonly scene: Scene; readonly says: Partial<PhotoFacts> }[] = [
  {
    name: 'launch',
    scene: {
      ...UPRIGHT,
      ...NOON,
      clouds: [{ x: 0.2, y: 0.2, size: 1 }],
      kites: [{ as: 'diamond', x: 0.6, y: 0.24, size: 230, lean: 18, colours: RED, line: { x: 0.43, y: 0.71 } }],
      people: [{ x: 0.42, y: 0.92, size: 420, coat: '#c2453a', hair: '#4a3326', arms: 'up' }],
      dunes: true,
    },
    says: { day: '2026-06-14', place: 'Saltmarsh Point', people: ['Runa'], what: 'the first launch', favourite: true, stay: { x: 380, y: 1180, width: 300, height: 500 } }, // prettier-ignore
  },
  {
    name: 'boxkite',
    scene: {
      ...SQUARE,
      ...NOON,
      clouds: [{ x: 0.7, y: 0.3, size: 1.2 }, { x: 0.25, y: 0.55, size: 0.7 }], // prettier-ignore
      kites: [{ as: 'box', x: 0.5, y: 0.4, size: 330, lean: -12, colours: SUN, line: { x: 0.3, y: 1 } }],
      sea: 0.9,
      sand: 0.97,
    },
    says: { day: '2026-06-14', place: 'Saltmarsh Point', what: 'the box kite', print: { width: '2 1/4', height: '2 1/4', unit: 'in', known: 'measured' } }, // prettier-ignore
  },
  {
    name: 'two-on-the-sand',
    scene: {
      ...LEVEL,
      ...MORNING,
      kites: [
        { as: 'delta', x: 0.32, y: 0.26, size: 210, lean: -16, colours: TEAL, line: { x: 0.24, y: 0.72 } },
        { as: 'diamond', x: 0.72, y: 0.18, size: 130, lean: 24, colours: PLUM, line: { x: 0.62, y: 0.74 } },
      ],
      people: [
        { x: 0.23, y: 0.93, size: 300, coat: '#2f6f8a', hair: '#3b2c24', arms: 'up' },
        { x: 0.61, y: 0.92, size: 260, coat: '#d49a2f', hair: '#6b4a2e', arms: 'out' },
      ],
    },
    says: { day: '2026-06-15', place: 'Saltmarsh Point', people: ['Runa', 'Tove'], what: 'two lines at once' },
  },
  {
    name: 'old-light',
    scene: {
      ...UPRIGHT,
      ...MORNING,
      sea: 0.72,
      sand: 0.82,
      tower: { x: 0.64, y: 0.84, size: 820 },
      gulls: [{ x: 0.25, y: 0.3 }, { x: 0.36, y: 0.24 }, { x: 0.2, y: 0.42 }], // prettier-ignore
      dunes: true,
    },
    says: { day: '2026-06-15', place: 'the old light', what: 'the walk to the tower' },
  },
  {
    name: 'delta',
    scene: {
      ...UPRIGHT,
      ...GREY,
      kites: [{ as: 'delta', x: 0.5, y: 0.3, size: 300, lean: 8, colours: TEAL, line: { x: 0.52, y: 0.73 } }],
      people: [{ x: 0.5, y: 0.93, size: 380, coat: '#d49a2f', hair: '#6b4a2e', arms: 'up' }],
    },
    says: { day: '2026-06-16', place: 'Shingle Bay', people: ['Tove'], what: 'Tove and the delta', print: { width: '3 1/2', height: '5', unit: 'in', known: 'measured' } }, // prettier-ignore
  },
  {
    name: 'rain-coming',
    scene: {
      ...LEVEL,
      ...GREY,
      clouds: [{ x: 0.3, y: 0.2, size: 2.4 }, { x: 0.75, y: 0.28, size: 2 }], // prettier-ignore
      gulls: [{ x: 0.5, y: 0.5 }, { x: 0.56, y: 0.47 }], // prettier-ignore
      people: [{ x: 0.82, y: 0.95, size: 190, coat: '#3f5a6b', hair: '#2c2420', arms: 'down' }],
    },
    says: { day: '2026-06-16', place: 'Shingle Bay', what: 'no wind, then rain' },
  },
  {
    name: 'castle',
    scene: { ...LEVEL, ...NOON, sea: 0.3, sand: 0.42, castle: { x: 0.46, y: 0.82, size: 420 } },
    says: { day: '2026-06-17', place: 'Longstrand', people: ['Pip'], what: 'the fort at low water' },
  },
  {
    name: 'row-of-kites',
    scene: {
      ...LEVEL,
      ...NOON,
      sea: 0.78,
      sand: 0.88,
      clouds: [{ x: 0.5, y: 0.62, size: 1.4 }],
      kites: [RED, TEAL, SUN, PLUM, RED].map((colours, i) => ({
        as: (['diamond', 'sled', 'delta', 'diamond', 'box'] as const)[i]!, x: 0.14 + i * 0.18, y: 0.3 + (i % 2) * 0.14,
        size: 120, lean: 14 - i * 6, colours, line: { x: 0.3 + i * 0.1, y: 0.93 },
      })), // prettier-ignore
    },
    says: { day: '2026-06-17', place: 'Longstrand', what: 'the gathering', favourite: true },
  },
  {
    name: 'tangle',
    scene: {
      ...SQUARE,
      ...MORNING,
      sea: 0.2,
      sand: 0.32,
      kites: [{ as: 'diamond', x: 0.5, y: 0.62, size: 330, lean: 74, colours: PLUM, line: { x: 0.12, y: 0.9 } }],
    },
    says: { day: '2026-06-17', place: 'Longstrand', what: 'the tangle' },
  },
  {
    name: 'three',
    scene: {
      ...LEVEL,
      ...EVENING,
      sun: { x: 0.72, y: 0.6, size: 90, colour: '#f8dca0' },
      people: [
        { x: 0.34, y: 0.94, size: 330, coat: '#c2453a', hair: '#4a3326', arms: 'down' },
        { x: 0.47, y: 0.94, size: 270, coat: '#d49a2f', hair: '#6b4a2e', arms: 'up' },
        { x: 0.58, y: 0.94, size: 210, coat: '#4f7f5a', hair: '#3b2c24', arms: 'out' },
      ],
    },
    says: { day: '2026-06-18', place: 'Longstrand', people: ['Runa', 'Tove', 'Pip'], what: 'the last evening', favourite: true, stay: { x: 470, y: 700, width: 720, height: 450 } }, // prettier-ignore
  },
  {
    name: 'night-kite',
    scene: {
      ...UPRIGHT,
      ...EVENING,
      kites: [{ as: 'sled', x: 0.5, y: 0.3, size: 220, lean: -6, colours: SUN, line: { x: 0.4, y: 0.95 } }],
      gulls: [{ x: 0.8, y: 0.5 }],
    },
    says: { day: '2026-06-18', place: 'Longstrand', what: 'the lantern kite' },
  },
  {
    name: 'ferry-home',
    scene: { ...LEVEL, ...GREY, sea: 0.5, sand: 0.97, gulls: [{ x: 0.3, y: 0.3 }, { x: 0.38, y: 0.34 }, { x: 0.66, y: 0.24 }] }, // prettier-ignore
    says: { day: '2026-06-19', place: 'the ferry', what: 'the way home' },
  },
];

const n = (value: number): string => String(Math.round(value * 10) / 10);

function kite({ as, x, y, size: s, lean, colours: [a, b, c], line }: Kite, W: number, H: number): string {
  const [cx, cy] = [x * W, y * H];
  const end = line ? { x: line.x * W, y: line.y * H } : { x: cx, y: H };
  const bend = { x: (cx + end.x) / 2 + (end.x - cx) * 0.15, y: (cy + end.y) / 2 + s * 0.5 };
  const string = `<path d="M${n(cx)} ${n(cy)}Q${n(bend.x)} ${n(bend.y)} ${n(end.x)} ${n(end.y)}" fill="none" stroke="#f7f3ea" stroke-opacity=".75" stroke-width="3"/>`;
  const tail = Array.from({ length: 6 }, (_, i) => `<path d="M${n(Math.sin(i) * s * 0.12)} ${n(s * (0.8 + i * 0.2))}l${n(s * 0.1)} ${n(s * 0.05)}v${n(-s * 0.1)}l${n(-s * 0.2)} ${n(s * 0.1)}v${n(-s * 0.1)}z" fill="${i % 2 ? a : b}"/>`).join(''); // prettier-ignore
  const half = s / 2;
  const body = {
    diamond: `<path d="M0 ${-s * 0.62}L${half} 0L0 ${s * 0.8}L${-half} 0z" fill="${a}"/><path d="M0 ${-s * 0.62}L${half} 0H0z" fill="${b}"/><path d="M0 ${s * 0.8}L${-half} 0H0z" fill="${c}"/>${tail}`,
    delta: `<path d="M0 ${-half}L${s} ${half}L${s * 0.2} ${s * 0.3}L0 ${half}L${-s * 0.2} ${s * 0.3}L${-s} ${half}z" fill="${a}"/><path d="M0 ${-half}L${s * 0.2} ${s * 0.3}L0 ${half}L${-s * 0.2} ${s * 0.3}z" fill="${b}"/><path d="M${-s} ${half}L${-s * 0.5} 0L${-s * 0.42} ${s * 0.36}z" fill="${c}"/>`,
    box: `<path d="M${-half} ${-s * 0.7}h${s}v${s * 0.5}h${-s}zM${-half} ${s * 0.25}h${s}v${s * 0.5}h${-s}z" fill="${a}"/><path d="M${half} ${-s * 0.7}l${s * 0.3} ${-s * 0.2}v${s * 0.5}l${-s * 0.3} ${s * 0.2}zM${half} ${s * 0.25}l${s * 0.3} ${-s * 0.2}v${s * 0.5}l${-s * 0.3} ${s * 0.2}z" fill="${b}"/><path d="M${-half} ${-s * 0.7}v${s * 1.45}M${half} ${-s * 0.7}v${s * 1.45}M${s * 0.8} ${-s * 0.9}v${s * 1.45}" stroke="${c}" stroke-width="${s * 0.035}"/>`,
    sled: `<path d="M${-half} ${-s * 0.6}H${half}L${s * 0.7} 0L${half} ${s * 0.7}H${-half}L${-s * 0.7} 0z" fill="${a}"/><path d="M${-s * 0.16} ${-s * 0.6}h${s * 0.32}v${s * 1.3}h${-s * 0.32}z" fill="${b}"/><circle r="${s * 0.12}" cy="${s * 0.28}" fill="${c}"/>`,
  }[as];
  return `${string}<g transform="translate(${n(cx)} ${n(cy)}) rotate(${lean})">${body}</g>`;
}

function figure({ x, y, size: s, coat, hair, arms }: Figure, W: number, H: number): string {
  const reach = { up: -0.86, down: -0.3, out: -0.62 }[arms];
  const wide = { up: 0.12, down: 0.16, out: 0.3 }[arms];
  const arm = (side: 1 | -1) => `<path d="M${n(side * s * 0.1)} ${n(-s * 0.66)}L${n(side * s * wide)} ${n(s * reach)}" stroke="${coat}" stroke-width="${n(s * 0.07)}" stroke-linecap="round"/><circle cx="${n(side * s * wide)}" cy="${n(s * reach)}" r="${n(s * 0.035)}" fill="#e2b391"/>`; // prettier-ignore
  return `<g transform="translate(${n(x * W)} ${n(y * H)})"><ellipse rx="${n(s * 0.3)}" ry="${n(s * 0.04)}" fill="#000" fill-opacity=".16"/><path d="M${n(-s * 0.08)} ${n(-s * 0.4)}V0M${n(s * 0.08)} ${n(-s * 0.4)}V0" stroke="#35414c" stroke-width="${n(s * 0.1)}" stroke-linecap="round"/>${arm(1)}${arm(-1)}<path d="M${n(-s * 0.13)} ${n(-s * 0.7)}h${n(s * 0.26)}l${n(s * 0.05)} ${n(s * 0.36)}h${n(-s * 0.36)}z" fill="${coat}"/><circle cy="${n(-s * 0.82)}" r="${n(s * 0.1)}" fill="#e2b391"/><path d="M${n(-s * 0.105)} ${n(-s * 0.82)}a${n(s * 0.105)} ${n(s * 0.105)} 0 0 1 ${n(s * 0.21)} 0l${n(s * 0.05)} ${n(s * 0.04)}l${n(-s * 0.1)} ${n(-s * 0.06)}z" fill="${hair}"/></g>`;
}

function drawn({ width: W, height: H, sky, sea, sand, water, ground, ...scene }: Scene): string {
  const cloud = ({ x, y, size }: Spot & { size: number }) => `<g transform="translate(${n(x * W)} ${n(y * H)}) scale(${size})" fill="#fff" fill-opacity=".7"><ellipse rx="170" ry="40"/><ellipse cx="-60" cy="-30" rx="80" ry="48"/><ellipse cx="50" cy="-42" rx="96" ry="60"/></g>`; // prettier-ignore
  const gull = ({ x, y }: Spot) => `<path d="M${n(x * W - 34)} ${n(y * H)}q18 -26 34 0q16 -26 34 0" fill="none" stroke="#39444b" stroke-width="6" stroke-linecap="round"/>`; // prettier-ignore
  const waves = [0.2, 0.45, 0.75].map((at, i) => `<path d="M${-20 + i * 90} ${n(H * (sea + (sand - sea) * at))}q${W / 8} ${10 + i * 5} ${W / 4} 0t${W / 4} 0t${W / 4} 0t${W / 4} 0" fill="none" stroke="#fff" stroke-opacity=".4" stroke-width="${5 + i * 3}"/>`); // prettier-ignore
  const shore = `<path d="M0 ${n(H * sand)}q${W / 4} ${n(H * 0.03)} ${W / 2} 0t${W / 2} 0V${H}H0z" fill="${ground}"/><path d="M0 ${n(H * sand)}q${W / 4} ${n(H * 0.03)} ${W / 2} 0t${W / 2} 0" fill="none" stroke="#fff" stroke-opacity=".65" stroke-width="10"/>`;
  const dunes = scene.dunes ? `<path d="M0 ${n(H * (sand + 0.02))}q${n(W * 0.14)} ${n(-H * 0.1)} ${n(W * 0.3)} ${n(H * 0.03)}L${n(W * 0.36)} ${H}H0z" fill="#c4ab78"/>${Array.from({ length: 26 }, (_, i) => `<path d="M${n(((i * 37) % 100) * W * 0.003)} ${n(H * (sand - 0.005 + ((i * 13) % 7) * 0.014))}q${8 - (i % 5) * 4} -40 ${18 - (i % 7) * 6} -72" fill="none" stroke="#7e8a4f" stroke-width="5"/>`).join('')}` : ''; // prettier-ignore
  const sun = scene.sun ? `<circle cx="${n(scene.sun.x * W)}" cy="${n(scene.sun.y * H)}" r="${scene.sun.size}" fill="${scene.sun.colour}"/>` : ''; // prettier-ignore
  const tower = scene.tower ? towerOf(scene.tower, W, H) : '';
  const castle = scene.castle ? castleOf(scene.castle, W, H) : '';
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${W}" height="${H}" viewBox="0 0 ${W} ${H}">`,
    `<linearGradient id="s" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="${sky[0]}"/><stop offset="1" stop-color="${sky[1]}"/></linearGradient>`,
    `<rect width="${W}" height="${H}" fill="url(#s)"/>${sun}${(scene.clouds ?? []).map(cloud).join('')}`,
    `<rect y="${n(H * sea)}" width="${W}" height="${n(H * (1 - sea))}" fill="${water}"/>${waves.join('')}${shore}${dunes}${tower}${castle}`,
    (scene.gulls ?? []).map(gull).join(''),
    (scene.kites ?? []).map((one) => kite(one, W, H)).join(''),
    (scene.people ?? []).map((one) => figure(one, W, H)).join(''),
    '</svg>',
  ].join('');
}

function towerOf({ x, y, size: s }: Spot & { size: number }, W: number, H: number): string {
  const bands = [0.16, 0.5].map((at) => `<path d="M${n(-s * (0.13 - at * 0.05))} ${n(-s * at)}h${n(s * (0.26 - at * 0.1))}l${n(-s * 0.008)} ${n(-s * 0.16)}h${n(-s * (0.244 - at * 0.1))}z" fill="#b5452f"/>`).join(''); // prettier-ignore
  return `<g transform="translate(${n(x * W)} ${n(y * H)})"><path d="M${n(-s * 0.13)} 0h${n(s * 0.26)}l${n(-s * 0.05)} ${n(-s * 0.84)}h${n(-s * 0.16)}z" fill="#f2ede2"/>${bands}<path d="M${n(-s * 0.1)} ${n(-s * 0.84)}h${n(s * 0.2)}v${n(-s * 0.03)}h${n(-s * 0.2)}z" fill="#3b4650"/><path d="M${n(-s * 0.06)} ${n(-s * 0.87)}h${n(s * 0.12)}v${n(-s * 0.1)}h${n(-s * 0.12)}z" fill="#f6d98a"/><path d="M${n(-s * 0.075)} ${n(-s * 0.97)}L0 ${n(-s * 1.06)}L${n(s * 0.075)} ${n(-s * 0.97)}z" fill="#3b4650"/></g>`;
}

function castleOf({ x, y, size: s }: Spot & { size: number }, W: number, H: number): string {
  const keep = (dx: number, wide: number, high: number) => `<path d="M${n(s * (dx - wide / 2))} 0v${n(-s * high)}h${n(s * wide * 0.2)}v${n(s * 0.05)}h${n(s * wide * 0.2)}v${n(-s * 0.05)}h${n(s * wide * 0.2)}v${n(s * 0.05)}h${n(s * wide * 0.2)}v${n(-s * 0.05)}h${n(s * wide * 0.2)}v${n(s * high)}z" fill="#c9a566" stroke="#a5824a" stroke-width="5"/>`; // prettier-ignore
  return `<g transform="translate(${n(x * W)} ${n(y * H)})"><ellipse rx="${n(s * 1.1)}" ry="${n(s * 0.1)}" fill="#b9965c"/>${keep(-0.5, 0.36, 0.5)}${keep(0.5, 0.36, 0.44)}${keep(0, 0.6, 0.74)}<path d="M${n(-s * 0.07)} 0v${n(-s * 0.2)}a${n(s * 0.07)} ${n(s * 0.08)} 0 0 1 ${n(s * 0.14)} 0v${n(s * 0.2)}z" fill="#7a5d33"/><path d="M0 ${n(-s * 0.74)}v${n(-s * 0.3)}l${n(s * 0.2)} ${n(s * 0.07)}l${n(-s * 0.2)} ${n(s * 0.07)}" fill="#c8442f" stroke="#5b4a3a" stroke-width="6"/></g>`;
}

/** A drawn photo: what is said of it, and the drawing. */
export interface DemoPhoto {
  readonly photo: Photo;
  readonly svg: string;
}
export const demoPhotoId = (name: string): string => `demo-photo-${name}`;

/** The photos of the example, the latest first; the hash of a drawing is the name of its files. */
export const demoPhotos: readonly DemoPhoto[] = SCENES.map(({ name, scene, says }, i) => {
  const svg = drawn(scene);
  const file = createHash('sha256').update(svg).digest('hex');
  const { width, height } = scene;
  const addedAt = new Date(Date.UTC(2026, 5, 20, 9, 0, SCENES.length - i)).toISOString();
  return {
    svg,
    photo: {
      id: demoPhotoId(name),
      file,
      name: `${name}.jpg`,
      width,
      height,
      ...EMPTY_PHOTO_FACTS,
      ...says,
      addedAt,
      demo: true,
    },
  };
});
