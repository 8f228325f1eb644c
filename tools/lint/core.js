// What the linter asks of the core alone, and has no rule of its own for.
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

export default { meta: { name: 'core' }, rules: { 'no-clock': noClock } }
