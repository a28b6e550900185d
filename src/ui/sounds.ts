import { $muted } from '~/ui/preferences';

let context: AudioContext | null = null;

/** Two short low tones: the window is open. */
export const soundWindow = (): void =>
  play([
    [520, 0, 0.12],
    [660, 0.16, 0.16],
  ]);

/** Three high tones: stop. */
export const soundStop = (): void =>
  play([
    [990, 0, 0.12],
    [990, 0.18, 0.12],
    [990, 0.36, 0.3],
  ]);

/** Tones as pitch in Hz, start and length in s. Silent when muted or where the browser has no sound. */
function play(tones: readonly (readonly [number, number, number])[]): void {
  if ($muted.get() || typeof AudioContext === 'undefined') return;
  context ??= new AudioContext();
  const start = context.currentTime;
  for (const [pitch, at, length] of tones) {
    const oscillator = context.createOscillator();
    const gain = context.createGain();
    oscillator.frequency.value = pitch;
    gain.gain.setValueAtTime(0.18, start + at);
    gain.gain.exponentialRampToValueAtTime(0.001, start + at + length);
    oscillator.connect(gain).connect(context.destination);
    oscillator.start(start + at);
    oscillator.stop(start + at + length);
  }
}
