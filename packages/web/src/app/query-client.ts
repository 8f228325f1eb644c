import { QueryClient } from '@tanstack/react-query'
import { isAway, meQuery, onSignInNeeded } from '../shared/api/index.ts'
import { askOrRemember, keepAnswers } from '../shared/kept/index.ts'

const longestPause = 10_000

/** A server that does not answer is asked again until it does; any other failure is shown at once. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      networkMode: 'always',
      staleTime: 5_000,
      persister: askOrRemember,
      retry: (_, error) => isAway(error),
      retryDelay: (attempt) => Math.min(longestPause, 500 * 2 ** attempt),
    },
    mutations: { networkMode: 'always', retry: false },
  },
})

keepAnswers(queryClient)

// A sign-in ran out, told to a query or to the outbox: who sits here is asked anew, and the page says so.
onSignInNeeded(() => void queryClient.invalidateQueries({ queryKey: meQuery.queryKey }))
