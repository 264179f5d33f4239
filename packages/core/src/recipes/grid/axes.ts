import type { FieldPath } from '../fields.ts';

/* The two ways along which a grid is measured, and where its fields stand. */

export interface Axis {
  readonly size: 'width' | 'height';
  readonly count: 'columns' | 'rows';
  readonly margin: 'across' | 'upDown';
}
export const AXES = [
  { size: 'width', count: 'columns', margin: 'across' },
  { size: 'height', count: 'rows', margin: 'upDown' },
] as const satisfies readonly Axis[];

export const CELL: FieldPath = ['cell'];
export const GRID: FieldPath = ['all'];
export const GUTTER: FieldPath = ['gutter'];
export const PAPERS: FieldPath = ['papers'];
export const PATTERN_AT: FieldPath = ['pattern'];
export const LARGE: FieldPath = ['large'];
export const LOOSE: FieldPath = ['loose'];
export const TILT: FieldPath = ['loose', 'tilt'];
export const JITTER: FieldPath = ['loose', 'jitter'];
export const SEED: FieldPath = ['loose', 'seed'];
export const countAtPaper = (p: number): FieldPath => ['counts', String(p + 1)];
export const cellAt = ({ size }: Axis): FieldPath => ['cell', size];
export const allAt = ({ size }: Axis): FieldPath => ['all', size];
export const marginAt = ({ margin }: Axis): FieldPath => ['margin', margin];
export const countAtAxis = ({ count: of }: Axis): FieldPath => [of];
export const roomPathAt = ({ size }: Axis): FieldPath => ['room', size];
export const otherAxis = (axis: Axis): Axis => (axis.size === 'width' ? AXES[1] : AXES[0]);
