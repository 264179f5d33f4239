import { useCallback, useEffect, useRef, useState } from 'react';
import { lengthText, type Unit } from '@temnex/core/length';
import { DEFAULT_FRAMING, framingSchema, type Framing, type Photo } from '@temnex/core/photos';
import { z } from 'zod';
import { keepValue, readKeptValue } from '../../../data/deviceStorage.ts';
import {
  amendHistory,
  changeHistory,
  redoHistory,
  startHistory,
  undoHistory,
  type History,
} from '../../../data/history.ts';
import { isSameSize, listUsualPrints, type PrintSize } from '../sizes.ts';

/* How a photo is seen as each print it may become: kept on this device until it is used, with undo. */

const KEPT = 'temnex crops';
/** Photos whose crops are kept, those last worked on. */
const MAX_KEPT = 60;
/** Moves of one print that follow each other within so many milliseconds are one step of undo. */
const ONE_STEP = 700;

/** A length as somebody typed it. */
const typedSchema = z.string().refine((text) => lengthText().safeParse(text).success);
const sizeSchema = z.object({ width: typedSchema, height: typedSchema });
const cropsSchema = z.object({
  size: sizeSchema,
  /** A size that somebody typed. */
  own: sizeSchema.nullable(),
  /** By print: how it is seen; what is not there was never touched. */
  framings: z.record(z.string(), framingSchema),
});
type Crops = z.infer<typeof cropsSchema>;
const keptSchema = z.array(z.object({ photo: z.string(), unit: z.enum(['in', 'mm']), crops: cropsSchema }));

function readKept(): z.infer<typeof keptSchema> {
  const kept = keptSchema.safeParse(readKeptValue(KEPT));
  return kept.success ? kept.data : [];
}
const keyOf = ({ width, height }: PrintSize) => `${width} ${height}`;

export interface CropEditor {
  readonly sizes: readonly PrintSize[];
  readonly size: PrintSize;
  framingOf(size: PrintSize): Framing;
  /** How the print in view is seen. */
  put(framing: Framing): void;
  /** Another print in view; one that is none of the usual sizes stands beside them. */
  choose(size: PrintSize): void;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  undo(): void;
  redo(): void;
}

export function useCrops(photo: Pick<Photo, 'id' | 'width' | 'height'>, unit: Unit): CropEditor {
  const usual = listUsualPrints(unit, photo);
  const [history, setHistory] = useState<History<Crops>>(() => {
    const kept = readKept().find((k) => k.photo === photo.id && k.unit === unit);
    return startHistory(kept?.crops ?? { size: usual[0]!, own: null, framings: {} });
  });
  const { now } = history;
  const { size, own, framings } = now;
  const kept = useRef(now);
  useEffect(() => {
    if (now === kept.current) return;
    kept.current = now;
    const others = readKept().filter((k) => k.photo !== photo.id);
    keepValue(KEPT, [...others, { photo: photo.id, unit, crops: now }].slice(-MAX_KEPT));
  }, [now, photo.id, unit]);
  const last = useRef({ key: '', at: -Infinity });
  const undo = useCallback(() => {
    last.current.key = '';
    setHistory(undoHistory);
  }, []);
  const redo = useCallback(() => {
    last.current.key = '';
    setHistory(redoHistory);
  }, []);
  return {
    sizes: own && !usual.some((one) => isSameSize(one, own)) ? [...usual, own] : usual,
    size,
    framingOf: (of) => framings[keyOf(of)] ?? DEFAULT_FRAMING,
    put: (framing) => {
      const at = performance.now();
      const key = keyOf(size);
      const goesOn = last.current.key === key && at - last.current.at < ONE_STEP;
      last.current = { key, at };
      const make = goesOn ? amendHistory : changeHistory;
      setHistory((h) => make(h, { ...h.now, framings: { ...h.now.framings, [key]: framing } }));
    },
    choose: (next) => {
      last.current.key = '';
      const isUsual = usual.some((one) => isSameSize(one, next));
      // which print is in view is no change of a crop, and takes no step to take back
      setHistory((h) => ({ ...h, now: { ...h.now, size: next, own: isUsual ? h.now.own : next } }));
    },
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    undo,
    redo,
  };
}
