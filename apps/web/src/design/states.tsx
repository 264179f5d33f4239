import { useEffect, useState, type ReactNode } from 'react';
import { styled } from 'styled-components';
import { Plain } from './buttons.tsx';

const Box = styled.div`
  padding: 3rem 1.5rem;
  max-width: 40rem;
  & h2 {
    margin-bottom: 0.5rem;
  }
  & p {
    color: var(--quiet);
    margin-bottom: 1rem;
  }
`;

/** Shows nothing for the first 300 ms, so that fast answers do not flicker. */
export function Loading({ what }: { what: string }) {
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), 300);
    return () => clearTimeout(timer);
  }, []);
  return <Box role="status">{late ? <p>Fetching {what} …</p> : null}</Box>;
}

export function Trouble({ title, error, retry }: { title: string; error: unknown; retry?: () => void }) {
  return (
    <Box role="alert">
      <h2>{title}</h2>
      <p>{error instanceof Error ? error.message : 'Something went wrong.'}</p>
      {retry ? <Plain onPress={retry}>Try again</Plain> : null}
    </Box>
  );
}

export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box>
      <h2>{title}</h2>
      {children}
    </Box>
  );
}

const Strip = styled.div<{ $tone: 'cut' | 'ink' }>`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.35rem 0.9rem;
  padding: 0.45rem 0 0.45rem 0.8rem;
  border-left: 5px ${(p) => (p.$tone === 'cut' ? 'double' : 'solid')}
    ${(p) => (p.$tone === 'cut' ? 'var(--cut)' : 'var(--ink)')};
`;

/** A sentence that wants to be read: a block (double bar) or advice (single bar). */
export function Notice({ kind, children }: { kind: 'block' | 'advice'; children: ReactNode }) {
  return (
    <Strip $tone={kind === 'block' ? 'cut' : 'ink'} role={kind === 'block' ? 'alert' : undefined}>
      {children}
    </Strip>
  );
}
