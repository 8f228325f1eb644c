import { type Size, sizes, type Technique, techniques } from '../trade/index.ts'
import { spreadPresets } from '../presets/index.ts'
import { studentQuantile } from './quantiles.ts'

/**
 * Whose pace it is: a technique on a size, and one stage of one unit. `null` for minutes that somebody wrote down:
 * such a stage learns from its own laps alone, since they are measured against a guess and not against the preset.
 */
export interface PaceKey {
  readonly technique: Technique | null
  /** Going from one small part to the next takes most of it: that says little of the technique on broad regions. */
  readonly small?: boolean
  readonly size: Size
  /** Any text that names the stage of the unit; empty when it is of no stage known here. */
  readonly cell: string
}

/** A lap as a pace: how many times the preset it took, learning and set-up taken out. */
export interface PaceObservation extends PaceKey {
  readonly factor: number
  /** Models it went over: the more, the less chance is in it. */
  readonly models: number
  /** 1 for a lap; less for the part that one stage has in a span of several; more for many laps in a sum. */
  readonly laps: number
  /** How much it says by itself beside others of its sitting, from 0 to 1; 1 without it. */
  readonly alone?: number | undefined
  /** Somebody said so, with its vagueness in `laps`: no lap, and never odd. */
  readonly told?: boolean
}

/** The logarithm of a pace: mean, and variance in units of a lap's. */
interface Normal {
  readonly mean: number
  readonly variance: number
}

interface Node extends Normal {
  readonly up: number
  /** How far this follows what is above it, and the variance that is its own. */
  readonly gain: number
  readonly own: number
}

/** A pace between these with a chance, as a factor on the preset. */
export interface PaceRange {
  readonly low: number
  readonly likely: number
  readonly high: number
}

/** What is known of a painter's hand. */
export interface Rates {
  readonly nodes: readonly Node[]
  readonly indexOf: ReadonlyMap<string, number>
  /** The variance of a lap of one model: inverse-gamma. */
  readonly shape: number
  readonly scale: number
  /** How much each observation counted: 1 in full, less when it is odd; in the order they came. */
  readonly counted: readonly number[]
  /** Laps by technique and size, odd ones for less. */
  readonly lapsOf: ReadonlyMap<string, number>
  /** How far people differ, as these observations have it. */
  readonly spreads: Spreads
  /** Logarithm of how likely the observations are with these spreads, but for what is the same with all. */
  readonly evidence: number
}

const lapVariance = spreadPresets.lap ** 2
/** Variances in units of a lap's, from the root down: painter, technique, size, stage. */
const usual = [spreadPresets.painter, spreadPresets.technique, spreadPresets.size, spreadPresets.stage].map(
  (spread) => spread ** 2 / lapVariance,
)
/** The level of a place that shares nothing: it varies by all of them. */
const apart = usual.length

/** How far people differ: at each level of the tree, in units of a lap's variance. */
export interface Spreads {
  /** By level. */
  readonly variances: readonly number[]
  readonly together: number
  /** Its logarithm of how far from usual it is to differ so much. */
  readonly odds: number
}

function spreadsOf(painter: number, technique: number): Spreads {
  const factors = [painter, technique, technique, technique]
  const variances = usual.map((variance, level) => variance * (factors[level] ?? 1) ** 2)
  const together = variances.reduce((sum, each) => sum + each, 0)
  const surprise = (factor: number) => -((Math.log(factor) / spreadPresets.ofSpreads) ** 2) / 2
  return {
    variances,
    together,
    odds: surprise(painter) + surprise(technique),
  }
}

/** The variance at a level of the tree; of a place that shares nothing, all of them. */
export function varianceAt({ variances, together }: Spreads, level: number): number {
  return variances[level] ?? together
}

const usualSpreads = spreadsOf(1, 1)
/** How far painters differ, and techniques of one painter, is learned: so many times what is usual. */
const timesUsual = [0.5, 0.71, 1, 1.41, 2]
const spreadsTried = timesUsual.flatMap((painter) =>
  timesUsual.map((technique) => spreadsOf(painter, technique)),
)

