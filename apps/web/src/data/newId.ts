/** A short id for a part; unique within any page. */
export const newId = (): string =>
  [...crypto.getRandomValues(new Uint8Array(8))].map((b) => b.toString(36).padStart(2, '0')).join('');
