import { useState } from 'react';
import { styled } from 'styled-components';
import { useForgetSearch, useKeepSearch, useSearches } from '../../../data/stock/rules.ts';
import { Quiet } from '../../../design/buttons.tsx';
import { LineInput } from '../../../design/LineInput.tsx';
import { Notice } from '../../../design/states.tsx';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.1rem 1rem;
  font-size: var(--s1);
  & > [data-now] {
    background: var(--ink);
    color: #fff;
    text-decoration: none;
  }
`;
const Naming = styled.div`
  margin-top: 0.4rem;
`;

/** Searches that somebody keeps: each a press, and the one that stands in the line can be kept too. */
export function Searches({ line, say }: { line: string; say: (line: string) => void }) {
  const kept = useSearches();
  const keep = useKeepSearch();
  const forget = useForgetSearch();
  const [naming, setNaming] = useState(false);
  const now = kept.data?.find((s) => s.line === line.trim());
  const trouble = kept.error ?? keep.error ?? forget.error;
  if (!kept.data?.length && !line.trim() && !trouble) return null;
  return (
    <>
      <Row role="group" aria-label="Searches that are kept">
        {kept.data?.map((s) => (
          <Quiet key={s.id} onPress={() => say(s.line)} {...(s === now ? { 'data-now': true } : {})}>
            {s.name}
          </Quiet>
        ))}
        {now ? (
          <Quiet onPress={() => forget.mutate(now.id)} aria-label={`Forget the search ${now.name}`}>
            Forget it
          </Quiet>
        ) : line.trim() ? (
          <Quiet onPress={() => setNaming(!naming)} aria-expanded={naming}>
            Keep this search
          </Quiet>
        ) : null}
      </Row>
      {naming && !now && line.trim() ? (
        <Naming>
          <LineInput
            label="call it"
            example="for small mats"
            action="Keep it"
            understand={(name) => (name.trim() ? { ok: name.trim().length <= 80, says: '' } : null)}
            onSay={async (name) => {
              try {
                await keep.mutateAsync({ name: name.trim(), line: line.trim() });
                setNaming(false);
                return true;
              } catch {
                return false;
              }
            }}
          />
        </Naming>
      ) : null}
      {trouble ? (
        <Notice kind="block">
          <span>{trouble.message}</span>
        </Notice>
      ) : null}
    </>
  );
}
