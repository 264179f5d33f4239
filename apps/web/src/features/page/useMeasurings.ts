import { useState } from 'react';
import { LOWER_LEFT, type MeasuredEdge, type MeasuredEdges } from '@temnex/core';

const KEPT = 'temnex-measured-from';
const isMeasuring = (value: unknown): value is MeasuredEdge => {
  const { of, from } = (value ?? {}) as Partial<MeasuredEdge>;
  return (of === 'low' || of === 'middle' || of === 'high') && (from === 'low' || from === 'high');
};

function remembered(): MeasuredEdges {
  try {
    const { across, upDown } = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<MeasuredEdges>;
    return isMeasuring(across) && isMeasuring(upDown) ? { across, upDown } : LOWER_LEFT;
  } catch {
    return LOWER_LEFT;
  }
}

/** From which edges somebody measures on the page, kept on this device. */
export function useMeasurings(): [MeasuredEdges, (measurings: MeasuredEdges) => void] {
  const [measurings, setMeasurings] = useState(remembered);
  return [
    measurings,
    (next) => {
      setMeasurings(next);
      try {
        localStorage.setItem(KEPT, JSON.stringify(next));
      } catch {
        // It holds for this visit then.
      }
    },
  ];
}
