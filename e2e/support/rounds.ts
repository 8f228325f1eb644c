/** With every change a few of what is tried in many variants; all of them for `npm run proofs`. */
export const isProof = process.env['SERIATIM_PROOFS'] !== undefined
