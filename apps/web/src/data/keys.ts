/**
 * The names under which answers are kept. What is of one kind begins alike, so that one of `KEY_PREFIXES` names every answer of it.
 */
export const KEYS = {
  pages: ['pages'] as const,
  page: (id: string) => ['page', id] as const,
  plan: (page: string) => ['plan', page] as const,
  cuttings: (page: string) => ['cuttings', page] as const,
  together: (pages: readonly string[]) => ['together', ...pages] as const,
  wanting: ['wanting'] as const,
  drawer: ['drawer'] as const,
  movements: (stock: string) => ['movements', stock] as const,
  steps: ['steps'] as const,
  searches: ['searches'] as const,
  challenges: ['challenges'] as const,
  rules: ['rules'] as const,
  setAside: ['set-aside'] as const,
  photos: ['photos'] as const,
  session: (id: string) => ['session', id] as const,
  sessionsOf: (page: string) => ['sessions', page] as const,
  habits: ['habits'] as const,
  removed: ['removed'] as const,
  demo: ['demo'] as const,
  record: ['record'] as const,
  devices: ['devices'] as const,
  copies: ['copies'] as const,
};
export const KEY_PREFIXES = {
  pages: ['page'] as const,
  plans: ['plan'] as const,
  cuttings: ['cuttings'] as const,
  movements: ['movements'] as const,
  together: ['together'] as const,
};

/** What is another once a session at the trimmer has ended: what was cut, where the offcuts went, and what counts on them. */
export const OLD_AFTER_SESSION = [
  KEYS.drawer,
  KEYS.pages,
  KEYS.wanting,
  KEYS.challenges,
  KEYS.steps,
  KEYS.photos,
  KEYS.record,
  KEY_PREFIXES.cuttings,
  KEY_PREFIXES.plans,
  KEY_PREFIXES.movements,
  KEY_PREFIXES.together,
  ['sessions'] as const,
] as const;
