import { countModels, withOwnNames } from '@seriatim/core/trade'
import type { ProjectId } from '@seriatim/core/units'
import { CircleQuestionMark, Moon, Sun, UsersRound } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { Link, NavLink, Outlet, ScrollRestoration, useLocation, useParams } from 'react-router'
import { ChangesButton, HalfPaintedNote } from '../features/changes/index.ts'
import { DeliveryNotice } from '../features/delivery/index.ts'
import { useQuery } from '@tanstack/react-query'
import { isMissing, projectQuery } from '../shared/api/index.ts'
import { dueText } from '../shared/finish-text.ts'
import { plural } from '../shared/format/index.ts'
import { forgetProject } from '../shared/kept/index.ts'
import { Later } from '../shared/later.tsx'
import { useNews } from '../shared/progress/index.ts'
import { ProjectContext, useProject } from '../shared/project/index.ts'
import { ErrorState, IconButton, LoadingState } from '../shared/ui/index.ts'
import { useDoorway } from '../shared/signed-in.ts'
import { usePageKeys } from '../shared/use-page-keys.ts'
import { useFollowedLine } from '../shared/worker/index.ts'
import { NotFoundPage } from './NotFoundPage.tsx'
import { lastProject, rememberProject } from './WhereNow.tsx'

const places = [
  { path: 'roster', name: 'Roster' },
  { path: 'recipe', name: 'Recipe' },
  { path: 'line', name: 'Stages' },
  { path: 'hours', name: 'What fits' },
  { path: 'plan', name: 'Plan' },
  { path: 'bench', name: 'Bench' },
  { path: 'sheet', name: 'Progress' },
  { path: 'logbook', name: 'Logbook' },
] as const

/** What belongs to the desk and not to a project. */
const besideTheDesk = [
  { path: '/shelf', name: 'Shelf' },
  { path: '/air', name: 'Drying' },
] as const

/** Where there is a door. */
const studioPlace = { path: '/studio', name: 'Studio' } as const

/** Fetched when somebody has to sign in. */
const loadDoor = () => import('../features/auth/index.ts')

/** The mat, the road across its top, and what is on its way to the server. */
export function Shell() {
  const { projectId } = useParams()
  const main = useFocusOnArrival()
  const { isShut, wasIn, isIn } = useDoorway()
  const isStranger = isShut && !wasIn
  useTitle(isStranger ? undefined : projectId)
  return (
    <>
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-20 focus:bg-paper focus:p-3"
      >
        To the content
      </a>
      <header className="sticky top-0 z-10 border-b-2 border-ink bg-mat">
        <div className="mx-auto flex max-w-[1360px] flex-wrap items-center gap-x-3 px-4 sm:gap-x-6 sm:px-6 lg:flex-nowrap">
          <Link to="/projects" className="py-2 font-heading text-2xl font-extrabold">
            Seriatim
          </Link>
          {projectId === undefined || isStranger ? null : <Road projectId={projectId as ProjectId} />}
          <div className="ml-auto flex min-w-0 items-center gap-1">
            {projectId === undefined || isStranger ? null : (
              <ProjectName projectId={projectId as ProjectId} />
            )}
            {(isStranger ? [] : isIn ? [...besideTheDesk, studioPlace] : besideTheDesk).map(
              ({ path, name }) => (
                <NavLink
                  key={path}
                  to={path}
                  className="flex min-h-11 items-center px-2 font-bold aria-[current=page]:underline"
                >
                  {path === studioPlace.path ? (
                    <>
                      <UsersRound aria-hidden="true" size={20} className="sm:hidden" />
                      <span className="sr-only sm:not-sr-only">{name}</span>
                    </>
                  ) : (
                    name
                  )}
                </NavLink>
              ),
            )}
            {projectId === undefined || isStranger ? null : (
              <ChangesButton projectId={projectId as ProjectId} />
            )}
            <ThemeButton />
            <HelpButton />
          </div>
        </div>
      </header>
      <DeliveryNotice />
      <main
        id="main"
        ref={main}
        tabIndex={-1}
        className="mx-auto flow-root max-w-[1360px] px-4 pb-16 outline-none sm:px-6"
      >
        {isShut ? (
          <Later load={loadDoor} name="The sign-in" quiet>
            {({ SignInNotice }) => <SignInNotice wasIn={wasIn} />}
          </Later>
        ) : null}
        {isStranger ? null : <Outlet />}
      </main>
      <ScrollRestoration />
    </>
  )
}

/** Places that are not on the road. */
const otherNames: Readonly<Record<string, string>> = {
  projects: 'Projects',
  new: 'New project',
  desk: 'All at one desk',
  commissions: 'Commissions',
  help: 'Help',
  sessions: 'Sessions',
  paper: 'On paper',
  commission: 'Commission',
  quote: 'Quote',
  pilot: 'Test model',
  finished: 'How it went',
}

