/** Whether the browser can speak. */
export const canSpeak = (): boolean => typeof speechSynthesis !== 'undefined';

/** Says a sentence; what was being said stops. */
export function speak(text: string): void {
  if (!canSpeak()) return;
  speechSynthesis.cancel();
  const said = new SpeechSynthesisUtterance(text);
  said.lang = 'en';
  said.rate = 0.95;
  speechSynthesis.speak(said);
}
export const stopSpeaking = (): void => (canSpeak() ? speechSynthesis.cancel() : undefined);
