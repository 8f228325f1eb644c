// What the linter has no rule of its own for.
const moment = 'The moment is an argument.'

const noClock = {
  create: (context) => ({
    NewExpression(node) {
      if (node.callee.name === 'Date' && node.arguments.length === 0)
        context.report({ node, message: moment })
    },
    CallExpression(node) {
      if (node.callee.name === 'Date') context.report({ node, message: moment })
    },
  }),
}

/** Words of our own that stood where the field has one: what is said instead. */
const usualWords = {
  layRow: 'buildSchedule',
  createDesk: 'createScheduleBuilder',
  Leaning: 'RuleBias',
  likings: 'weights',
  carryOut: 'applyChange',
  rooms: 'collections',
  knocking: 'withCallerAddress',
  longestGoodbye: 'abortGrace',
  SpareParcels: 'DurableCopy',
}

const plainWords = {
  create: (context) => ({
    Identifier(node) {
      const usual = Object.hasOwn(usualWords, node.name) ? usualWords[node.name] : undefined
      if (usual) context.report({ node, message: `Say ${usual}: the field's own word.` })
    },
  }),
}

export default { meta: { name: 'core' }, rules: { 'no-clock': noClock, 'plain-words': plainWords } }
