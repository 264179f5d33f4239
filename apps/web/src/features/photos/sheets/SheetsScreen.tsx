import { useEffect, useMemo, useState } from 'react';
import { styled } from 'styled-components';
import { MARKS, lengthOf } from '@temnex/core/length';
import { DEFAULT_HABITS } from '@temnex/core/stock';
import { collectPrints, type PrintToMake } from '@temnex/core/photos';
import { readJob } from '@temnex/core/planner';
import { buildGangJob, gangPieceId, locateGangPrints, formatSheetLetter, type PhotoSheet } from '@temnex/core/cutting';
import { describeBound, formatCount, describeIssue, formatPhotoName, formatSize } from '@temnex/words';
import { useHabits } from '../../../data/habits.ts';
import { CropOf } from '../../../widgets/photos/CropOf.tsx';
import { usePlanner } from '../../../data/planning/usePlanner.ts';
import { NARROW } from '../../../design/global.ts';
import { Plain, PlainLink, Strong } from '../../../design/buttons.tsx';
import { Choice } from '../../../design/Choice.tsx';
import { LengthField } from '../../../design/LengthField.tsx';
import { Empty, Notice } from '../../../design/states.tsx';
import { Tick } from '../../../design/Tick.tsx';
import { SidePanel } from '../../../design/Split.ts';
import { AimChoice } from '../../../widgets/order/Alternatives.tsx';
import { Story } from '../../../widgets/order/Story.tsx';
import { WhichOrder } from '../../../widgets/order/WhichOrder.tsx';
import { usePhotosContext } from '../context.ts';
import { downloadSheets, buildSheetFiles } from '../files.ts';

const Work = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 23rem;
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Table = styled.div`
  padding: 1rem 1.5rem 2rem;
  background: var(--table);
  min-width: 0;
  & > h2 {
    margin: 1.4rem 0 0.8rem;
  }
  ${NARROW} {
    padding: 0.75rem;
  }
`;
const Sheets = styled.ul`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 1.2rem 1.6rem;
  & > li > div {
    position: relative;
    background: #fff;
    outline: 1px solid var(--ink);
  }
  & > li > div > div {
    position: absolute;
  }
  & p {
    margin-top: 0.35rem;
    font-size: var(--s1);
  }
`;
const Chosen = styled.ul`
  display: grid;
  gap: 0.2rem;
  max-height: 22rem;
  overflow-y: auto;
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.5rem 0.9rem;
`;

/** Sheets that are sold, as they are called, and whether a printer at home leaves them a margin. */
const SHEETS: Readonly<Record<string, PhotoSheet & { name: string }>> = {
  '4x6': { name: '4 × 6', width: '6', height: '4', unit: 'in', margin: '0' },
  '5x7': { name: '5 × 7', width: '7', height: '5', unit: 'in', margin: '0' },
  '8x10': { name: '8 × 10', width: '8', height: '10', unit: 'in', margin: '0' },
  letter: { name: 'letter, 8½ × 11', width: '8 1/2', height: '11', unit: 'in', margin: '1/4' },
  a6: { name: 'A6, 105 × 148 mm', width: '148', height: '105', unit: 'mm', margin: '0' },
  a5: { name: 'A5, 148 × 210 mm', width: '148', height: '210', unit: 'mm', margin: '0' },
  a4: { name: 'A4, 210 × 297 mm', width: '210', height: '297', unit: 'mm', margin: '6' },
};
const PER_INCH = 30;
const px = (ticks: number) => (ticks / 24_384) * PER_INCH;
const MAX_PRINTS = 120;

const fits = (p: PrintToMake, { width, height, unit, margin }: PhotoSheet): boolean => {
  const room = [width, height].map((side) => lengthOf(side, unit) - 2 * lengthOf(margin, unit)).sort((a, b) => a - b);
  const own = [p.width, p.height].sort((a, b) => a - b);
  return own[0]! <= room[0]! && own[1]! <= room[1]!;
};

