import { exactText, type LengthText, type Ticks, type Unit } from '../length/index.ts';
import type { MatStackInput, Reveal } from '../recipes/index.ts';
import { CENTRED, type Mat, type Page, type PagePanel, type PagePhoto, type Wish } from './document.ts';

/* Changes to a page, each from one whole document to the next, so that undo is the document before. */

const without = <T extends object, K extends keyof T>(value: T, ...keys: K[]): Omit<T, K> => {
  const copy = { ...value };
  for (const key of keys) delete copy[key];
  return copy;
};

const onMats = (page: Page, change: (mats: Mat[], photo: PagePhoto) => Mat[]): Page => ({
  ...page,
  photos: page.photos.map((photo) => {
    const mats = change(photo.mats, photo);
    return mats === photo.mats ? photo : { ...photo, mats };
  }),
});

type LayerPatch = Partial<Pick<Mat, 'name' | 'reveal' | 'width' | 'height' | 'rest' | 'paper'>>;

/** Changes a mat or a panel, whichever has this id. */
export function changeLayer(page: Page, id: string, patch: (layer: Mat | PagePanel) => LayerPatch): Page {
  const apply = <T extends Mat | PagePanel>(layer: T): T =>
    layer.id === id ? ({ ...layer, ...patch(layer) } as T) : layer;
  const hit = (list: readonly { id: string }[]) => list.some((l) => l.id === id);
  if (hit(page.panels)) return { ...page, panels: page.panels.map(apply) };
  return onMats(page, (mats) => (hit(mats) ? mats.map(apply) : mats));
}

/** Gives a layer its reveal; its size is computed from then on. */
export function giveReveal(page: Page, id: string, reveal: Reveal): Page {
  return rebuildLayer(page, id, (layer) => ({ ...without(layer, 'width', 'height'), reveal }));
}

/** Gives a layer its size; its reveal is computed from then on. */
export function giveSize(page: Page, id: string, width: LengthText, height: LengthText): Page {
  return rebuildLayer(page, id, (layer) => ({ ...without(layer, 'reveal'), width, height }));
}

function rebuildLayer(page: Page, id: string, build: (layer: Mat | PagePanel) => Mat | PagePanel): Page {
  const apply = <T extends Mat | PagePanel>(layer: T): T => (layer.id === id ? (build(layer) as T) : layer);
  if (page.panels.some((p) => p.id === id)) return { ...page, panels: page.panels.map(apply) };
  return onMats(page, (mats) => (mats.some((m) => m.id === id) ? mats.map(apply) : mats));
}

export function changePhoto(page: Page, id: string, patch: Partial<Omit<PagePhoto, 'id'>>): Page {
  return { ...page, photos: page.photos.map((p) => (p.id === id ? { ...p, ...patch } : p)) };
}

export function addMat(page: Page, photo: string, id: string): Page {
  return onMats(page, (mats, of) =>
    of.id === photo
      ? [
          ...mats,
          {
            id,
            name: `${of.name} mat ${mats.length + 1}`.slice(0, 120),
            reveal: [usualReveal(page.unit)],
            paper: null,
          },
        ]
      : mats,
  );
}

export function addPanel(page: Page, id: string): Page {
  return {
    ...page,
    panels: [
      ...page.panels,
      { id, name: `panel ${page.panels.length + 1}`, reveal: [page.unit === 'in' ? '1/2' : '12'], paper: null },
    ],
  };
}

export function addPhoto(page: Page, id: string): Page {
  const print = page.unit === 'in' ? { width: '4', height: '6' } : { width: '100', height: '150' };
  return {
    ...page,
    photos: [
      ...page.photos,
      { id, name: `photo ${page.photos.length + 1}`, print: { ...print, known: 'assumed' }, mats: [], at: CENTRED },
    ],
  };
}

const usualReveal = (unit: Unit): string => (unit === 'in' ? '1/8' : '3');

/** Removes a panel, a mat, or a photo with its mats. The base stays. */
export function removePart(page: Page, id: string): Page {
  return {
    ...onMats(page, (mats) => (mats.some((m) => m.id === id) ? mats.filter((m) => m.id !== id) : mats)),
    panels: page.panels.filter((p) => p.id !== id),
    photos: page.photos
      .filter((p) => p.id !== id)
      .map((p) => (p.mats.some((m) => m.id === id) ? { ...p, mats: p.mats.filter((m) => m.id !== id) } : p)),
  };
}

/** Moves a layer one place: mats outward (+1) or towards the print (−1), panels up (+1) or down, photos likewise. */
export function moveLayer(page: Page, id: string, by: 1 | -1): Page {
  const shift = <T extends { id: string }>(list: T[]): T[] => {
    const from = list.findIndex((l) => l.id === id);
    const to = from + by;
    if (from < 0 || to < 0 || to >= list.length) return list;
    const next = [...list];
    [next[from], next[to]] = [next[to]!, next[from]!];
    return next;
  };
  return { ...onMats({ ...page, photos: shift(page.photos) }, shift), panels: shift(page.panels) };
}

/** Chooses the paper of the base (`base`), a panel or a mat. */
export function choosePaper(page: Page, id: string, paper: Wish | null): Page {
  return id === 'base' ? { ...page, base: { ...page.base, paper } } : changeLayer(page, id, () => ({ paper }));
}

/** A photo with its mats as the mat recipe has them, ready to be put on a page. */
export function photoFromMats(
  input: MatStackInput,
  solved: readonly { width: Ticks; height: Ticks }[],
  name: string,
  unit: Unit,
  newId: () => string,
): PagePhoto {
  const print = solved[0]!;
  return {
    id: newId(),
    name,
    print: {
      width: input.print.width ?? exactText(print.width, unit),
      height: input.print.height ?? exactText(print.height, unit),
      known: input.print.known,
    },
    mats: input.mats.map((mat, i) => {
      const layer = { id: newId(), name: `${name} mat ${i + 1}`, paper: null };
      if (mat.reveal) return { ...layer, reveal: mat.reveal };
      const size = solved[i + 1]!;
      return {
        ...layer,
        width: mat.width ?? exactText(size.width, unit),
        height: mat.height ?? exactText(size.height, unit),
      };
    }),
    at: CENTRED,
  };
}

/** Takes an offer of a refused recipe: `mat2.width` or `panel1.height` of the stack in which `where` is a part, or the print's. */
export function takeOffer(page: Page, where: string, field: string, size: Ticks): Page {
  const [layer = '', axis] = field.split('.') as [string, 'width' | 'height'];
  const text = exactText(size, page.unit);
  const photo = page.photos.find((p) => p.id === where || p.mats.some((m) => m.id === where));
  if (layer === 'print' && photo) return changePhoto(page, photo.id, { print: { ...photo.print, [axis]: text } });
  const index = Number(/\d+$/.exec(layer)?.[0] ?? 0) - 1;
  const target = layer.startsWith('panel') ? page.panels[index] : photo?.mats[index];
  return target ? rebuildLayer(page, target.id, (l) => ({ ...l, [axis]: text })) : page;
}
