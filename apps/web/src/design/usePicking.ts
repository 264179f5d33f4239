import { useCallback, useMemo, useState } from 'react';

/** What is picked of a long list, and where one stands in it. */
export interface Picking {
  readonly picked: ReadonlySet<string>;
  /** Where one stands, by its place in the list; −1: nowhere. */
  readonly at: number;
  /** A press: alone; with `add`, one more or less; with `through`, all from where one stood. */
  readonly press: (at: number, how?: { add?: boolean; through?: boolean }) => void;
  /** Stands elsewhere; with `through`, picks all on the way. */
  readonly go: (at: number, through?: boolean) => void;
  readonly pickAll: () => void;
  readonly clear: () => void;
}

/** Picking one and several of a list, as everywhere: a press, Ctrl and Shift with it, arrows and Space. Ids that have gone are not picked. */
export function usePicking(ids: readonly string[]): Picking {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [stand, setStand] = useState<{ id: string; from: string } | null>(null);
  const places = useMemo(() => new Map(ids.map((id, i) => [id, i])), [ids]);
  const picked = useMemo(() => {
    const there = [...chosen].filter((id) => places.has(id));
    return there.length === chosen.size ? chosen : new Set(there);
  }, [chosen, places]);
  const at = stand ? (places.get(stand.id) ?? -1) : -1;
  const press = useCallback(
    (to: number, { add = false, through = false }: { add?: boolean; through?: boolean } = {}) => {
      const id = ids[to];
      if (id === undefined) return;
      const from = through && stand && places.has(stand.from) ? stand.from : id;
      setStand({ id, from });
      setChosen((was) => {
        if (through) {
          const [a, b] = [places.get(from)!, to].sort((x, y) => x - y) as [number, number];
          return new Set([...(add ? was : []), ...ids.slice(a, b + 1)]);
        }
        if (!add) return new Set([id]);
        const next = new Set(was);
        if (!next.delete(id)) next.add(id);
        return next;
      });
    },
    [ids, places, stand],
  );
  const go = useCallback(
    (to: number, through = false) => {
      const id = ids[to];
      if (id === undefined) return;
      if (through) press(to, { through: true });
      else setStand({ id, from: id });
    },
    [ids, press],
  );
  return {
    picked,
    at,
    press,
    go,
    pickAll: useCallback(() => setChosen(new Set(ids)), [ids]),
    clear: useCallback(() => setChosen(new Set()), []),
  };
}
