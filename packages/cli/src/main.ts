import { projectJsonSchema } from '@seriatim/contract'
import { demoProjectFile } from './demo/demo-project.ts'
import { runEstimate } from './estimate-command.ts'
import { runForecast } from './forecast-command.ts'
import { runJob } from './job-command.ts'
import { runOrder } from './order-command.ts'
import { runPlan } from './plan-command.ts'
import { runSchools } from './schools-command.ts'

const usage = `usage: npm run -s cli -- plan FILE [--now MOMENT] [--batch-size N] [--beside FILE]
       npm run -s cli -- forecast FILE [--now MOMENT] [--futures N] [--seed N]
       npm run -s cli -- order FILE [--weight WEIGHT] [--table-ready STANDARD]
       npm run -s cli -- estimate FILE [--batch-size N] [--painters N] [--now MOMENT]
       npm run -s cli -- schools FILE [--unit NAME] [--body PLAN] [--now MOMENT]
       npm run -s cli -- job SCHOOL [--body PLAN] [--models N] [--size SIZE] [--detail DETAIL]
                             [--standard STANDARD] [--per-holder N] [--batch-size N]

  plan   reads a project file (docs/format.md) and prints the plan as JSON
  forecast draws futures of that plan: odds of the date, P50, P80, P95, what drives them, what would help
  order  prints the order of its recipes, what was merged, and the findings

  estimate prints what is left of its work by unit and stage, with ranges and every factor
  schools prints the nine schools and the file's recipes side by side for one unit: hands-on, sittings, pots, date
  job    prints a project file of some models alike, painted by a school: for estimate and plan

  demo   prints the demo project as a project file
  schema prints the JSON Schema of project files

  --now         the moment to plan from, ISO 8601 with offset; otherwise this moment
  --beside      another project at the same desk, planned together with the first
  --batch-size  models a batch; otherwise the project's own
  --futures     how many to draw; 1000 otherwise
  --seed        the same seed draws the same futures
  --weight      'fewest pots', 'least clean-up' or 'soonest table-ready'
  --table-ready 'three-colour', 'tabletop', 'tabletop plus' or 'display'
`

// A reader that has seen enough, as `head`, is no fault.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error
})

const [command, ...rest] = process.argv.slice(2)
if (command === 'plan') {
  process.exitCode = runPlan(rest)
} else if (command === 'forecast') {
  process.exitCode = runForecast(rest)
} else if (command === 'order') {
  process.exitCode = runOrder(rest)
} else if (command === 'estimate') {
  process.exitCode = runEstimate(rest)
} else if (command === 'schools') {
  process.exitCode = runSchools(rest)
} else if (command === 'job') {
  process.exitCode = runJob(rest)
} else if (command === 'demo') {
  process.stdout.write(`${JSON.stringify(demoProjectFile(), null, 1)}\n`)
} else if (command === 'schema') {
  process.stdout.write(`${JSON.stringify(projectJsonSchema(), null, 2)}\n`)
} else {
  process.stderr.write(usage)
  process.exitCode = 2
}
