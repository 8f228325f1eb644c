/** Something a person has to change; said in one sentence, with an exit code that is not 0. */
export class Stop extends Error {}

const inWords = {
  ENOSPC: () => 'The disk is full; free some space and start again. Nothing was damaged.',
  EROFS: (path) =>
    `The disk with ${path} can only be read; set SERIATIM_DATA to a folder that can be written to.`,
  EACCES: (path) =>
    `${path} belongs to somebody else; start as its owner, or set SERIATIM_DATA to a folder of your own.`,
  EPERM: (path) =>
    `${path} may not be changed; start as its owner, or set SERIATIM_DATA to a folder of your own.`,
  ENOTDIR: (path) => `${path} is not a folder; set SERIATIM_DATA to one.`,
  EEXIST: (path) => `${path} is not a folder; set SERIATIM_DATA to one.`,
}

/** What the machine says no to, as a sentence; anything else as it is. */
export function asStop(error) {
  const words = inWords[error?.code]
  return words ? new Stop(words(error.path ?? 'the data folder')) : error
}

/** Runs a tool: a Stop becomes one sentence, anything else keeps its stack. */
export async function runTool(main) {
  try {
    await main()
  } catch (error) {
    error = asStop(error)
    process.stderr.write(`${error instanceof Stop ? error.message : error.stack}\n`)
    process.exit(1)
  }
}
