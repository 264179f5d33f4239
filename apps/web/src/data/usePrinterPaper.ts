import { useState } from 'react';
import type { Unit } from '@temnex/core/length';
import { PAPERS, type PrintPaper } from '@temnex/drawing';
import { keepText, readKeptText } from './deviceStorage.ts';

const KEPT = 'temnex-printer-paper';

/** The paper in somebody's printer: what they chose last on this device, else letter for a page in inches and A4 for one in millimetres. */
export function usePrinterPaper(unit: Unit): [PrintPaper, (paper: PrintPaper) => void] {
  const [chosen, setChosen] = useState<PrintPaper | null>(() => {
    const kept = readKeptText(KEPT);
    return kept !== null && kept in PAPERS ? (kept as PrintPaper) : null;
  });
  return [
    chosen ?? (unit === 'in' ? 'letter' : 'a4'),
    (paper) => {
      setChosen(paper);
      keepText(KEPT, paper);
    },
  ];
}