/** Prints put together on photo sheets: which of them, on which sheet, how they lie, as files, and how they are cut apart. */
export function SheetsScreen() {
  const { photos, shown, unit } = usePhotosContext();
  const habits = useHabits().data?.habits ?? DEFAULT_HABITS;
  const { toMake } = useMemo(() => collectPrints(photos, shown), [photos, shown]);
  const [which, setWhich] = useState(unit === 'in' ? '4x6' : 'a4');
  const [margin, setMargin] = useState<string | null>(null);
  const [without, setWithout] = useState<ReadonlySet<string>>(new Set());
  const sheet = useMemo<PhotoSheet>(
    () => ({ ...SHEETS[which]!, ...(margin === null ? {} : { margin }) }),
    [which, margin],
  );
  const possible = useMemo(() => toMake.filter((p) => fits(p, sheet)).slice(0, MAX_PRINTS), [toMake, sheet]);
  const chosen = useMemo(() => possible.filter((p) => !without.has(p.key)), [possible, without]);
  const mark = MARKS[unit === 'in' ? '1/16' : '1 mm'];
  const job = useMemo(
    () => (chosen.length ? buildGangJob(chosen, sheet, habits, mark) : null),
    [chosen, sheet, habits, mark],
  );
  const { state, of, plan } = usePlanner();
  useEffect(() => {
    if (job) plan({ ...job, plan: { ...job.plan, seconds: 1 } }, null, 'one-aim');
  }, [job, plan]);
  const plans = 'plans' in state && job && of?.pieces === job.pieces && of.stock === job.stock ? state.plans : {};
  const best = Object.values(plans)[0] ?? null;
  const read = useMemo(() => (job ? readJob(job) : null), [job]);
  const named = useMemo(() => {
    if (!read?.ok) return null;
    const names = new Map(chosen.map((p, i) => [gangPieceId(i), formatPhotoName(p.photo)]));
    return { ...read.job, pieces: read.job.pieces.map((p) => ({ ...p, name: names.get(p.id) ?? p.name })) };
  }, [read, chosen]);
  const photoOf = useMemo(() => {
    const of = new Map(chosen.map(({ crop, photo }, i) => [gangPieceId(i), { file: photo.file, crop, pixels: photo }]));
    return (piece: string) => of.get(piece) ?? null;
  }, [chosen]);
  const sheets = useMemo(() => (best ? locateGangPrints(best, sheet) : []), [best, sheet]);
  const byKey = new Map(chosen.map((p, i) => [gangPieceId(i), p]));
  const [as, setAs] = useState<'png' | 'jpeg' | 'pdf'>('pdf');
  const [density, setDensity] = useState<'300' | '240'>('300');
  const [saving, setSaving] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  // of another plan nothing is made yet
  const [made, setMade] = useState<{ plan: typeof best; upTo: number | null } | null>(null);
  const done = made?.plan === best ? (made?.upTo ?? null) : null;
  const voice = { mark, figures: 'typeset' } as const;
  const save = async () => {
    setSaving(true);
    setTrouble(null);
    const all = buildSheetFiles(sheets, chosen);
    const how = { as, density: Number(density) as 300 | 240 };
    try {
      if (as === 'pdf') await downloadSheets({ ...how, sheets: all }, 'photo-sheets.pdf');
      else
        for (const [i, one] of all.entries())
          await downloadSheets(
            { ...how, sheets: [one] },
            `photo-sheet-${formatSheetLetter(i)}.${as === 'png' ? 'png' : 'jpg'}`,
          );
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'They could not be saved.');
    }
    setSaving(false);
  };
  if (!toMake.length)
    return (
      <main>
        <Empty title="No print is to be made">
          <p>Put a photo on a page, or say of one which print you want: then small ones can share a sheet.</p>
          <PlainLink to="/photos">To the photos</PlainLink>
        </Empty>
      </main>
    );
  return (
    <Work>
      <h1 className="out-of-sight">Photo sheets</h1>
      <Table>
        {!chosen.length ? (
          <Empty title={possible.length ? 'Nothing is chosen' : 'None of them fits on this sheet'}>
            <p>{possible.length ? 'Choose prints in the list.' : 'Choose a larger sheet, or a smaller print.'}</p>
          </Empty>
        ) : best && named ? (
          <>
            <p role="status">
              {formatCount(sheets.length, 'sheet')} of {SHEETS[which]!.name}. {describeBound(best)}
            </p>
            {best.missing.length ? (
              <Notice kind="block">
                <span>
                  Not on these sheets:{' '}
                  {best.missing
                    .map(
                      (m) =>
                        `${m.quantity} × ${byKey.get(m.piece)?.photo ? formatPhotoName(byKey.get(m.piece)!.photo) : m.piece}`,
                    )
                    .join(', ')}
                </span>
              </Notice>
            ) : null}
            <h2>The sheets</h2>
            <Sheets>
              {sheets.map((one, i) => (
                <li key={i}>
                  <div style={{ width: px(one.width), height: px(one.height) }}>
                    {one.prints.map((p, n) => {
                      const print = byKey.get(p.key);
                      return print ? (
                        <div key={n} style={{ left: px(p.x), top: px(one.height - p.y - p.height) }}>
                          <CropOf
                            file={print.photo.file}
                            photo={print.photo}
                            crop={print.crop}
                            width={px(p.width)}
                            height={px(p.height)}
                            turn={p.turn}
                          />
                        </div>
                      ) : null;
                    })}
                  </div>
                  <p>
                    <b>{formatSheetLetter(i)}</b> {formatCount(one.prints.length, 'print')}
                  </p>
                </li>
              ))}
            </Sheets>
            <h2>Cut apart, in this order</h2>
            {best.steps.length ? (
              <>
                <AimChoice habits={habits} />
                <WhichOrder plan={best} job={named} habits={habits} planning={state.status === 'planning'} />
                <Story
                  plan={best}
                  job={named}
                  drawer={NO_PAPERS}
                  mark={mark}
                  bagOf={null}
                  photoOf={photoOf}
                  done={done}
                  onDone={(upTo) => setMade({ plan: best, upTo })}
                />
              </>
            ) : (
              <p>No cut is needed: each print is a whole sheet.</p>
            )}
          </>
        ) : state.status === 'refused' ? (
          <Empty title="They cannot be put together">
            <p>{describeIssue(state.issue, voice)}</p>
          </Empty>
        ) : state.status === 'failed' ? (
          <Empty title="They could not be put together">
            <p>The planner stopped unexpectedly. Nothing is lost.</p>
          </Empty>
        ) : null}
      </Table>
      <SidePanel aria-label="Which prints on which sheet">
        <Row>
          <Choice
            label="photo sheet"
            value={which}
            options={Object.entries(SHEETS).map(([id, { name }]) => ({ id, name }))}
            onChange={(id) => {
              setWhich(id);
              setMargin(null);
            }}
          />
          <LengthField
            label="margin that the printer leaves"
            shown="printer’s margin"
            value={sheet.margin}
            unit={sheet.unit}
            options={{ allow: 'zero' }}
            width="4.5rem"
            onCommit={setMargin}
          />
        </Row>
        <section aria-label="Prints on it">
          <h2>
            {formatCount(
              chosen.reduce((n, p) => n + p.copies, 0),
              'print',
            )}
          </h2>
          <Chosen>
            {possible.map((p) => (
              <li key={p.key}>
                <Tick
                  checked={!without.has(p.key)}
                  onChange={() =>
                    setWithout((was) => {
                      const next = new Set(was);
                      if (!next.delete(p.key)) next.add(p.key);
                      return next;
                    })
                  }
                >
                  {p.copies > 1 ? `${p.copies} × ` : ''}
                  {formatSize(p.width, p.height, voice)} {formatPhotoName(p.photo)}
                </Tick>
              </li>
            ))}
          </Chosen>
          {possible.length < toMake.length ? (
            <p>{formatCount(toMake.length - possible.length, 'print')} too large for this sheet.</p>
          ) : null}
        </section>
        <section aria-label="Save the sheets">
          <Row>
            <Choice
              label="as"
              value={as}
              options={[
                { id: 'pdf', name: 'one PDF' },
                { id: 'jpeg', name: 'JPEG, one a sheet' },
                { id: 'png', name: 'PNG, one a sheet' },
              ]}
              onChange={setAs}
            />
            <Choice
              label="pixels to the inch"
              value={density}
              options={[
                { id: '300', name: '300' },
                { id: '240', name: '240' },
              ]}
              onChange={setDensity}
            />
            <Strong onPress={() => void save()} isDisabled={!sheets.length || saving}>
              {saving ? 'Making them …' : 'Save the sheets'}
            </Strong>
            <Plain onPress={() => window.print()}>Print the cuts</Plain>
          </Row>
          <p>Print them at 100 %, not “fit to page”: then every print has its size.</p>
          {trouble ? (
            <Notice kind="block">
              <span>{trouble}</span>
            </Notice>
          ) : null}
        </section>
      </SidePanel>
    </Work>
  );
}
const NO_PAPERS = { papers: [], stock: [] };
