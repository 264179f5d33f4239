/** So long after the application is there, in milliseconds, it is kept for when the server is not. */
const AFTER = 15_000;
let asked = false;

/** Keeps the application on the device, so that it opens without the server. Where the platform does not allow that, nothing happens. */
export function installServiceWorker(): void {
  if (asked || !('serviceWorker' in navigator) || !import.meta.env.PROD) return;
  asked = true;
  navigator.serviceWorker.register('/sw.js').catch(() => {
    // no space, or not allowed: it needs the server, as before
  });
}
export const installServiceWorkerLater = (): void => void setTimeout(installServiceWorker, AFTER);
