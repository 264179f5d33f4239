/** What this device seems to be, for the record; one that was let in is called there as it was at the door. */
export function deviceName(): string {
  const agent = navigator.userAgent;
  if (/iPad|Tablet|Android(?!.*Mobile)/i.test(agent)) return 'a tablet';
  if (/Mobi|iPhone/i.test(agent)) return 'a phone';
  return 'a computer';
}
