import { storeWord, useStoredWord } from './stored-word.ts'

const soundKey = 'seriatim.sound'

/** Whether this device calls when something is due, by a sound and on a hidden page by a notice; not unless it was asked to. */
export function useSound(): readonly [boolean, (on: boolean) => void] {
  return [useStoredWord(soundKey) === 'on', choose]
}

function choose(on: boolean): void {
  storeWord(soundKey, on ? 'on' : 'off')
  if (!on) return
  // The first sound follows the tap, as browsers want it, and lets it be heard once.
  chime()
  if ('Notification' in window && Notification.permission === 'default') void Notification.requestPermission()
}

let audio: AudioContext | undefined

/** Calls for what is due; nothing where nobody asked for it. */
export function callOut(text: string): void {
  if (localStorage.getItem(soundKey) !== 'on') return
  chime()
  if (document.visibilityState !== 'visible') notify(text)
}

/** A notice of the system, which also reaches who looks at another page. */
function notify(text: string): void {
  if (!('Notification' in window) || Notification.permission !== 'granted') return
  try {
    const notice = new Notification('Seriatim', { body: text, tag: text })
    notice.addEventListener('click', () => {
      window.focus()
      notice.close()
    })
  } catch {
    // On phones only the service worker may.
    if ('serviceWorker' in navigator)
      void navigator.serviceWorker.ready.then((worker) => worker.showNotification('Seriatim', { body: text }))
  }
}

/** Two soft tones; nothing where the device has none. */
function chime(): void {
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
