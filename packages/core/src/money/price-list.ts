import { minutes, type PainterId, type Seconds } from '../units/index.ts'
import { minor, type Minor } from './money.ts'

/** What a studio charges, and how sure it wants to be of its hours and dates. */
export interface PriceList {
  /** ISO 4217. */
  readonly currency: string
  /** For an hour at the desk … */
  readonly hour: Minor
  /** … of whoever has no price of their own. */
  readonly painters: readonly { readonly painterId: PainterId; readonly hour: Minor }[]
  /** Share of futures in which hours and date are to hold: 0.5 to 0.99. */
  readonly confidence: number
  /** Clearing mould lines, washing and building a model on foot, before the first stage; others by their size. */
  readonly preparationSeconds: Seconds
  /** For a usual pot, a can, and one tuft or decal; materials are charged by what is used of them. */
  readonly pot: Minor
  readonly can: Minor
  readonly piece: Minor
  /** Base, scatter and rim of a model on foot; others by their size. */
  readonly basing: Minor
  /** For each model, and once for the box. */
  readonly packing: Minor
  readonly box: Minor
  /** For what nobody foresaw, on all of the above. */
  readonly contingency: number
  /** On all of that. */
  readonly margin: number
}

export const confidences = [0.5, 0.8, 0.9, 0.95] as const

/** From memory, to be edited before the first quote. */
export const usualPriceList: PriceList = {
  currency: 'EUR',
  hour: minor(2000),
  painters: [],
  confidence: 0.8,
  preparationSeconds: minutes(6),
  pot: minor(350),
  can: minor(1200),
  piece: minor(10),
  basing: minor(100),
  packing: minor(40),
  box: minor(800),
  contingency: 0.05,
  margin: 0.15,
}

/** Millilitres in a usual pot where a material does not say what one holds; in a can. From memory. */
export const usualPotMl = { pot: 17, can: 400 } as const