const rounds = 6
/**
 * Standard deviations beyond which a lap counts less, by the square of how far it lies out (cf. Huber 1964), and beyond
 * which it can hardly be one: painters differ so much that a lap slept through could else pass for a slow hand.
 */
const odd = 2
const absurd = 5
/** So many times what a lap counted at first sight it may count when others bear it out. */
const mostRegained = 2
/** What is odd is not to widen what passes for usual. */
const mostSpread = 1.5 * spreadPresets.lap

/**
 * What laps teach of a painter. The logarithm of a pace is the painter's own, plus the technique's, plus the
 * size's, plus the stage's, each normal around the one above; laps are normal around their stage. All variances
 * are multiples of a lap's, which is inverse-gamma: so the posterior is exact and normal–gamma at every place
 * (DeGroot 1970), and a technique never timed follows the painter's overall pace. Odd laps count less, never
 * nothing. The order of laps makes no difference. Observations without a positive factor are passed over.
 */
export function learnRates(observations: readonly PaceObservation[]): Rates {
  const known = observations.map(
    ({ factor, models, laps }) => factor > 0 && Number.isFinite(factor) && models > 0 && laps > 0,
  )
  const tree = new Tree(observations)
  // From the prior on, and only so far: a lap is not to make itself believed.
  let counted: readonly number[] = known.map(() => 0)
  let most: readonly number[] = known.map(() => 1)
  let rates = tree.fit(tree.gather(counted), usualSpreads)
  for (let round = 0; round < rounds && known.includes(true); round++) {
    const spread = Math.min(lapSpread(rates), mostSpread)
    counted = observations.map((each, index) => {
      if (known[index] !== true) return 0
      if (each.told) return 1
      const place = rates.nodes[tree.placeOf[index] ?? 0] ?? {
        mean: 0,
        variance: varianceAt(usualSpreads, 0),
      }
      const reach = spread * Math.sqrt(1 / precisionOf(each) + (each.laps > 0.5 ? place.variance : 0))
      const far = Math.abs(Math.log(each.factor) - place.mean) / reach
      return Math.min(most[index] ?? 1, Math.min(1, (odd / far) ** 2) * Math.min(1, (absurd / far) ** 3))
    })
    if (round === 0) most = counted.map((share) => Math.min(1, mostRegained * share))
    const gathered = tree.gather(counted)
    rates = tree.fit(gathered, round % 2 === 0 ? likeliest(tree, gathered, rates.spreads) : rates.spreads)
  }
  return rates
}

/** The spreads that make what was counted likeliest (empirical Bayes; cf. Morris 1983), held near the usual ones. */
function likeliest(tree: Tree, gathered: Gathered, known: Spreads): Spreads {
  return spreadsTried
    .map((spreads) => tree.fromLeaves(gathered, spreads))
    .reduce((best, each) => (each.evidence > best.evidence ? each : best), tree.fromLeaves(gathered, known))
    .spreads
}

/** What was observed, summed up by place. */
interface Gathered {
  readonly counted: readonly number[]
  readonly precision: Float64Array
  readonly weighted: Float64Array
  readonly squares: Float64Array
  readonly lapsOf: ReadonlyMap<string, number>
  /** Laps by what they say by themselves. */
  readonly pieces: number
}

/** The same with what lies below each place in it. */
interface FromLeaves extends Pick<Gathered, 'precision' | 'weighted'>, Pick<Rates, 'shape' | 'scale'> {
  readonly spreads: Spreads
  readonly evidence: number
}

function precisionOf({ models, laps, alone = 1 }: PaceObservation): number {
  const { shared } = spreadPresets
  return (alone * laps) / (shared + (1 - shared) / models)
}

const places = (key: PaceKey): readonly string[] => {
  const { technique } = key
  if (technique === null) return [`written|${key.cell}`]
  const hand = handOf(technique, key.small)
  return [hand, `${hand}|${key.size}`, `${hand}|${key.size}|${key.cell}`]
}

/** What is learned together: a technique, and apart from it the same on small parts. */
function handOf(technique: Technique, small = false): string {
  return small ? `${technique} on small parts` : technique
}

