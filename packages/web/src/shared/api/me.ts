import { routes, type Me } from '@seriatim/contract'
import { queryOptions, useQuery } from '@tanstack/react-query'
import { call, StrangeAnswer } from './call.ts'

export const meQuery = queryOptions({
  queryKey: ['me'],
  queryFn: ({ signal }) => call(routes.readMe, {}, signal),
  staleTime: 60_000,
})

/** Who sits here; `undefined` until it is known. Without a door nobody has to be anybody. */
export const useMe = (): Me | undefined => useQuery(meQuery).data

/** Asks the authentication of the door itself, which speaks a JSON of its own. @throws Error with its sentence. */
async function askDoor(path: string, body: object): Promise<void> {
  const answer = await fetch(`/api/auth${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  }).catch(() => {
    throw new Error('The server does not answer.')
  })
  if (answer.ok) return
  const said = (await answer.json().catch(() => null)) as { readonly code?: string } | null
  throw new Error(sentences[said?.code ?? ''] ?? sentenceOf(answer.status))
}

const sentences: Readonly<Record<string, string>> = {
  INVALID_EMAIL_OR_PASSWORD: 'Nobody signs in here with this address and password.',
  INVALID_EMAIL: 'This is no e-mail address.',
  INVALID_PASSWORD: 'This is not your password.',
  PASSWORD_TOO_SHORT: 'A password has at least 10 characters.',
  PASSWORD_TOO_LONG: 'This password is too long.',
}

function sentenceOf(status: number): string {
  if (status === 429) return 'That was too often. Wait a minute and try again.'
  return new StrangeAnswer(status).message
}

/** Leads this sign-in to another studio of theirs, or to one that asks them to come. */
export const chooseStudio = (studioId: string) => call(routes.chooseStudio, { body: { studioId } })

export const signIn = (email: string, password: string) => askDoor('/sign-in/email', { email, password })
export const signOut = () => askDoor('/sign-out', {})
export const changePassword = (currentPassword: string, newPassword: string) =>
  askDoor('/change-password', { currentPassword, newPassword, revokeOtherSessions: true })
