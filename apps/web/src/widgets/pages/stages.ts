import type { PageSummary } from '@temnex/contract';

/** How far a page has come, as a person says it. */
export const STAGES = {
  sizing: 'papers still to choose',
  papers: 'ready for a cutting order',
  planned: 'cutting order made',
  'out-of-date': 'changed since its cutting order was made',
  'partly-cut': 'partly cut',
  cut: 'pieces cut',
} as const satisfies Record<PageSummary['stage'], string>;

/** Where one goes on with a page: at its cutting order where that is next or begun, else at the page itself. */
export const stationFor = ({ id, stage }: Pick<PageSummary, 'id' | 'stage'>): string =>
  stage === 'sizing' || stage === 'cut' ? `/page/${id}` : `/page/${id}/order`;
