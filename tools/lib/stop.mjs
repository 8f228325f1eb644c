/** Something a person has to change; said in one sentence, with an exit code that is not 0. */
export class Stop extends Error {}

/** Runs a tool: a Stop becomes one sentence, anything else keeps its stack. */
export async function runTool(main) {
  try {
    await main()
  } catch (error) {
    if (error?.code === 'ENOSPC')
      error = new Stop('The disk is full; free some space and start again. Nothing was damaged.')
    process.stderr.write(`${error instanceof Stop ? error.message : error.stack}\n`)
    process.exit(1)
  }
}
