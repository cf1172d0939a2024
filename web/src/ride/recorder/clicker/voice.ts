/** A short word after each ask, by the browser's own voice. */

/** Whether this browser has a voice at all. */
export const hasVoice = () => 'speechSynthesis' in window && speechSynthesis.getVoices().length > 0;

/** Says it, in the place of what is still being said. */
export function say(text: string): void {
  if (!('speechSynthesis' in window)) return;
  speechSynthesis.cancel();
  const words = new SpeechSynthesisUtterance(text);
  words.lang = 'en-US';
  words.rate = 1.1;
  speechSynthesis.speak(words);
}
