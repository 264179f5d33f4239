import { useState } from 'react';
import { LOWER_LEFT, type MeasuredEdge, type MeasuredEdges } from '@temnex/core/page';
import { keepValue, readKeptValue } from '../../data/deviceStorage.ts';

const KEPT = 'temnex-measured-from';
const isMeasuring = (value: unknown): value is MeasuredEdge => {
  const { of, from } = (value ?? {}) as Partial<MeasuredEdge>;
  return (of === 'low' || of === 'middle' || of === 'high') && (from === 'low' || from === 'high');
};

function remembered(): MeasuredEdges {
  const { across, upDown } = (readKeptValue(KEPT) ?? {}) as Partial<MeasuredEdges>;
  return isMeasuring(across) && isMeasuring(upDown) ? { across, upDown } : LOWER_LEFT;
}

/** From which edges somebody measures on the page, kept on this device. */
export function useMeasurings(): [MeasuredEdges, (measurings: MeasuredEdges) => void] {
  const [measurings, setMeasurings] = useState(remembered);
  return [
    measurings,
    (next) => {
      setMeasurings(next);
      keepValue(KEPT, next);
    },
  ];
}
