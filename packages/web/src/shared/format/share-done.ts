/**
 * How much of the work is done, in whole percent: a hundred when all is, and not before.
 * @param done a share, 0 to 1
 */
export function shareDoneText(done: number): string {
  // A share such as 0.29 times a hundred is a hair less than 29.
  return `${String(Math.floor(done * 100 + 1e-9))} %`
}
