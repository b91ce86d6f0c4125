/** Seconds and pitch of the tone that ends a hold, heard across a yard. */
const toneSeconds = 0.7;
const toneHertz = 1320;

const speakKey = "anvilcloud-speak";
export const speaks = () => localStorage.getItem(speakKey) === "on";
export const setSpeaks = (on: boolean) => localStorage.setItem(speakKey, on ? "on" : "off");

/** Says a cue aloud where the browser can and the user wants it. */
export function speak(text: string): void {
  if (!speaks() || !("speechSynthesis" in window)) return;
  window.speechSynthesis.cancel();
  const words = new SpeechSynthesisUtterance(text);
  words.lang = "en";
  window.speechSynthesis.speak(words);
}

/** A tone; silent where the browser has no sound. */
export function sound(hertz = toneHertz, seconds = toneSeconds): void {
  if (!("AudioContext" in window)) return;
  const context = new AudioContext();
  const tone = context.createOscillator();
  const volume = context.createGain();
  tone.frequency.value = hertz;
  volume.gain.setValueAtTime(0.35, context.currentTime);
  volume.gain.exponentialRampToValueAtTime(0.001, context.currentTime + seconds);
  tone.connect(volume).connect(context.destination);
  tone.start();
  tone.stop(context.currentTime + seconds);
  tone.onended = () => void context.close();
}

/** Shakes the phone, for a hand that cannot look; nothing where it cannot. */
export function buzz(ms = 300): void {
  if ("vibrate" in navigator) navigator.vibrate(ms);
}
