import { eveningsOf, readHours } from '@seriatim/core/calendar'
import { modelsOf, readSaidUnits } from '@seriatim/core/notes'
import { joinWords, recipeSchools } from '@seriatim/core/recipe'
import { parseLocalDate, type LocalDate, type PainterId, type ProjectId } from '@seriatim/core/units'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useMemo, useState, type SyntheticEvent } from 'react'
import { useNavigate } from 'react-router'
import { toast } from 'sonner'
import { v7 } from 'uuid'
import { everyProject, importProjectFile, projectListQuery, useShelf } from '../../shared/api/index.ts'
import { clockNow } from '../../shared/clock.ts'
import { deviceId, nextNumber } from '../../shared/device.ts'
import { plural } from '../../shared/format/index.ts'
import { HoursField } from '../../shared/hours-field.tsx'
import { storeWord } from '../../shared/stored-word.ts'
import { Button, Headline, TextAreaField, TextField } from '../../shared/ui/index.ts'
import { draftFile, draftProject, draftRecipes, draftUnits, withUsual, type Correction } from './draft.ts'
import { readLastTime, recordOf, type Told } from './last-time.ts'
import { LastTime } from './LastTime.tsx'
import { MethodChoice } from './MethodChoice.tsx'
import { UnitPreview } from './UnitPreview.tsx'

const usualHours = 'Tue, Thu 19:30–22:00'
const usualMethod = 'translucent-over-bright'

/** One page from nothing to a plan: what is painted, by when, which evenings, how, and what the last one took. */
export function NewProjectPage() {
  const navigate = useNavigate()
  const client = useQueryClient()
  // One id for one page: pressing the button twice makes one project.
  const [id] = useState(() => v7() as ProjectId)
  const [timeZone] = useState(() => Intl.DateTimeFormat().resolvedOptions().timeZone)
  const [text, setText] = useState('')
  const [name, setName] = useState('')
  const [due, setDue] = useState('')
  const [hours, setHours] = useState(usualHours)
  const [method, setMethod] = useState(usualMethod)
  const [corrections, setCorrections] = useState<Readonly<Record<string, Correction>>>({})
  const [told, setTold] = useState<Told>({ models: '', took: '' })
  const [tried, setTried] = useState(false)

  const said = useMemo(() => readSaidUnits(text), [text])
  const units = useMemo(() => draftUnits(said.units, corrections), [said, corrections])
  const own = useShelf().data
  const evenings = useMemo(() => {
    const read = readHours(hours)
    return read.ok ? eveningsOf(read.rules, timeZone) : null
  }, [hours, timeZone])
  const dueOn = due !== '' && parseLocalDate(due).ok ? (due as LocalDate) : null
  const called = joinWords(units.map(({ unit }) => unit.name)).slice(0, 120)
  const first = units[0]
  const last = useMemo(
    () => readLastTime(told, first?.unit, first?.method ?? method),
    [told, first?.unit, first?.method, method],
  )
  const asked = useMemo(() => {
    if (!evenings || !own || units.length === 0) return null
    const settings = { id: everyProject, name: 'draft', dueOn, evenings }
    const project = draftProject(
      settings,
      units.map(({ unit }) => unit),
      [],
    )
    return { project, units, shelf: own, remembered: last.unit }
  }, [dueOn, evenings, units, own, last.unit])

  const create = useMutation({
    mutationFn: (file: unknown) => importProjectFile(file, false),
    onSuccess: async () => {
      // Asked here, and not once more beside the plan.
      storeWord('last-unit', 'skipped')
      await client.invalidateQueries({ queryKey: projectListQuery.queryKey })
      await client.invalidateQueries({ queryKey: ['shelf'] })
      await navigate(`/projects/${id}/${units.length > 0 ? 'plan?new' : 'roster?new'}`)
    },
    onError: (error) => toast.error(error.message),
  })

  const faults = {
    units: said.questions.length > 0 && units.length === 0 ? said.questions[0] : undefined,
    name: name.trim() === '' && called === '' ? 'Give the project a name.' : undefined,
    due: due !== '' && dueOn === null ? 'Give a day that exists.' : undefined,
    hours: evenings ? undefined : hoursFault(hours),
    last: last.fault,
  }
  const submit = (event: SyntheticEvent) => {
    event.preventDefault()
    setTried(true)
    const isWrong = Object.values(faults).some((fault) => fault !== undefined)
    if (!evenings || !own || isWrong || said.questions.length > 0) return
    const project = draftProject(
      { id, name: name.trim() || called, dueOn, evenings },
      units.map(({ unit }) => unit),
      draftRecipes(units, method, own),
    )
    const by = { device: deviceId, number: nextNumber(), painter: 'you' as PainterId }
    const events = last.unit ? [{ ...recordOf(last.unit, clockNow()), by }] : []
    create.mutate(draftFile(project, withUsual(own), events, clockNow()))
  }

  const submitButton = (
    <Button type="submit" weight="main" className="w-full" disabled={create.isPending || !own}>
      {create.isPending ? 'Planning …' : units.length > 0 ? 'Plan it' : 'Begin without models'}
    </Button>
  )
  return (
    <form noValidate onSubmit={submit}>
      <Headline
        sub={<p>Say it as you would to a friend; everything can be changed later.</p>}
        actions={<span className="hidden lg:block">{submitButton}</span>}
      >
        What are you going to paint?
      </Headline>
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <div className="ticket grid gap-4 p-4">
          <TextAreaField
            label="What"
            rows={2}
            autoFocus
            value={text}
            spellCheck={false}
            placeholder="30 foot in 3 squads red blue green, 5 riders, 1 big beast"
            error={tried ? faults.units : undefined}
            onChange={(event) => setText(event.target.value)}
          />
          <UnitPreview
            units={units}
            questions={said.questions}
            onCorrect={(unit, correction) =>
              setCorrections({ ...corrections, [unit]: { ...corrections[unit], ...correction } })
            }
          />
          <div className="grid items-start gap-4 sm:grid-cols-2">
            <TextField
              label="Name of the project"
              value={name}
              maxLength={120}
              placeholder={called}
              error={tried ? faults.name : undefined}
              onChange={(event) => setName(event.target.value)}
            />
            <TextField
              label="Done by"
              type="date"
              value={due}
              hint="Leave it empty when there is no date."
              error={tried ? faults.due : undefined}
              onChange={(event) => setDue(event.target.value)}
            />
          </div>
          <HoursField text={hours} error={tried ? faults.hours : undefined} onChange={setHours} />
        </div>
        <div className="ticket grid gap-4 p-4">
          <MethodChoice asked={asked} timeZone={timeZone} chosen={method} onChoose={setMethod} />
          <LastTime
            told={told}
            like={first?.unit}
            method={recipeSchools.find((school) => school.id === (first?.method ?? method))?.name ?? ''}
            said={last}
            error={tried ? last.fault : undefined}
            onChange={setTold}
          />
        </div>
      </div>
      <div className="mt-4 lg:hidden">{submitButton}</div>
      <p role="status" className="sr-only">
        {units.length > 0
          ? plural(
              units.reduce((sum, each) => sum + modelsOf(each.said), 0),
              'model',
            )
          : ''}
      </p>
    </form>
  )
}

function hoursFault(text: string): string {
  const read = readHours(text)
  return read.ok ? 'Name a day of every week as well.' : read.error
}
