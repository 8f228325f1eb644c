/** Median milliseconds of `rounds` runs, after one to warm up. */
export function medianMilliseconds(rounds: number, run: () => unknown): number {
  run()
  const times = Array.from({ length: rounds }, () => {
    const began = performance.now()
    run()
    return performance.now() - began
  }).sort((a, b) => a - b)
  return times[Math.floor(times.length / 2)] ?? 0
}

/** A Markdown table. */
export function table(head: readonly string[], rows: readonly (readonly (string | number)[])[]): string {
  const line = (cells: readonly (string | number)[]) => `| ${cells.join(' | ')} |`
  return [line(head), line(head.map(() => '---')), ...rows.map(line)].join('\n')
}

/**
 * A fixed piece of arithmetic that stands for the machine: what other times are divided by, so that
 * figures of different machines can be laid side by side.
 */
export function yardstick(): number {
  return medianMilliseconds(15, () => {
    let state = 1
    let sum = 0
    for (let step = 0; step < 5_000_000; step++) {
      state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0
      sum += state & 255
    }
    return sum
  })
}