/** The name under which laps are counted. */
export function lapsKey(technique: Technique, size: Size, small = false): string {
  return `${handOf(technique, small)}|${size}`
}

/** The tree of paces: the painter, techniques, sizes, stages. */
class Tree {
  private readonly indexOf = new Map<string, number>()
  private readonly parent: number[] = [-1]
  private readonly level: number[] = [0]
  private readonly observations: readonly PaceObservation[]
  /** Of each observation, its node. */
  readonly placeOf: readonly number[]

  constructor(observations: readonly PaceObservation[]) {
    this.observations = observations
    for (const technique of techniques) {
      for (const size of sizes)
        for (const small of [false, true])
          this.place(places({ technique, small, size, cell: '' }).slice(0, 2))
    }
    this.placeOf = observations.map((each) =>
      each.technique === null
        ? this.placeApart(places(each)[0] ?? '')
        : this.place(places(each).slice(0, each.cell === '' ? 2 : 3)),
    )
  }

  private place(names: readonly string[]): number {
    let at = 0
    names.forEach((name, depth) => {
      let next = this.indexOf.get(name)
      if (next === undefined) {
        next = this.parent.length
        this.indexOf.set(name, next)
        this.parent.push(at)
        this.level.push(depth + 1)
      }
      at = next
    })
    return at
  }

  /** A place that shares nothing with the others. */
  private placeApart(name: string): number {
    const known = this.indexOf.get(name)
    if (known !== undefined) return known
    this.indexOf.set(name, this.parent.length)
    this.parent.push(-1)
    this.level.push(apart)
    return this.parent.length - 1
  }

  gather(counted: readonly number[]): Gathered {
    const size = this.parent.length
    const precision = new Float64Array(size)
    const weighted = new Float64Array(size)
    const squares = new Float64Array(size)
    const lapsOf = new Map<string, number>()
    let pieces = 0
    this.observations.forEach((each, index) => {
      const share = counted[index] ?? 0
      if (share === 0) return
      const weight = precisionOf(each) * share
      const log = Math.log(each.factor)
      const at = this.placeOf[index] ?? 0
      precision[at] = (precision[at] ?? 0) + weight
      weighted[at] = (weighted[at] ?? 0) + weight * log
      squares[at] = (squares[at] ?? 0) + weight * log ** 2
      if (each.told) return
      pieces += (each.alone ?? 1) * each.laps * share
      const key = each.technique === null ? '' : lapsKey(each.technique, each.size, each.small)
      lapsOf.set(key, (lapsOf.get(key) ?? 0) + each.laps * share)
    })
    return { counted, precision, weighted, squares, lapsOf, pieces }
  }

  fromLeaves(gathered: Gathered, spreads: Spreads): FromLeaves {
    const precision = gathered.precision.slice()
    const weighted = gathered.weighted.slice()
    const squares = gathered.squares.slice()
    let quadratic = 0
    let spread = 0
    // Children come after their parent.
    for (let at = precision.length - 1; at >= 0; at--) {
      const sum = precision[at] ?? 0
      if (sum === 0) continue
      const mean = (weighted[at] ?? 0) / sum
      quadratic += (squares[at] ?? 0) - sum * mean ** 2
      const variance = varianceAt(spreads, this.level[at] ?? 0)
      const above = 1 / (variance + 1 / sum)
      spread += Math.log1p(variance * sum)
      const parent = this.parent[at] ?? -1
      if (parent < 0) {
        quadratic += above * mean ** 2
      } else {
        precision[parent] = (precision[parent] ?? 0) + above
        weighted[parent] = (weighted[parent] ?? 0) + above * mean
        squares[parent] = (squares[parent] ?? 0) + above * mean ** 2
      }
    }
    const worth = spreadPresets.worth / 2
    const shape = worth + gathered.pieces / 2
    const scale = worth * lapVariance + Math.max(0, quadratic) / 2
    const evidence = spreads.odds - spread / 2 - shape * Math.log(scale)
    return { precision, weighted, shape, scale, spreads, evidence }
  }

