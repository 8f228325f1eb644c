import { storeWord, useStoredWord } from './stored-word.ts'

const soundKey = 'seriatim.sound'

/** Whether this device makes a sound when something is due; it does not unless it was asked to. */
export function useSound(): readonly [boolean, (on: boolean) => void] {
  return [useStoredWord(soundKey) === 'on', choose]
}

function choose(on: boolean): void {
  storeWord(soundKey, on ? 'on' : 'off')
  // The first sound follows the tap, as browsers want it, and lets it be heard once.
  if (on) chime()
}

let audio: AudioContext | undefined

/** Two soft tones; nothing where sounds are off or the device has none. */
export function chime(): void {
  if (localStorage.getItem(soundKey) !== 'on') return
  try {
    audio ??= new AudioContext()
    const from = audio.currentTime
    const tones = [
      [660, 0],
      [880, 0.22],
    ] as const
    for (const [hertz, after] of tones) {
      const tone = audio.createOscillator()
      const loudness = audio.createGain()
      tone.frequency.value = hertz
      loudness.gain.setValueAtTime(0, from + after)
      loudness.gain.linearRampToValueAtTime(0.08, from + after + 0.03)
      loudness.gain.exponentialRampToValueAtTime(0.0001, from + after + 0.6)
      tone.connect(loudness).connect(audio.destination)
      tone.start(from + after)
      tone.stop(from + after + 0.65)
    }
  } catch {
    // A device without sound shows it all the same.
  }
}
