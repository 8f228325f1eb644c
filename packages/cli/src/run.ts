import { projectJsonSchema, studioFileSchema, studioJsonSchema } from '@seriatim/contract'
import { z } from 'zod'
import { demoProjectFile } from './demo/demo-project.ts'
import { demoStudioFile } from './demo/demo-studio.ts'
import { runEstimate } from './estimate-command.ts'
import { runForecast } from './forecast-command.ts'
import { runJob } from './job-command.ts'
import { readArguments, readNow, type Printed } from './input.ts'
import { runOrder } from './order-command.ts'
import { runPlan } from './plan-command.ts'
import { runQuote } from './quote-command.ts'
import { runSchools } from './schools-command.ts'
import { runSolve } from './solve-command.ts'

const usage = `usage: npm run -s cli -- plan FILE [--now MOMENT] [--batch-size N] [--beside FILE …] [--effort N]
       npm run -s cli -- forecast FILE [--now MOMENT] [--futures N] [--seed N] [--effort N]
       npm run -s cli -- order FILE [--weight WEIGHT] [--table-ready STANDARD]
       npm run -s cli -- estimate FILE [--batch-size N] [--painters N] [--remembered UNIT] [--now MOMENT] [--effort N]
       npm run -s cli -- schools FILE [--unit NAME] [--body PLAN] [--now MOMENT]
       npm run -s cli -- quote FILE [--of all|left] [--prices FILE] [--now MOMENT] [--beside FILE …] [--effort N]
       npm run -s cli -- job SCHOOL [--body PLAN] [--models N] [--size SIZE] [--detail DETAIL]
                             [--standard STANDARD] [--per-holder N] [--batch-size N]
       npm run -s cli -- solve CASE [--seed N] [--milliseconds N]

  plan   reads a project file (docs/format.md) and prints the plan as JSON
  forecast draws futures of that plan: odds of the date, P50, P80, P95, what drives them, what would help
  order  prints the order of its recipes, what was merged, and the findings

  estimate prints what is left of its work by unit and stage, with ranges and every factor
  schools prints the nine schools and the file's recipes side by side for one unit: hands-on, sittings, pots, date
  quote  prints what it costs at each standard, and the day each could be promised for
  job    prints a project file of some models alike, painted by a school: for estimate and plan
  solve  reads a planning problem of minutes (as packages/core/cases) or a job shop, and prints the best plan found

  demo   prints the demo project as a project file, demo-studio [--now MOMENT] a studio with three commissions
  schema prints the JSON Schema of project files, studio-schema that of studio files

  --now         the moment to plan from, ISO 8601 with offset; otherwise this moment
  --beside      another project at the same desk, planned together with the first; as often as there are others
  --prices      a price list as JSON, amounts in the smallest coin; otherwise the usual prices
  --batch-size  models a batch; otherwise the project's own
  --effort      how many models at stages a search may lay out; 2000000 otherwise, fewer answer sooner
  --futures     how many to draw; 1000 otherwise
  --seed        the same seed draws the same futures, or searches alike
  --milliseconds how long to search; 1000 otherwise
  --remembered  a unit of before: '10 foot by dip to tabletop: about three evenings of two hours'
  --weight      'fewest pots', 'least clean-up' or 'soonest table-ready'
  --table-ready 'three-colour', 'tabletop', 'tabletop plus' or 'display'
`

const commands: Readonly<Record<string, (args: readonly string[]) => Printed>> = {
  plan: runPlan,
  forecast: runForecast,
  order: runOrder,
  estimate: runEstimate,
  schools: runSchools,
  quote: runQuote,
  job: runJob,
  solve: runSolve,
  'demo-studio': runDemoStudio,
  demo: () => ({ ok: true, value: `${JSON.stringify(demoProjectFile(), null, 1)}\n` }),
  schema: () => ({ ok: true, value: `${JSON.stringify(projectJsonSchema(), null, 2)}\n` }),
  'studio-schema': () => ({ ok: true, value: `${JSON.stringify(studioJsonSchema(), null, 2)}\n` }),
}

function runDemoStudio(args: readonly string[]): Printed {
  const read = readArguments(['demo-studio', ...args], ['now'])
  if (!read.ok) return { ok: false, error: [read.error] }
  const now = readNow(read.value.values.now)
  if (!now.ok) return { ok: false, error: [now.error] }
  const file = z.encode(studioFileSchema, demoStudioFile(now.value))
  return { ok: true, value: `${JSON.stringify(file, null, 1)}\n` }
}

const asked = ['help', '--help', '-h']
const wrongInput = 2

interface Ran {
  readonly code: number
  readonly out: string
  readonly err: string
}

/** One command: what it prints, what it says is wrong, and the exit code. Whoever asks for help gets it. */
export function run([name = '', ...args]: readonly string[]): Ran {
  const command = commands[name]
  if (asked.includes(name) || (command && args.some((arg) => asked.slice(1).includes(arg))))
    return { code: 0, out: usage, err: '' }
  if (!command) return { code: wrongInput, out: '', err: usage }
  const printed = command(args)
  return printed.ok
    ? { code: 0, out: printed.value, err: '' }
    : { code: wrongInput, out: '', err: `${printed.error.join('\n')}\n` }
}
