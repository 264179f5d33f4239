export { at, banners, base, layer, page, photo, wishFor } from './pages.ts';