  fit(gathered: Gathered, spreads: Spreads): Rates {
    const { precision, weighted, shape, scale, evidence } = this.fromLeaves(gathered, spreads)
    const nodes: Node[] = []
    for (let at = 0; at < precision.length; at++) {
      const own = varianceAt(spreads, this.level[at] ?? 0)
      const variance = 1 / (1 / own + (precision[at] ?? 0))
      const gain = variance / own
      const up = this.parent[at] ?? -1
      const above = nodes[up] ?? { mean: 0, variance: 0 }
      nodes.push({
        up,
        gain,
        own: variance,
        mean: gain * above.mean + variance * (weighted[at] ?? 0),
        variance: gain ** 2 * above.variance + variance,
      })
    }
    const { counted, lapsOf } = gathered
    return { nodes, indexOf: this.indexOf, shape, scale, counted, lapsOf, spreads, evidence }
  }
}

/** Where a stage hangs on the tree: at itself when it was timed, else under its technique and size. */
export interface PacePlace extends Normal {
  /** `null` where nothing is known, and nothing is shared. */
  readonly node: number | null
  /** Variance of a stage not timed yet, beside what lies above it. */
  readonly own: number
}

export function paceAt(rates: Rates, key: PaceKey): PacePlace {
  const names = places(key)
  const timed = rates.indexOf.get(names.at(-1) ?? '')
  const above = key.technique === null ? undefined : rates.indexOf.get(names[1] ?? '')
  const node = timed ?? above ?? null
  const { mean, variance } = (node === null ? null : rates.nodes[node]) ?? { mean: 0, variance: 0 }
  const { spreads } = rates
  const own = timed !== undefined ? 0 : key.technique === null ? spreads.together : varianceAt(spreads, 3)
  return { node, own, mean, variance: variance + own }
}

/** Variance of Σ amount · log pace, in units of a lap's: places share what lies above them. */
export function varianceOfSum(
  rates: Rates,
  terms: readonly { readonly place: PacePlace; readonly amount: number }[],
): number {
  const amounts = new Float64Array(rates.nodes.length)
  let variance = 0
  for (const { place, amount } of terms) {
    if (place.node !== null) amounts[place.node] = (amounts[place.node] ?? 0) + amount
    variance += amount ** 2 * place.own
  }
  for (let at = amounts.length - 1; at >= 0; at--) {
    const amount = amounts[at] ?? 0
    const node = rates.nodes[at]
    if (amount === 0 || !node) continue
    variance += amount ** 2 * node.own
    if (node.up >= 0) amounts[node.up] = (amounts[node.up] ?? 0) + amount * node.gain
  }
  return variance
}

/** Standard deviation of the logarithm of a lap of one model. */
export function lapSpread(rates: Rates): number {
  return Math.sqrt(rates.scale / rates.shape)
}

/** Standard deviations on either side of the middle that hold four cases of five, by degrees of freedom. */
const reaches = new Map<number, number>()

/** Between which factors around the middle a logarithm with this deviation lies in four cases of five: Student's t. */
export function reachOf(rates: Rates, deviation: number): { readonly low: number; readonly high: number } {
  const freedom = 2 * rates.shape
  const t = reaches.get(freedom) ?? studentQuantile(0.9, freedom)
  reaches.clear()
  reaches.set(freedom, t)
  return { low: Math.exp(-t * deviation), high: Math.exp(t * deviation) }
}

/** The painter's pace with a technique on a size, whatever the stage. */
export function paceOf(rates: Rates, technique: Technique, size: Size): PaceRange {
  const at = rates.indexOf.get(`${technique}|${size}`) ?? 0
  return rangeAt(rates, at)
}

/** The pace of the painter over everything. */
export function overallPace(rates: Rates): PaceRange {
  return rangeAt(rates, 0)
}

function rangeAt(rates: Rates, at: number): PaceRange {
  const { mean, variance } = rates.nodes[at] ?? { mean: 0, variance: varianceAt(rates.spreads, 0) }
  const likely = Math.exp(mean)
  const { low, high } = reachOf(rates, lapSpread(rates) * Math.sqrt(variance))
  return { low: likely * low, likely, high: likely * high }
}
