import { createGlobalStyle, styled } from 'styled-components';
import { PAPERS, type PrintPaper } from '@temnex/drawing';
import { sidewaysScroll } from '../../design/global.ts';

/* What the views that are printed share: a bar above, and the pages as they come out of the printer. */

export const PrintToolbar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.75rem 1rem;
  padding: 0.9rem 1.5rem;
  border-bottom: 1px solid var(--rule);
`;
export const PrintedPages = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 1.5rem;
  flex: 1;
  padding: 1.5rem;
  ${sidewaysScroll('var(--table)')}
  & > div {
    background: #fff;
  }
  @media screen {
    & > div {
      max-width: 100%;
    }
    & svg {
      max-width: 100%;
      height: auto;
    }
  }
  @media print {
    display: block;
    padding: 0;
    background: none;
    & > div {
      break-after: page;
    }
    & > div:last-child {
      break-after: auto;
    }
  }
`;
export const PrintSize = createGlobalStyle<{ $paper: PrintPaper }>`
  @page { size: ${(p) => PAPERS[p.$paper].width}pt ${(p) => PAPERS[p.$paper].height}pt; margin: 0; }
`;
