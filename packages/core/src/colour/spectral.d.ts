/** The part of spectral.js that is used here; the package ships no types. */
declare module 'spectral.js' {
  export class Color {
    constructor(css: string)
    toString(): string
  }
  /** Each colour with its factor; factors need not sum to one. */
  export function mix(...colours: [Color, number][]): Color
}
