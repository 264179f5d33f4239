const KEY = 'temnex.device';

/** What this device is called in the record: what its owner says, else what it seems to be. */
export function deviceName(): string {
  try {
    const said = localStorage.getItem(KEY);
    if (said) return said;
  } catch {
    // no storage: it has no name of its own
  }
  const agent = navigator.userAgent;
  if (/iPad|Tablet|Android(?!.*Mobile)/i.test(agent)) return 'a tablet';
  if (/Mobi|iPhone/i.test(agent)) return 'a phone';
  return 'a computer';
}
