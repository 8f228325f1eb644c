/** With every change a few of what is tried in many variants; all of them for `npm run proofs`. */
export const isProof = process.env['SERIATIM_PROOFS'] !== undefined

const tag = '@proof'

/** For `npm run proofs` alone: how servers, databases and disks fail that few will ever see, and what is long. */
export const asProof = { tag }

/** What is not run with every change. */
export const notNow = isProof ? [] : [new RegExp(tag)]
