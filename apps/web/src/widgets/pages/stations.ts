import type { Station } from '../../design/StationNav.tsx';

/** The order of the work on a page. */
export const stationsOf = (id: string, reached: { papers: boolean; order: boolean }): Station[] => [
  { to: '/', name: 'Work out sizes', reached: true },
  { to: `/page/${id}`, name: 'Page and parts', reached: true },
  { to: `/page/${id}/papers`, name: 'Papers', reached: reached.papers },
  { to: `/page/${id}/order`, name: 'Cutting order', reached: reached.order },
];