/** `Plan · Fen watch · Seriatim`: every place has a title of its own. */
function useTitle(projectId: string | undefined) {
  const { pathname } = useLocation()
  const [, first = '', , place = ''] = pathname.split('/')
  const { data } = useQuery({ ...projectQuery(projectId as ProjectId), enabled: projectId !== undefined })
  const known = [...places, ...besideTheDesk, studioPlace].find(
    ({ path }) => path.replace('/', '') === (projectId === undefined ? first : place),
  )
  const name = known?.name ?? otherNames[projectId === undefined ? first : place]
  const title = [name, projectId === undefined ? undefined : data?.name, 'Seriatim']
    .filter(Boolean)
    .join(' · ')
  useEffect(() => {
    document.title = title
  }, [title])
}

/** Who goes to another place has the keys there: focus leaves the link that led here. */
function useFocusOnArrival() {
  const place = useRef<HTMLElement>(null)
  const { pathname } = useLocation()
  const arrivedAt = useRef(pathname)
  useEffect(() => {
    if (arrivedAt.current === pathname) return
    arrivedAt.current = pathname
    place.current?.focus({ preventScroll: true })
  }, [pathname])
  return place
}

/** One line of places with a hole on it: where you are. */
function Road({ projectId }: { readonly projectId: ProjectId }) {
  return (
    <nav aria-label="Places" className="order-last w-full lg:order-none lg:w-auto">
      <ul className="flex justify-between lg:gap-1">
        {places.map((place) => (
          <li key={place.path}>
            <NavLink
              to={`/projects/${projectId}/${place.path}`}
              className="group relative flex min-h-12 items-center px-0.5 text-sm text-ink-soft sm:px-2 lg:whitespace-nowrap xl:px-3 sm:text-lg hover:text-ink aria-[current=page]:font-bold aria-[current=page]:text-ink"
            >
              {place.name}
              <span
                aria-hidden="true"
                className="absolute bottom-[-11px] left-1/2 hidden size-5 -translate-x-1/2 rounded-full border-2 border-ink bg-mat group-aria-[current=page]:block"
              />
            </NavLink>
          </li>
        ))}
      </ul>
    </nav>
  )
}

function ProjectName({ projectId }: { readonly projectId: ProjectId }) {
  const { project: data } = useProject(projectId)
  if (!data) return null
  return (
    <p className="hidden min-w-0 truncate pr-2 text-sm font-bold text-ink-soft xl:block">
      {data.name}
      <span className="hidden 2xl:inline"> · {plural(countModels(data), 'model')}</span>
      {data.dueOn === null ? null : <span className="hidden 2xl:inline"> · due {dueText(data)}</span>}
    </p>
  )
}

function ThemeButton() {
  const [dark, setDark] = useState(
    () =>
      (document.documentElement.dataset['theme'] ??
        (window.matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light')) === 'dark',
  )
  const change = () => {
    const theme = dark ? 'light' : 'dark'
    document.documentElement.dataset['theme'] = theme
    localStorage.setItem('seriatim.theme', theme)
    setDark(!dark)
  }
  return (
    <IconButton label={dark ? 'Daylight' : 'Lamplight'} onClick={change}>
      {dark ? <Sun aria-hidden="true" size={20} /> : <Moon aria-hidden="true" size={20} />}
    </IconButton>
  )
}

/** Fetched when somebody asks. */
const loadHelp = () => import('../features/help/index.ts')

function HelpButton() {
  const [open, setOpen] = useState(false)
  usePageKeys({ '?': () => setOpen(true) })
  return (
    <>
      <IconButton label="Keys and help" onClick={() => setOpen(true)}>
        <CircleQuestionMark aria-hidden="true" size={20} />
      </IconButton>
      {open ? (
        <Later load={loadHelp} name="Keys and help" quiet>
          {({ KeysDialog }) => <KeysDialog onClose={() => setOpen(false)} />}
        </Later>
      ) : null}
    </>
  )
}

/** Loads the project once for every place on its road. */
export function ProjectRoad() {
  const { projectId } = useParams()
  const { project: data, error, refetch, failureReason } = useProject(projectId as ProjectId)
  const followed = useFollowedLine(data)
  const shown = useMemo(
    () => (data && followed ? { ...data, line: withOwnNames(followed) } : data),
    [data, followed],
  )
  useNews(data?.id ?? null)
  const isGone = isMissing(error)
  useEffect(() => {
    if (data) rememberProject(data.id)
    else if (isGone && lastProject() === projectId) rememberProject(null)
    if (isGone && projectId !== undefined) forgetProject(projectId)
  }, [data, isGone, projectId])
  if (shown && !isGone) {
    return (
      <ProjectContext value={shown}>
        <HalfPaintedNote key={shown.id} project={shown} />
        <Outlet />
      </ProjectContext>
    )
  }
  if (isGone) return <NotFoundPage />
  const reason = error ?? failureReason
  if (reason) return <ErrorState error={reason} onRetry={() => void refetch()} />
  return <LoadingState what="the project" />
}
