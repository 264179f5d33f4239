import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import { MARK_NAMES, emptyPage, photoFromMats, sayMats, type MarkName, type Page } from '@temnex/core';
import { saidWords } from '@temnex/words';
import type { PageRecord } from '@temnex/contract';
import { ask } from '../../api/client.ts';
import { useCreatePage, usePages } from '../../api/queries.ts';
import { MEDIUM, NARROW } from '../../theme/global.ts';
import { Quiet, Strong } from '../../ui/buttons.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { KeysSheet } from '../../ui/KeysSheet.tsx';
import { newId } from '../../ui/newId.ts';
import { SayLine } from '../../ui/SayLine.tsx';
import { Notice } from '../../ui/states.tsx';
import { Tape } from '../../ui/Tape.tsx';
import { stationsOf } from '../page/PageStation.tsx';
import { MatDrawing } from './MatDrawing.tsx';
import { MatSlip } from './MatSlip.tsx';
import { PagesOnTable } from './PagesOnTable.tsx';
import { PaperCheck } from './PaperCheck.tsx';
import { PrintCheck } from './PrintCheck.tsx';
import { useMatSizing, type Unknown } from './useMatSizing.ts';

const Say = styled.div`
  padding: 0.8rem 1.5rem 0.2rem;
  ${NARROW} {
    padding: 0.75rem;
  }
`;
const Work = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 27rem;
  min-height: 34rem;
  border-top: 1px solid var(--rule);
  ${MEDIUM} {
    grid-template-columns: minmax(0, 1fr) 23rem;
  }
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Slip = styled.div`
  padding: 1rem 1.5rem 1.25rem;
  ${NARROW} {
    padding: 1rem 0.75rem;
  }
`;
const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.6rem 1.1rem;
  margin-bottom: 0.9rem;
`;
const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.6rem 0.9rem;
  margin-top: 0.9rem;
`;

const Checks = styled.section`
  display: grid;
  gap: 0.6rem;
  margin-top: 1rem;
  padding-top: 0.8rem;
  border-top: 1px solid var(--rule);
`;

const UNKNOWNS: { id: Unknown; name: string }[] = [
  { id: 'mats', name: 'the mats' },
  { id: 'reveals', name: 'the reveals' },
  { id: 'print', name: 'the largest print' },
];

/** The first view: a print's size and its reveals in, mats out, each with its sum. */
export function SizeScreen() {
  const sizing = useMatSizing();
  const pages = usePages();
  const create = useCreatePage();
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [target, setTarget] = useState('new');
  useEffect(() => {
    document.title = 'Size a mat · Temnex';
  }, []);
  const latest = pages.data?.[0];
  const stations = useMemo(
    () =>
      latest
        ? stationsOf(latest.id, {
            papers: latest.stage !== 'sizing',
            order: latest.stage === 'planned' || latest.stage === 'cut',
          })
        : [{ to: '/', name: 'Size a mat', reached: true }],
    [latest],
  );
  const voice = { mark: sizing.mark, figures: 'typeset' } as const;

  const putOnPage = async () => {
    if (sizing.solved.status !== 'solved') return;
    setTrouble(null);
    const photoFor = (page: Page) => {
      const name = `photo ${page.photos.length + 1}`;
      return photoFromMats(
        sizing.input,
        sizing.solved.status === 'solved' ? sizing.solved.answer.levels : [],
        name,
        sizing.unit,
        newId,
      );
    };
    try {
      if (target === 'new') {
        const page = emptyPage('New page', sizing.unit);
        const record = await create.mutateAsync({ ...page, mark: sizing.markName, photos: [photoFor(page)] });
        return void navigate(`/page/${record.id}`);
      }
      const record = await ask<PageRecord>('GET', `/api/pages/${target}`);
      const photo = photoFor(record.document);
      // lengths typed bare mean this screen's unit, not the page's
      const document =
        record.document.unit === sizing.unit
          ? { ...record.document, photos: [...record.document.photos, photo] }
          : null;
      if (!document) return setTrouble('That page is in another unit. Switch the marks here to its unit first.');
      await ask('PUT', `/api/pages/${target}`, { version: record.version, document });
      void navigate(`/page/${target}`);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'Not put on a page.');
    }
  };

  return (
    <>
      <Tape stations={stations} aside={<span>Press ? for keys</span>} />
      <KeysSheet stations={stations} />
      <main>
        <h1 className="out-of-sight">Size a mat</h1>
        <Say>
          <SayLine
            label="Say it in one line"
            example="mat 1/8 1/4 around 4 x 6"
            action="Take it"
            understand={(text) => {
              if (!text.trim()) return null;
              const said = sayMats(text, sizing.unit);
              if (!said.ok) return { ok: false, says: saidWords(said, voice) };
              const { print, mats } = said.input;
              return {
                ok: true,
                says: `A print of ${print.width} × ${print.height}${mats.length ? `, ${mats.map((m, i) => `mat ${i + 1} with ${m.reveal!.length === 4 ? `${m.reveal![0]} and ${m.reveal![3]} below` : m.reveal![0]}`).join(', ')}` : ', no mat'}`,
              };
            }}
            onSay={sizing.say}
          />
        </Say>
        <Work>
          <MatDrawing sizing={sizing} />
          <Slip>
            <Bar>
              <Choice
                label="Work out"
                value={sizing.unknown}
                options={UNKNOWNS}
                onChange={(v) => sizing.setUnknown(v)}
              />
              <Choice
                label="Marks"
                value={sizing.markName}
                options={MARK_NAMES.map((name) => ({ id: name, name: name.includes('mm') ? name : `${name} in` }))}
                onChange={(name: MarkName) => sizing.setMark(name)}
              />
            </Bar>
            <MatSlip sizing={sizing} />
            <Foot>
              <Quiet onPress={sizing.addMat} isDisabled={sizing.input.mats.length >= 12}>
                Add a mat
              </Quiet>
            </Foot>
            <Foot>
              <Strong
                onPress={() => void putOnPage()}
                isDisabled={sizing.solved.status !== 'solved' || create.isPending}
              >
                Put it on a page
              </Strong>
              {pages.data?.length ? (
                <Choice
                  label="Which page"
                  value={target}
                  options={[{ id: 'new', name: 'a new page' }, ...pages.data.map((p) => ({ id: p.id, name: p.name }))]}
                  onChange={setTarget}
                />
              ) : null}
            </Foot>
            {trouble ? (
              <Notice kind="block">
                <span>{trouble}</span>
              </Notice>
            ) : null}
            <Checks aria-label="Checks">
              <PaperCheck sizing={sizing} />
              <PrintCheck sizing={sizing} />
            </Checks>
          </Slip>
        </Work>
        <PagesOnTable />
      </main>
    </>
  );
}
