/** One audio context for the page: a browser allows only a few. */
let audio: AudioContext | null = null;

/**
 * A tone, where the browser allows it; silence where it does not.
 * @param hertz pitch
 * @param seconds length
 */
export function tone(hertz: number, seconds: number): void {
  try {
    audio ??= new AudioContext();
    void audio.resume();
    const source = audio.createOscillator();
    const volume = audio.createGain();
    volume.gain.setValueAtTime(0.15, audio.currentTime);
    // Faded out, since a tone that is cut off clicks.
    volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + seconds);
    source.frequency.value = hertz;
    source.connect(volume).connect(audio.destination);
    source.start();
    source.stop(audio.currentTime + seconds);
  } catch {
    // A muted phone still shows what happened.
  }
}

/** A buzz, where the phone can. */
export function buzz(pattern: number | number[]): void {
  try {
    navigator.vibrate?.(pattern);
  } catch {
    // Not every browser lets a page buzz.
  }
}
