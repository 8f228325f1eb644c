import type { TouchUpPart } from './instance.ts'

/** What a stretch of work is called: the stage by its name, or what is mended of it. */
export function workName(stageName: string, touchUp: TouchUpPart | null): string {
  switch (touchUp) {
    case null:
      return stageName
    case 'undercoat':
      return `Ground for a touch-up: ${stageName}`
    case 'colour':
      return `Touch up: ${stageName}`
  }
}
