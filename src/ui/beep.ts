let audio: AudioContext | undefined;

/** A short tone; silent where sound is not to be had or not wanted. */
export function beep(hz: number, seconds = 0.12): void {
  if (document.documentElement.dataset.sound === "off") return;
  try {
    audio ??= new AudioContext();
    const tone = audio.createOscillator();
    const gain = audio.createGain();
    tone.frequency.value = hz;
    gain.gain.setValueAtTime(0.12, audio.currentTime);
    gain.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + seconds);
    tone.connect(gain).connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + seconds);
  } catch {
    // no sound device: the big digits are enough
  }
}
