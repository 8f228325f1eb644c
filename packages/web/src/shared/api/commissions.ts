import { routes, type Client, type KeptQuote } from '@seriatim/contract'
import type { PriceList, Quote } from '@seriatim/core/money'
import type { Standard } from '@seriatim/core/trade'
import type { ClientId, ProjectId } from '@seriatim/core/units'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { v7 } from 'uuid'
import { z } from 'zod'
import { mergeFields } from '@seriatim/core/changes'
import { call } from './call.ts'
import { sayFailure } from './say-failure.ts'
import { takeAnswer } from './take-answer.ts'

const clientsQuery = queryOptions({
  queryKey: ['clients'],
  queryFn: ({ signal }) => call(routes.readClients, {}, signal).then(({ clients }) => clients),
})

/** Who has models painted here, by name. */
export const useClients = () => useQuery(clientsQuery)

type ClientChange =
  /** `before`: as it was when somebody began to change it; `null`: somebody new. */
  | { readonly kind: 'put'; readonly client: Client; readonly before: Client | null }
  | { readonly kind: 'remove'; readonly id: ClientId }

export function useClientChange() {
  const client = useQueryClient()
  const sent = useMutation({
    scope: { id: 'clients' },
    mutationFn: (change: ClientChange) => {
      if (change.kind === 'remove') return call(routes.removeClient, { params: { clientId: change.id } })
      const { id, ...body } = change.client
      const { id: _, ...before } = change.before ?? change.client
      return call(routes.putClient, {
        params: { clientId: id },
        body: change.before ? { ...body, before } : body,
      })
    },
    onSuccess: ({ clients }) => takeAnswer(client, clientsQuery.queryKey, clients),
    onError: (error, failed) => {
      const mine = failed.kind === 'put' ? failed : null
      sayFailure(error, mine && (() => void putMine(mine).catch(() => undefined)))
    },
  })
  /** What was changed here over what is there now. */
  const putMine = async (mine: Extract<ClientChange, { kind: 'put' }>) => {
    const { clients } = await call(routes.readClients, {})
    const there = clients.find(({ id }) => id === mine.client.id)
    const merged = mine.before && there ? mergeFields(mine.before, there, mine.client).merged : mine.client
    await sent.mutateAsync({ kind: 'put', client: merged, before: there ?? null })
  }
  return sent
}

const pricesQuery = queryOptions({
  queryKey: ['prices'],
  queryFn: ({ signal }) => call(routes.readPrices, {}, signal),
})

/** What the studio charges, and which revision of it this is. */
export const usePrices = () => useQuery(pricesQuery)

/** Where somebody else was first, theirs are read anew. */
export function useSetPrices() {
  const client = useQueryClient()
  return useMutation({
    scope: { id: 'prices' },
    mutationFn: (body: { readonly prices: PriceList; readonly revision: number }) =>
      call(routes.putPrices, { body }),
    onSuccess: (kept) => {
      takeAnswer(client, pricesQuery.queryKey, kept)
      toast('The prices are kept.')
    },
    onError: (error) => {
      toast.error(error.message)
      void client.invalidateQueries({ queryKey: pricesQuery.queryKey })
    },
  })
}

const commissionQuery = (id: ProjectId) =>
  queryOptions({
    queryKey: ['commission', id],
    queryFn: ({ signal }) => call(routes.readCommission, { params: { id } }, signal),
  })

/** The quotes of a project, the newest first, and its client's links. */
export const useCommission = (id: ProjectId) => useQuery(commissionQuery(id))

/** What is done to them; what they have become is asked for anew, whoever was first. */
function useCommissionMutation<Given, Answer>(id: ProjectId, ask: (given: Given) => Promise<Answer>) {
  const client = useQueryClient()
  return useMutation({
    scope: { id: `commission ${id}` },
    mutationFn: ask,
    onSettled: () => client.invalidateQueries({ queryKey: commissionQuery(id).queryKey }),
    onError: (error) => toast.error(error.message),
  })
}

/** Keeps a quote as it is said. @param after how many there are, as the page shows it. */
export function useMakeQuote(id: ProjectId) {
  return useCommissionMutation(
    id,
    ({ after, quote }: { readonly after: number; readonly quote: Quote }): Promise<KeptQuote> =>
      call(routes.makeQuote, {
        params: { id },
        body: z.encode(routes.makeQuote.body, { id: v7(), after, quote }),
      }),
  )
}

export function useAcceptQuote(id: ProjectId) {
  return useCommissionMutation(
    id,
    ({ quoteId, standard }: { readonly quoteId: string; readonly standard: Standard }) =>
      call(routes.acceptQuote, { params: { id, quoteId }, body: { standard } }),
  )
}

type LinkChange =
  | { readonly kind: 'make'; readonly days: number }
  | { readonly kind: 'end'; readonly linkId: string }

/** Makes a link or ends one. @returns what a new one is made of, told once; `null` where one was ended. */
export function useLinkChange(id: ProjectId) {
  return useCommissionMutation(id, async (change: LinkChange): Promise<string | null> => {
    if (change.kind === 'make')
      return (await call(routes.makeLink, { params: { id }, body: { days: change.days } })).token
    await call(routes.revokeLink, { params: { id, linkId: change.linkId } })
    return null
  })
}

/** What a client sees behind a link. */
export const readShared = (token: string, signal: AbortSignal) =>
  call(routes.readShared, { params: { token } }, signal)
