import type { Stretch } from './line-plan.ts'

/** What a stretch of work is called: the stage by its name, or what is mended of it. */
export function workName(stageName: string, { touchUp, by }: Pick<Stretch, 'touchUp' | 'by'>): string {
  switch (touchUp) {
    case null:
      return by === null ? stageName : `${stageName} by ${by}`
    case 'undercoat':
      return `Ground for a touch-up: ${stageName}`
    case 'colour':
      return `Touch up: ${stageName}`
  }
}
